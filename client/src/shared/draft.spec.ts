import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { database } from '../outbox/database';
import { useOutbox } from '../outbox/useOutbox';
import { useDraft } from './draft';
import { useSession } from './session';

/** A server of one draft: takes edits as the real one does, refuses what it is told to, and may be out of reach. */
class Server {
  seq = 1;
  texts: Record<string, string> = { s1: 'Remove the cover.', s2: 'Clean the face.' };
  order = ['s1', 's2'];
  reachable = true;
  signedIn = true;
  /** Answers held back until let go. */
  held: (() => void)[] | null = null;
  readonly got: { kind: string; clientId: string; edit?: Record<string, string> }[] = [];
  refuse: ((edit: Record<string, string>) => Record<string, unknown> | null) | null = null;

  view(): object {
    const step = (id: string): object => ({
      id,
      text: this.texts[id],
      only: '',
      branches: [],
      chips: [],
      questions: [],
      cautions: [],
      dropped: [],
      fields: {},
    });
    return {
      seq: this.seq,
      phases: [{ id: 'h1', name: 'Removal', steps: [...this.order] }],
      steps: this.order.map(step),
      findings: [],
      undo: this.seq > 1 ? 'text' : null,
    };
  }

  async answer(request: Request): Promise<Response> {
    if (!this.reachable) throw new TypeError('no network');
    if (!this.signedIn) return Server.json(401, { title: 'Signed out.', detail: 'Sign in again.' });
    const url = new URL(request.url);
    if (url.pathname === '/api/session')
      return Server.json(200, {
        id: 'ines',
        name: 'Ines Aldaro',
        roles: ['author'],
        factorDue: false,
        ended: null,
        token: 't',
        idleMinutes: 30,
        isDemo: false,
        demo: [],
      });
    if (request.method === 'GET' && url.pathname.endsWith('/changes'))
      return Number(url.searchParams.get('since')) === this.seq
        ? new Response(null, { status: 204 })
        : Server.json(200, { moves: 0, sheet: this.view() });
    if (request.method === 'GET')
      return Server.json(200, { id: Number(url.pathname.split('/').pop()), may: { edit: true }, moves: 0, sheet: this.view() });
    const body = (await request.json()) as { clientId: string; edit?: Record<string, string> };
    const kind = url.pathname.split('/').pop()!;
    this.got.push({ kind, ...body });
    const refusal = body.edit ? (this.refuse?.(body.edit) ?? null) : null;
    if (refusal) return Server.json(Number(refusal.status), refusal);
    if (body.edit) this.take(body.edit);
    this.seq++;
    const answer = Server.json(200, this.view());
    if (this.held) await new Promise<void>((go) => this.held!.push(go));
    return answer;
  }

  private take(edit: Record<string, string>): void {
    if (edit.do === 'writeStep') this.texts[edit.id!] = edit.text!;
    if (edit.do === 'insertStep') {
      this.texts[edit.id!] = edit.text!;
      this.order.splice(edit.after ? this.order.indexOf(edit.after) + 1 : 0, 0, edit.id!);
    }
    if (edit.do === 'removeStep') this.order.splice(this.order.indexOf(edit.id!), 1);
  }

  static json(status: number, body: object): Response {
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  }
}

