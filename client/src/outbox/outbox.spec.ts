import { describe, expect, it } from 'vitest';
import { NotConnected, Refused, type Edit, type SheetView, type Trouble } from '../shared/api/client';
import { Outbox, type Shelf, type Told } from './outbox';
import { isRefused, type Waiting } from './waiting';

/** The browser's database as several tabs share it: every write takes a moment, and may fail. */
class Kept implements Shelf {
  rows = new Map<number, Waiting>();
  last = 0;
  broken = false;
  wholes = 0;

  private async moment(): Promise<void> {
    await new Promise((r) => setTimeout(r, 1));
    if (this.broken) throw new Error('no room');
  }
  private inOrder(): Waiting[] {
    return [...this.rows.values()].map((w) => ({ ...w }));
  }
  async all(): Promise<Waiting[]> {
    this.wholes++;
    await this.moment();
    return this.inOrder();
  }
  async next(person: string): Promise<Waiting | undefined> {
    await this.moment();
    return this.inOrder().find((w) => w.person === person && !isRefused(w));
  }
  async add(waiting: Omit<Waiting, 'key'>): Promise<number> {
    await this.moment();
    this.rows.set(++this.last, { ...structuredClone(waiting), key: this.last });
    return this.last;
  }
  async change(key: number, how: (w: Waiting) => Waiting | null): Promise<Waiting | undefined> {
    await this.moment();
    const now = this.rows.get(key);
    const then = now && how({ ...now });
    if (then) this.rows.set(key, { ...then, key });
    else this.rows.delete(key);
    return then ? { ...then, key } : undefined;
  }
}

/** Tabs of one browser, with one database, one cookie, and a server. */
class Browser {
  readonly kept = new Kept();
  readonly got: { person: string; clientId: string; edit: Edit | null }[] = [];
  readonly tabs: Outbox[] = [];
  person: string | null = 'ines';
  answer: (w: Waiting) => Trouble | 'away' | null = () => null;
  hold: Promise<void> | null = null;
  renewed = 0;

  tab(): Outbox {
    const box: Outbox = new Outbox({
      shelf: this.kept,
      send: async (w) => {
        const sent = structuredClone({ person: w.person, clientId: w.clientId, edit: w.edit });
        await this.hold;
        const said = this.answer(w);
        if (said === 'away') throw new NotConnected();
        if (said) throw new Refused(said);
        this.got.push(sent);
        return { seq: this.got.length, steps: [] } as unknown as SheetView;
      },
      person: () => this.person,
      renew: async () => void this.renewed++,
      tell: (told: Told) => this.tabs.filter((t) => t !== box).forEach((t) => t.hear(structuredClone(told))),
      changed: () => undefined,
      pause: () => 5,
    });
    this.tabs.push(box);
    return box;
  }

  async leader(): Promise<Outbox> {
    const box = this.tab();
    await box.load();
    box.lead();
    return box;
  }
}

const of = (person = 'ines', revision = 7): Pick<Waiting, 'person' | 'personName' | 'revision' | 'where'> => ({
  person,
  personName: person,
  revision,
  where: 'OT-1 Job, A',
});
const part = (name: string): Edit => ({ do: 'addThing', kind: 'part', name, fromKit: false });
const names = (browser: Browser): string[] => browser.got.map((g) => (g.edit?.do === 'addThing' ? g.edit.name : (g.edit?.do ?? 'back')));
const trouble = (status: number, more: Partial<Trouble> = {}): Trouble => ({ status, title: `${status}.`, detail: 'Do this.', ...more });
const until = async (test: () => boolean): Promise<void> => {
  for (let i = 0; i < 400 && !test(); i++) await new Promise((r) => setTimeout(r, 3));
  expect(test()).toBe(true);
};

