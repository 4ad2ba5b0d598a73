import { NotConnected, Refused, type Edit, type SheetView, type Trouble } from '../shared/api/client';
import { textFrom } from '../shared/edits';
import { newId } from '../shared/ids';
import { buildsOn, isRefused, without, writes, type LastWords, type Waiting } from './waiting';

/** Where waiting edits are kept. All that is written is there when the promise is kept. */
export interface Shelf {
  all(): Promise<Waiting[]>;
  /** The first of a person's that is not refused. */
  next(person: string): Promise<Waiting | undefined>;
  add(waiting: Omit<Waiting, 'key'>): Promise<number>;
  /** Changes one, if it is still there, in one transaction. Returns it as it is then; undefined where it is gone. */
  change(key: number, how: (waiting: Waiting) => Waiting | null): Promise<Waiting | undefined>;
}

/** What is told from tab to tab. */
export type Told =
  | { what: 'changed' }
  | { what: 'taken'; clientId: string; revision: number; edit: Edit | null; view: SheetView; left: Waiting | null }
  | { what: 'kick' }
  | { what: 'standing'; standing: Standing };

/** How it stands with sending: what keeps it, if anything. */
export interface Standing {
  connected: boolean;
  signedOut: boolean;
  /** The server's own trouble, in its words: a full disk, a database that is busy. */
  trouble: Trouble | null;
}

export interface Ports {
  shelf: Shelf;
  /** Sends one; throws {@link Refused} or {@link NotConnected}. */
  send(waiting: Waiting): Promise<SheetView>;
  /** Who is signed in here; null for nobody. */
  person(): string | null;
  /** Asks the server who is signed in, and for a new token. */
  renew(): Promise<void>;
  tell(told: Told): void;
  /** Called after anything has changed. */
  changed(): void;
  /** How long to wait before trying again, by the number of tries before. */
  pause?(tries: number): number;
}

/**
 * All edits of all people of this browser that the server has not acknowledged. They are kept before anything is said of them, sent
 * by one tab in the order they were made, and outlive pages, reloads, sign-outs and other people. What the server does not answer
 * (no connection, an ended session, a token out of date, a trouble of its own) is tried again; what it refuses stays, with what builds
 * on it, until its author puts it away.
 */
export class Outbox {
  items: Waiting[] = [];
  standing: Standing = { connected: true, signedOut: false, trouble: null };
  /** When the last edit of a revision was acknowledged, in this tab's sight. */
  readonly keptAt = new Map<number, number>();
  /** True while something could not be kept in the browser: then it is lost with the page. */
  unkept = false;

  private leads = false;
  private stopped = false;
  private wanted = false;
  private running = false;
  private tries = 0;
  /** How often in a row a new token was asked for. */
  private renewals = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private writing: Promise<unknown> = Promise.resolve();
  private provisional = 0;
  /** Texts written anew that the shelf does not have yet, with the text it has. */
  private readonly rewriting = new Map<string, { one: Waiting; over: string }>();
  private readonly takers = new Set<(told: Extract<Told, { what: 'taken' }>) => void>();
  private readonly waiters = new Set<() => void>();

  constructor(private readonly ports: Ports) {}

  /** Reads what earlier pages left. */
  async load(): Promise<void> {
    await this.read();
    this.kick();
  }

  /** This tab is the one that sends. */
  lead(): void {
    this.leads = true;
    void this.run();
  }

  /** This tab sends no more. */
  stop(): void {
    this.leads = false;
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
  }

  /** Called with every edit that was taken, whichever tab sent it. */
  onTaken(taker: (told: Extract<Told, { what: 'taken' }>) => void): () => void {
    this.takers.add(taker);
    return () => this.takers.delete(taker);
  }

  /** Something another tab tells. */
  hear(told: Told): void {
    if (told.what === 'kick') void this.run();
    else if (told.what === 'standing') {
      this.standing = told.standing;
      this.ports.changed();
    } else {
      if (told.what === 'taken') this.taken(told);
      void this.read();
    }
  }