describe('the open draft', () => {
  let server: Server;

  beforeEach(async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true, toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
    setActivePinia(createPinia());
    localStorage.clear();
    const db = await database();
    for (const store of ['waiting', 'sheets'] as const) await db.clear(store);
    server = new Server();
    vi.stubGlobal('fetch', (request: Request) => server.answer(request));
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
    await useOutbox().box.load();
    useOutbox().box.lead();
  });
  afterEach(async () => {
    Object.assign(server, { reachable: true, signedIn: true });
    await useDraft().settled();
    useDraft().close();
    useOutbox().stop();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  async function opened(): Promise<ReturnType<typeof useDraft>> {
    const draft = useDraft();
    await draft.open(7);
    return draft;
  }

  it('sends what is typed after a pause, once, with the text the writer began with', async () => {
    const draft = await opened();
    for (const text of ['Remove the cover. K', 'Remove the cover. Keep', 'Remove the cover. Keep it.']) draft.type('s1', text);
    expect(server.got).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(400);
    await draft.settled();
    expect(server.got.map((g) => g.edit)).toEqual([
      { do: 'writeStep', id: 's1', before: 'Remove the cover.', text: 'Remove the cover. Keep it.' },
    ]);
    expect(draft.textOf('s1')).toBe('Remove the cover. Keep it.');
    expect(draft.typed.size).toBe(0);
  });

  it('sends nothing where what was typed was taken back', async () => {
    const draft = await opened();
    draft.type('s1', 'Remove the covers.');
    draft.type('s1', 'Remove the cover.');
    await draft.settled();
    expect(server.got).toHaveLength(0);
    expect(draft.typed.size).toBe(0);
  });

  it('goes on from its own text where more is typed while the first is on its way', async () => {
    const draft = await opened();
    server.held = [];
    draft.type('s1', 'Remove the lid.');
    draft.flush('s1');
    await vi.waitFor(() => expect(server.held).toHaveLength(1));
    draft.type('s1', 'Remove the lid. Keep it.');
    draft.flush('s1');
    const held = server.held;
    server.held = null;
    held.forEach((go) => go());
    await draft.settled();
    expect(server.got.map((g) => [g.edit?.before, g.edit?.text])).toEqual([
      ['Remove the cover.', 'Remove the lid.'],
      ['Remove the lid.', 'Remove the lid. Keep it.'],
    ]);
    expect(draft.textOf('s1')).toBe('Remove the lid. Keep it.');
  });

  it('keeps a refused text in its field with the reason, and sends what is behind it', async () => {
    const draft = await opened();
    server.refuse = (edit) => (edit.id === 's1' ? { status: 400, title: 'Too long.', detail: 'Split it.' } : null);
    draft.type('s1', 'Far too long.');
    draft.type('s2', 'Clean both faces.');
    await draft.settled();
    expect(draft.textOf('s1')).toBe('Far too long.');
    expect(draft.refusals.get('s1')?.detail).toBe('Split it.');
    expect(server.texts.s2).toBe('Clean both faces.');
    server.refuse = null;
    draft.type('s1', 'Short.');
    expect(draft.refusals.size).toBe(0);
    await draft.settled();
    expect(server.texts.s1).toBe('Short.');
  });

  it('asks whose text stands where two wrote the same step, and sends nothing of it until then', async () => {
    const draft = await opened();
    server.texts.s1 = 'Remove the lid.';
    server.seq++;
    server.refuse = (edit) =>
      edit.before === server.texts[edit.id!] ? null : { status: 409, title: 'Changed.', detail: 'Choose.', theirs: server.texts[edit.id!] };
    draft.type('s1', 'Remove the cover now.');
    await draft.settled();
    expect(draft.troubles.map((t) => t.theirs)).toEqual(['Remove the lid.']);
    expect(draft.textOf('s1')).toBe('Remove the cover now.');
    draft.type('s1', 'Remove the cover at once.');
    await draft.settled();
    expect(server.got).toHaveLength(1);

    draft.settle(draft.troubles[0]!.waiting, true);
    await draft.settled();
    expect(server.texts.s1).toBe('Remove the cover at once.');
    expect(draft.troubles).toEqual([]);
  });

  it('takes theirs where the writer says so', async () => {
    const draft = await opened();
    server.texts.s1 = 'Remove the lid.';
    server.refuse = () => ({ status: 409, title: 'Changed.', detail: 'Choose.', theirs: 'Remove the lid.' });
    draft.type('s1', 'Mine.');
    await draft.settled();
    draft.settle(draft.troubles[0]!.waiting, false);
    await vi.waitFor(() => expect(draft.textOf('s1')).toBe('Remove the lid.'));
    expect(server.got).toHaveLength(1);
  });

  it('shows a new step at once and keeps its place while older answers come in', async () => {
    const draft = await opened();
    server.held = [];
    draft.type('s2', 'Clean both faces.');
    draft.flush('s2');
    await vi.waitFor(() => expect(server.held).toHaveLength(1));
    const id = draft.insertAfter('s1', 'h1', 'Inspect it.');
    expect(draft.order).toEqual(['s1', id, 's2']);
    const held = server.held;
    server.held = null;
    held.forEach((go) => go());
    await vi.waitFor(() => expect(server.got).toHaveLength(2));
    expect(draft.order).toEqual(['s1', id, 's2']);
    await draft.settled();
    expect(server.order).toEqual(['s1', id, 's2']);
    expect(draft.textOf(id)).toBe('Inspect it.');
  });

  it('waits without a connection, says so, and sends the same edit once when it is back', async () => {
    const draft = await opened();
    server.reachable = false;
    draft.type('s1', 'Remove the lid.');
    draft.flush('s1');
    await vi.waitFor(() => expect(draft.connected).toBe(false));
    expect(draft.waiting).toBe(1);
    expect(draft.textOf('s1')).toBe('Remove the lid.');
    server.reachable = true;
    await vi.advanceTimersByTimeAsync(2000);
    await draft.settled();
    expect(server.texts.s1).toBe('Remove the lid.');
    expect(draft.connected).toBe(true);
    expect(draft.waiting).toBe(0);
  });

  it('keeps what was written after the session ended, and brings it when the draft is opened again', async () => {
    const draft = await opened();
    server.signedIn = false;
    draft.type('s1', 'Remove the lid.');
    draft.flush('s1');
    await vi.waitFor(() => expect(draft.signedOut).toBe(true));
    draft.close();
    server.signedIn = true;
    await draft.open(7);
    await draft.settled();
    expect(server.texts.s1).toBe('Remove the lid.');
    expect(draft.textOf('s1')).toBe('Remove the lid.');
  });

  it('sends what is typed before an undo, so that the undo takes that back', async () => {
    const draft = await opened();
    draft.type('s1', 'Remove the lid.');
    draft.back('undo');
    await draft.settled();
    expect(server.got.map((g) => g.kind)).toEqual(['edits', 'undo']);
  });

  it('takes in what others wrote when it asks, but not over what is typed here', async () => {
    const draft = await opened();
    server.texts.s2 = 'Clean it with a rag.';
    server.seq++;
    draft.type('s1', 'Remove the lid');
    await draft.poll();
    expect(draft.textOf('s2')).toBe('Clean it with a rag.');
    expect(draft.textOf('s1')).toBe('Remove the lid');
  });

  it('asks again for what it was told of while its own edit was on its way', async () => {
    const draft = await opened();
    server.held = [];
    draft.type('s1', 'Remove the lid.');
    draft.flush('s1');
    await vi.waitFor(() => expect(server.held).toHaveLength(1));
    server.texts.s2 = 'Clean it with a rag.';
    server.seq++;
    await draft.poll();
    const held = server.held;
    server.held = null;
    held.forEach((go) => go());
    await draft.settled();
    await vi.waitFor(() => expect(draft.textOf('s2')).toBe('Clean it with a rag.'));
    expect(draft.textOf('s1')).toBe('Remove the lid.');
  });

  it('takes no late answer of another draft', async () => {
    const draft = await opened();
    server.held = [];
    draft.type('s1', 'Of the first draft.');
    draft.flush('s1');
    await vi.waitFor(() => expect(server.held).toHaveLength(1));
    const held = server.held;
    server.held = null;
    server.texts = { s1: 'Of the second draft.', s2: 'Clean.' };
    await draft.open(8);
    held.forEach((go) => go());
    await vi.advanceTimersByTimeAsync(50);
    expect(draft.textOf('s1')).toBe('Of the second draft.');
  });
});