describe('the outbox', () => {
  it('sends in the order things were made, whichever tab they were made in, each once', async () => {
    const browser = new Browser();
    const one = await browser.leader();
    const two = browser.tab();
    await two.load();
    one.add({ ...of(), edit: part('a') });
    await one.written();
    two.add({ ...of(), edit: part('b') });
    await two.written();
    one.add({ ...of(), edit: part('c') });
    await until(() => browser.got.length === 3);
    expect(names(browser)).toEqual(['a', 'b', 'c']);
    await until(() => browser.kept.rows.size === 0 && one.items.length === 0 && two.items.length === 0);
    expect(two.keptAt.has(7)).toBe(true);
  });

  it('asks the browser for what is next, not for all that waits, however much was done without a connection', async () => {
    const browser = new Browser();
    browser.answer = () => 'away';
    const box = await browser.leader();
    for (let i = 0; i < 60; i++) box.add({ ...of(), edit: part(`p${i}`) });
    await box.written();
    browser.answer = () => null;
    const before = browser.kept.wholes;
    await until(() => browser.got.length === 60);
    expect(names(browser)).toEqual([...Array(60).keys()].map((i) => `p${i}`));
    expect(browser.kept.wholes - before).toBeLessThan(3);
  });

  it('outlives the page: what a closed tab left is sent by the next', async () => {
    const browser = new Browser();
    browser.answer = () => 'away';
    const gone = await browser.leader();
    gone.add({ ...of(), edit: part('a') });
    gone.add({ ...of(), edit: part('b') });
    await gone.written();
    gone.stop();
    browser.tabs.length = 0;
    browser.answer = () => null;
    await browser.leader();
    await until(() => browser.got.length === 2);
    expect(names(browser)).toEqual(['a', 'b']);
  });

  it.each([
    ['a full disk', trouble(503, { title: 'The server’s disk is full.' })],
    ['a fault of the server', trouble(500)],
    ['a server that is busy', trouble(429)],
    ['no connection', 'away' as const],
  ])('tries again after %s, and says nothing is kept until it is', async (_what, said) => {
    const browser = new Browser();
    browser.answer = () => said;
    const box = await browser.leader();
    box.add({ ...of(), edit: part('a') });
    await until(() => box.standing.trouble !== null || !box.standing.connected);
    expect(box.keptAt.size).toBe(0);
    expect(browser.kept.rows.size).toBe(1);
    browser.answer = () => null;
    await until(() => browser.got.length === 1);
    await until(() => box.keptAt.size === 1 && box.items.length === 0);
    expect(box.standing).toEqual({ connected: true, signedOut: false, trouble: null });
  });

  it('asks for a new token where the page is out of date, and sends the same edit again', async () => {
    const browser = new Browser();
    browser.answer = () => (browser.renewed ? null : trouble(400, { again: true }));
    const box = await browser.leader();
    const { clientId } = box.add({ ...of(), edit: part('a') });
    await until(() => browser.got.length === 1);
    expect(browser.got[0]!.clientId).toBe(clientId);
  });

  it('asks for a new token, too, where the server was long away before', async () => {
    const browser = new Browser();
    let tries = 0;
    browser.answer = () => (++tries < 9 ? 'away' : browser.renewed ? null : trouble(400, { again: true }));
    const box = await browser.leader();
    box.add({ ...of(), edit: part('a') });
    await until(() => browser.got.length === 1);
    expect(browser.renewed).toBe(1);
  });

  it('keeps what one person typed while another is signed in, and sends it when she is back', async () => {
    const browser = new Browser();
    browser.answer = () => trouble(401);
    const box = await browser.leader();
    box.add({ ...of('ines'), edit: part('hers') });
    await until(() => box.standing.signedOut);
    browser.answer = () => null;
    browser.person = 'marta';
    box.add({ ...of('marta'), edit: part('his') });
    await until(() => browser.got.length === 1);
    expect(browser.got[0]).toMatchObject({ person: 'marta' });
    await new Promise((r) => setTimeout(r, 40));
    expect(box.items.map((w) => w.person)).toEqual(['ines']);
    browser.person = 'ines';
    box.kick();
    await until(() => box.items.length === 0);
    expect(browser.got.map((g) => g.person)).toEqual(['marta', 'ines']);
  });

  it('keeps what is refused with its text, tells what builds on it, and sends the rest', async () => {
    const browser = new Browser();
    browser.answer = (w) => (w.edit?.do === 'insertStep' ? trouble(409, { title: 'The sheet is full.' }) : null);
    const box = await browser.leader();
    box.add({ ...of(), edit: { do: 'insertStep', id: 's-1', phase: 'h1', after: null, text: '' } });
    box.addText(of(), 's-1', 'Remove the cover.', '');
    box.add({ ...of(), edit: { do: 'moveStep', id: 's-1', phase: 'h1', after: 's-9' } });
    box.add({ ...of(), edit: part('a') });
    await until(() => browser.got.length === 1 && box.items.every(isRefused));
    expect(names(browser)).toEqual(['a']);
    expect(box.items.map((w) => [w.edit?.do, w.follows ?? false, w.trouble?.title])).toEqual([
      ['insertStep', false, 'The sheet is full.'],
      ['writeStep', true, 'This builds on an edit that was not taken.'],
      ['moveStep', true, 'This builds on an edit that was not taken.'],
    ]);
    // Sent again, what followed goes with it, in order.
    browser.answer = () => null;
    box.again(box.items[0]!);
    await until(() => box.items.length === 0);
    expect(browser.got.slice(1).map((g) => g.edit?.do)).toEqual(['insertStep', 'writeStep', 'moveStep']);
  });

  it('loses no letter that is typed while a text is on its way, in this tab or another', async () => {
    for (const inOther of [false, true]) {
      const browser = new Browser();
      let go = (): void => undefined;
      browser.hold = new Promise((r) => (go = r));
      const leader = await browser.leader();
      const other = browser.tab();
      await other.load();
      const writer = inOther ? other : leader;
      writer.addText(of(), 's1', 'Remove', '');
      await writer.written();
      await new Promise((r) => setTimeout(r, 20));
      writer.addText(of(), 's1', 'Remove the', '');
      await writer.written();
      go();
      browser.hold = null;
      await until(() => writer.items.length === 0);
      const texts = browser.got.map((g) => (g.edit?.do === 'writeStep' ? [g.edit.before, g.edit.text] : []));
      expect(texts).toEqual([
        ['', 'Remove'],
        ['Remove', 'Remove the'],
      ]);
    }
  });

  it('adds what was written over a text that another tab had taken meanwhile as an edit of its own', async () => {
    const browser = new Browser();
    const leader = await browser.leader();
    const other = browser.tab();
    await other.load();
    other.addText(of(), 's1', 'Remove', '');
    const stale = other.items[0]!;
    await until(() => leader.items.length === 0 && browser.got.length === 1);
    // The other tab has not heard yet.
    other.items = [stale];
    other.rewrite(stale, 'Remove the cover.');
    await until(() => browser.got.length === 2);
    expect(browser.got[1]!.edit).toEqual({ do: 'writeStep', id: 's1', before: 'Remove', text: 'Remove the cover.' });
  });

  it('sends what the browser cannot keep, and says that it is not kept', async () => {
    const browser = new Browser();
    browser.kept.broken = true;
    browser.answer = () => 'away';
    const box = browser.tab();
    await box.load();
    box.add({ ...of(), edit: part('a') });
    await until(() => box.unkept);
    expect(box.unwritten()).toHaveLength(1);
    browser.answer = () => null;
    await until(() => browser.got.length === 1);
    await until(() => box.items.length === 0);
  });

  it('tells the page what became of an edit: taken, refused, or put away', async () => {
    const browser = new Browser();
    browser.answer = (w) => (w.edit?.do === 'addThing' && w.edit.name === 'bad' ? trouble(400) : null);
    const box = await browser.leader();
    const good = box.add({ ...of(), edit: part('good') });
    const bad = box.add({ ...of(), edit: part('bad') });
    expect(await box.fateOf(good.clientId)).toBe('taken');
    expect(await box.fateOf(bad.clientId)).toBe('refused');
    await box.settled(7, 'ines');
    box.drop(box.items[0]!);
    await box.written();
    expect(browser.kept.rows.size).toBe(0);
  });
});