  /** Keeps an edit and has it sent. */
  add(one: Pick<Waiting, 'person' | 'personName' | 'revision' | 'where' | 'edit' | 'back'>): Waiting {
    const waiting: Waiting = { ...one, key: --this.provisional, clientId: newId(), at: Date.now(), stamp: 0 };
    this.items = [...this.items, waiting];
    this.keep(async () => {
      waiting.key = await this.ports.shelf.add(without(waiting, 'key'));
    });
    this.ports.changed();
    return waiting;
  }

  /** A step's text: takes the place of a text of the same step that waits and has nothing of its sheet behind it. */
  addText(one: Pick<Waiting, 'person' | 'personName' | 'revision' | 'where'>, id: string, text: string, seen: string): void {
    const mine = this.items.filter((w) => w.person === one.person && w.revision === one.revision && !isRefused(w));
    const last = mine.at(-1);
    if (last && writes(last) === id) {
      this.rewrite(last, text);
      return;
    }
    // What she saw is what the last of her own waiting texts of this step will have made of it.
    const before = mine.reduce((t, w) => textFrom(w.edit, id) ?? t, seen);
    this.add({ ...one, edit: { do: 'writeStep', id, before, text } });
  }

  /** Writes the text of one that waits, or was refused, anew. */
  rewrite(waiting: Waiting, text: string): void {
    const with_ = (w: Waiting): Waiting =>
      w.edit?.do === 'writeStep'
        ? { ...w, stamp: w.stamp + 1, edit: { ...w.edit, text }, ...(w.trouble && { trouble: { ...w.trouble, yours: text } }) }
        : w;
    const { key, ...one } = waiting;
    const before = waiting.edit?.do === 'writeStep' ? waiting.edit : null;
    this.items = this.items.map((w) => (w.clientId === waiting.clientId ? Object.assign(w, with_(w)) : w));
    const rewritten = before && { one: { ...waiting }, over: this.rewriting.get(waiting.clientId)?.over ?? before.text };
    if (rewritten) this.rewriting.set(waiting.clientId, rewritten);
    this.keep(async () => {
      const there = await this.ports.shelf.change(key < 0 ? waiting.key : key, with_);
      if (this.rewriting.get(one.clientId) === rewritten) this.rewriting.delete(one.clientId);
      if (there) return;
      // Another tab had it taken with the text of before: what came since is an edit of its own, from there.
      if (before) this.add({ ...one, edit: { ...before, before: before.text, text } });
    });
    this.ports.changed();
  }

  /** Puts one away: its author has decided. What followed it goes its own way again. */
  drop(waiting: Waiting): void {
    this.items = this.items.filter((w) => w.clientId !== waiting.clientId);
    this.keep(() => this.ports.shelf.change(waiting.key, () => null));
    this.ports.changed();
    this.settleWaiters();
  }

  /** Sends a refused one again, as a new edit in its old place, with what followed it. */
  again(waiting: Waiting, edit: Edit | null = waiting.edit): void {
    const followers = this.items.filter((w) => w.follows && buildsOn(w, waiting));
    const freed = (w: Waiting, e: Edit | null): Waiting => ({
      ...without(w, 'trouble', 'follows'),
      edit: e,
      clientId: newId(),
      stamp: w.stamp + 1,
    });
    for (const w of [waiting, ...followers]) {
      const fresh = freed(w, w === waiting ? edit : w.edit);
      const { clientId } = w;
      this.items = this.items.map((i) => (i.clientId === clientId ? fresh : i));
      this.keep(() => this.ports.shelf.change(w.key, () => ({ ...fresh, key: w.key })));
    }
    this.ports.changed();
  }

  /** A page has asked the server something else, and was answered or not. */
  noticed(connected: boolean): void {
    if (connected !== this.standing.connected) this.stand({ connected });
  }

  /** Tries now what waits for a connection. */
  kick(): void {
    this.tries = 0;
    this.ports.tell({ what: 'kick' });
    void this.run();
  }

