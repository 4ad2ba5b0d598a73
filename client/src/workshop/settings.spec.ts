import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useSettings } from './settings';

/** A server of one workshop that keeps documents as the real one does; an answer can be held back, a change by somebody else made. */
class Server {
  version = 3;
  documents = [{ name: 'Service manual', edition: '3rd ed.' }];
  hold: Promise<void> | null = null;

  async answer(request: Request): Promise<Response> {
    if (request.method === 'PUT') {
      const form = (await request.json()) as { version: number; documents: Server['documents'] };
      if (form.documents.some((d) => !d.edition)) return Server.json({ title: 'No edition.', detail: 'Write it.' }, 400);
      if (form.version < this.version) return Server.json({ title: 'Somebody else has changed it.', detail: 'Look.' }, 409);
      this.documents = form.documents;
      this.version++;
    }
    const answer = Server.json({
      version: this.version,
      documents: this.documents,
      values: [],
      crib: [],
      handTools: [],
      blocks: [],
      rules: { fewPasses: [50, 100], manyPasses: [30, 70, 100] },
      mayChange: true,
    });
    await this.hold;
    return answer;
  }

  private static json(body: object, status = 200): Response {
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  }
}

describe('the settings of the workshop as they are written', () => {
  let server: Server;

  beforeEach(() => {
    setActivePinia(createPinia());
    sessionStorage.clear();
    server = new Server();
    vi.stubGlobal('fetch', (request: Request) => server.answer(request));
  });
  afterEach(() => vi.unstubAllGlobals());

  it('keep what is written on while it is being kept', async () => {
    const settings = useSettings();
    await settings.open();
    settings.now!.documents[0]!.edition = '4th ed.';
    let go = (): void => undefined;
    server.hold = new Promise((done) => (go = done));
    const kept = settings.keep('documents');
    await vi.waitFor(() => expect(server.version).toBe(4));
    settings.now!.documents[0]!.edition = '5th ed.';
    go();
    await kept;
    expect(settings.now!.documents[0]!.edition).toBe('5th ed.');
    expect(settings.changed.documents).toBe(true);
    // What she writes next is written over her own.
    server.hold = null;
    expect(await settings.keep('documents')).toBe(true);
    expect([server.documents[0]!.edition, settings.changed.documents]).toEqual(['5th ed.', undefined]);
  });

  it('stand as typed where somebody else was first, and are kept over theirs or put back', async () => {
    const settings = useSettings();
    await settings.open();
    settings.now!.documents[0]!.edition = '4th ed.';
    server.version++;
    server.documents = [{ name: 'Service manual', edition: 'rev. B' }];
    expect(await settings.keep('documents')).toBe(false);
    expect([settings.now!.documents[0]!.edition, settings.troubles.documents?.status]).toEqual(['4th ed.', 409]);
    settings.putBack('documents');
    expect([settings.now!.documents[0]!.edition, settings.troubles.documents]).toEqual(['rev. B', undefined]);
    // What was put back is a copy: writing on it is a change again.
    settings.now!.documents[0]!.edition = '4th ed.';
    expect(settings.changed.documents).toBe(true);
    expect(await settings.keep('documents')).toBe(true);
    expect(server.documents[0]!.edition).toBe('4th ed.');
  });

  it('say no longer what is wrong once it is written back', async () => {
    const settings = useSettings();
    await settings.open();
    settings.now!.documents[0]!.edition = '';
    await settings.keep('documents');
    expect(settings.troubles.documents?.status).toBe(400);
    settings.now!.documents[0]!.edition = '3rd ed.';
    await nextTick();
    expect(settings.troubles.documents).toBeUndefined();
  });

  it('come back after a reload as far as they were not kept', async () => {
    const before = useSettings();
    await before.open();
    before.now!.documents.push({ name: 'Kit sheet', edition: '1st ed.', dated: '' });
    await nextTick();
    setActivePinia(createPinia());
    const after = useSettings();
    await after.open();
    expect([after.now!.documents.length, after.changed.documents, after.changed.crib]).toEqual([2, true, undefined]);
  });
});
