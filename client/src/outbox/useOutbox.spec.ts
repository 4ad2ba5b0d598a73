import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useSession } from '../shared/session';
import { database, keepSheet, keptSheet, keptShelf } from './database';
import type { RevisionView } from '../shared/api/client';
import { useOutbox } from './useOutbox';

const answer = (status: number, body: object): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

describe('the outbox of the application', () => {
  const got: { url: string; body: { clientId: string; edit?: { text?: string } } }[] = [];

  beforeEach(async () => {
    got.length = 0;
    setActivePinia(createPinia());
    localStorage.clear();
    const db = await database();
    await db.clear('waiting');
    await db.clear('sheets');
    vi.stubGlobal('fetch', async (request: Request) => {
      got.push({ url: new URL(request.url).pathname, body: (await request.json()) as (typeof got)[number]['body'] });
      return answer(200, { seq: got.length, steps: [] });
    });
    useSession().view = {
      id: 'ines',
      name: 'Ines Aldaro',
      roles: ['author'],
      factorDue: false,
      ended: null,
      token: 't',
      idleMinutes: 30,
      isDemo: false,
      demo: [],
    };
  });
  afterEach(() => {
    useOutbox().stop();
    vi.unstubAllGlobals();
  });

  it('takes up the edits that an earlier version of the page had left, and sends them as whose they are', async () => {
    const edit = (text: string): object => ({ do: 'writeStep', id: 's1', before: '', text });
    localStorage.setItem('wornpath-queue-ines-7', JSON.stringify([{ clientId: 'old-1-ines', revision: 7, edit: edit('Remove the lid.') }]));
    localStorage.setItem('wornpath-queue-marta-8', JSON.stringify([{ clientId: 'old-1-marta', revision: 8, edit: edit('Hers.') }]));
    await useOutbox().start();
    await vi.waitFor(() => expect(got.map((g) => [g.url, g.body.clientId])).toEqual([['/api/revisions/7/edits', 'old-1-ines']]));
    expect(useOutbox().others.map((w) => [w.person, w.revision])).toEqual([['marta', 8]]);
    expect(Object.keys(localStorage).filter((k) => k.startsWith('wornpath-queue'))).toEqual([]);
  });

  it('leaves what the database has not taken where the next page finds it, once', async () => {
    await useOutbox().start();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    let typed = 'Remove the lid.';
    useOutbox().beforeLeaving(() => {
      if (typed) useOutbox().box.addText({ person: 'ines', personName: 'Ines', revision: 7, where: 'OT-1' }, 's1', typed, '');
      typed = '';
    });
    dispatchEvent(new Event('pagehide'));
    expect(Object.keys(localStorage).filter((k) => k.startsWith('wornpath-last-words'))).toHaveLength(1);
    const left = { ...localStorage } as Record<string, string>;
    await useOutbox().box.written();
    useOutbox().stop();
    // The database took it after all, or did not: the next page has it once.
    for (const taken of [true, false]) {
      if (!taken) await (await database()).clear('waiting');
      for (const [name, text] of Object.entries(left)) localStorage.setItem(name, text);
      setActivePinia(createPinia());
      await useOutbox().start();
      expect(useOutbox().items.map((w) => w.edit)).toEqual([{ do: 'writeStep', id: 's1', before: '', text: 'Remove the lid.' }]);
      useOutbox().stop();
    }
  });

  it('leaves the new text of a waiting edit, too, where the page goes away before the database has it', async () => {
    await useOutbox().start();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    const of = { person: 'ines', personName: 'Ines', revision: 7, where: 'OT-1' };
    useOutbox().box.addText(of, 's1', 'Remove the lid.', '');
    await useOutbox().box.written();
    useOutbox().beforeLeaving(() => useOutbox().box.addText(of, 's1', 'Remove the lid and seal.', ''));
    const former = await (await database()).getAll('waiting');
    dispatchEvent(new Event('pagehide'));
    const left = { ...localStorage } as Record<string, string>;
    await useOutbox().box.written();
    await vi.waitFor(() => expect(Object.keys(localStorage).filter((k) => k.startsWith('wornpath-last-words'))).toEqual([]));
    const latest = await (await database()).getAll('waiting');
    useOutbox().stop();
    // The database has the text of before; or it was sent with that text by another tab; or it has the new text after all.
    for (const [rows, before] of [
      [former, ''],
      [[], 'Remove the lid.'],
      [latest, ''],
    ] as const) {
      const db = await database();
      await db.clear('waiting');
      for (const w of rows) await db.put('waiting', w);
      for (const [name, text] of Object.entries(left)) localStorage.setItem(name, text);
      setActivePinia(createPinia());
      await useOutbox().start();
      expect(useOutbox().items.map((w) => w.edit)).toEqual([{ do: 'writeStep', id: 's1', before, text: 'Remove the lid and seal.' }]);
      useOutbox().stop();
    }
  });

  it('takes up what another tab left that was closed', async () => {
    await useOutbox().start();
    const waiting = { clientId: 'c1', key: -1, person: 'ines', personName: 'Ines', revision: 7, where: 'OT-1', at: 1, stamp: 0 };
    const words = JSON.stringify([{ ...waiting, edit: { do: 'writeStep', id: 's1', before: '', text: 'Remove the lid.' } }]);
    localStorage.setItem('wornpath-last-words-x', words);
    dispatchEvent(new StorageEvent('storage', { key: 'wornpath-last-words-x', newValue: words }));
    await vi.waitFor(() => expect(useOutbox().items.map((w) => w.clientId)).toEqual(['c1']), 6000);
    expect(localStorage.getItem('wornpath-last-words-x')).toBeNull();
  }, 10_000);

  it('keeps twenty sheets a person for reading without a connection, the latest, and shows nobody else’s', async () => {
    const view = (id: number): RevisionView =>
      ({
        id,
        procedureId: id,
        number: `OT-${id}`,
        title: 'Job',
        platform: '',
        letter: 'A',
        state: 'draft',
        author: 'Ines',
        changedAt: '',
        sheet: { seq: 1, steps: [] },
      }) as unknown as RevisionView;
    for (let id = 1; id <= 25; id++) {
      await keepSheet('ines', view(id));
      await new Promise((r) => setTimeout(r, 2));
    }
    await keepSheet('marta', view(99));
    expect((await keptShelf('ines')).map((r) => r.revisionId)).toEqual(Array.from({ length: 20 }, (_, i) => 25 - i));
    expect((await keptShelf('marta')).map((r) => r.number)).toEqual(['OT-99']);
    // These are as a page from before bulletins and signatures kept them: there are none on them.
    expect((await keptSheet('marta', 99))?.view.bulletins).toEqual([]);
    expect((await keptSheet('marta', 99))?.view.signing.signed).toEqual([]);
  });
});