  /** When nothing of a revision is waiting any more: taken, refused or put away. */
  settled(revision: number, person: string): Promise<void> {
    const still = (): boolean => this.items.some((w) => w.revision === revision && w.person === person && !isRefused(w));
    if (!still()) return Promise.resolve();
    return new Promise((done) => {
      const check = (): void => {
        if (still()) return;
        this.waiters.delete(check);
        done();
      };
      this.waiters.add(check);
    });
  }

  /** Whether one has been taken, is refused or put away by now. */
  fateOf(clientId: string): Promise<'taken' | 'refused'> {
    return new Promise((done) => {
      const off = this.onTaken((t) => {
        if (t.clientId !== clientId) return;
        this.waiters.delete(check);
        off();
        done('taken');
      });
      const check = (): void => {
        const one = this.items.find((w) => w.clientId === clientId);
        if (one && !isRefused(one)) return;
        this.waiters.delete(check);
        // Gone, and not refused: the tab that sent it is about to say that it was taken, or it was put away.
        setTimeout(
          () => {
            off();
            done('refused');
          },
          one ? 0 : 500,
        );
      };
      this.waiters.add(check);
    });
  }

  /** What is not in the browser's database yet, for a last resort when the page goes away. */
  unwritten(): LastWords[] {
    const anew = [...this.rewriting.values()].filter(({ one }) => one.key >= 0).map(({ one, over }) => ({ ...one, over }));
    return [...this.items.filter((w) => w.key < 0), ...anew];
  }

  /** All that was begun to be kept is kept. */
  written(): Promise<unknown> {
    return this.writing;
  }

  // One write after the other, in the order they were made; what is kept is told to the other tabs.
  private keep(write: () => Promise<unknown>): void {
    this.writing = this.writing.then(async () => {
      try {
        await write();
        this.unkept = false;
      } catch {
        this.unkept = true;
      }
      this.ports.tell({ what: 'changed' });
      this.ports.changed();
      this.kick();
    });
  }

  private async read(): Promise<void> {
    try {
      const kept = await this.asWritten(() => this.ports.shelf.all());
      // What this page could not keep is only here.
      this.items = [...kept, ...this.items.filter((w) => w.key < 0)];
    } catch {
      this.unkept = this.items.length > 0;
    }
    this.ports.changed();
    this.settleWaiters();
  }

  // What is read while something is written is older than what stands here.
  private async asWritten<T>(ask: () => Promise<T>): Promise<T> {
    for (;;) {
      const before = this.writing;
      await before;
      const kept = await ask();
      if (before === this.writing) return kept;
    }
  }

  private taken(told: Extract<Told, { what: 'taken' }>): void {
    this.keptAt.set(told.revision, Date.now());
    this.items = told.left
      ? this.items.map((w) => (w.clientId === told.clientId ? told.left! : w))
      : this.items.filter((w) => w.clientId !== told.clientId);
    for (const taker of [...this.takers]) taker(told);
    this.ports.changed();
    this.settleWaiters();
  }

  private settleWaiters(): void {
    for (const check of [...this.waiters]) check();
  }

  private stand(standing: Partial<Standing>): void {
    this.standing = { ...this.standing, ...standing };
    this.ports.tell({ what: 'standing', standing: this.standing });
    this.ports.changed();
  }

  // Only what is next is asked of the database, however many wait; all of it is read where another tab has kept something that comes first.
  private async next(): Promise<Waiting | undefined> {
    const person = this.ports.person();
    if (person === null) return undefined;
    const here = (): Waiting | undefined => this.items.find((w) => w.person === person && !isRefused(w));
    try {
      const kept = await this.asWritten(() => this.ports.shelf.next(person));
      const one = here();
      const isUnkept = one !== undefined && one.key < 0;
      if (kept ? kept.clientId === one?.clientId && kept.stamp === one.stamp : !one || isUnkept) return one;
    } catch {
      this.unkept = this.items.length > 0;
      return here();
    }
    await this.read();
    return here();
  }

  private async run(): Promise<void> {
    // Without a database there is no other tab that could send what is here.
    this.wanted = true;
    if (this.running || this.stopped || !(this.leads || this.unkept)) return;
    this.running = true;
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    try {
      for (;;) {
        this.wanted = false;
        const one = await this.next();
        if (this.stopped || (one ? !(await this.deliver(one)) : !this.wanted)) break;
      }
    } finally {
      this.running = false;
    }
  }

  // True where the next may be sent.
  private async deliver(one: Waiting): Promise<boolean> {
    const sent = { clientId: one.clientId, stamp: one.stamp, edit: one.edit };
    try {
      const view = await this.ports.send(one);
      this.tries = 0;
      this.renewals = 0;
      // Written on while it was under way: what came since is an edit of its own, from what was taken.
      const left = await this.change(one, (w) =>
        w.stamp === sent.stamp || w.edit?.do !== 'writeStep' || sent.edit?.do !== 'writeStep'
          ? null
          : { ...w, clientId: newId(), edit: { ...w.edit, before: sent.edit.text } },
      );
      if (!left) this.rewriting.delete(sent.clientId);
      if (!left) this.items = this.items.filter((w) => w.clientId !== sent.clientId);
      this.stand({ connected: true, signedOut: false, trouble: null });
      const told: Told = { what: 'taken', clientId: sent.clientId, revision: one.revision, edit: sent.edit, view, left: left ?? null };
      this.taken(told);
      this.ports.tell(told);
      return true;
    } catch (error) {
      return await this.failed(one, error);
    }
  }

  private async failed(one: Waiting, error: unknown): Promise<boolean> {
    if (!(error instanceof Refused) && !(error instanceof NotConnected)) throw error;
    this.tries++;
    if (error instanceof NotConnected) {
      this.stand({ connected: false });
      this.later();
      return false;
    }
    const { trouble } = error;
    if (trouble.status === 401 || trouble.asks) {
      // It waits, as without a connection; whoever signs in again sends her own.
      this.stand({ connected: true, signedOut: true });
      this.later();
      return false;
    }
    if (trouble.again && this.renewals < 3) {
      this.renewals++;
      await this.renewed();
      if (this.ports.person() === null) this.stand({ signedOut: true });
      return (await this.next()) !== undefined;
    }
    if (trouble.again || trouble.status >= 500 || trouble.status === 408 || trouble.status === 429) {
      this.stand({ connected: true, trouble });
      this.later();
      return false;
    }
    this.tries = 0;
    const followers = this.items.filter((w) => w.clientId !== one.clientId && !isRefused(w) && buildsOn(w, one));
    await this.change(one, (w) => ({ ...w, trouble }));
    for (const w of followers)
      await this.change(w, (f) => ({
        ...f,
        follows: true,
        trouble: { status: trouble.status, title: 'This builds on an edit that was not taken.', detail: 'It goes with that one.' },
      }));
    this.stand({ connected: true, signedOut: false, trouble: null });
    this.ports.tell({ what: 'changed' });
    this.settleWaiters();
    return true;
  }

  private async renewed(): Promise<void> {
    try {
      await this.ports.renew();
    } catch {
      // The next try says why.
    }
  }

  private async change(one: Waiting, how: (w: Waiting) => Waiting | null): Promise<Waiting | undefined> {
    await this.writing;
    let now: Waiting | undefined;
    try {
      now = one.key < 0 ? (how(one) ?? undefined) : await this.ports.shelf.change(one.key, how);
    } catch {
      this.unkept = true;
      now = how(one) ?? undefined;
    }
    this.items = now
      ? this.items.map((w) => (w.clientId === one.clientId ? now : w))
      : this.items.filter((w) => w.clientId !== one.clientId);
    return now;
  }

  private later(): void {
    this.renewals = 0;
    const pause = this.ports.pause?.(this.tries) ?? Math.min(1500 * 1.6 ** Math.min(this.tries - 1, 6), 5_000);
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.run(), pause);
  }
}
