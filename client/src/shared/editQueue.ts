import { NotConnected, type Edit } from './api/client';

/** An edit on its way, or an undo or redo (edit null). */
export interface Queued {
  clientId: string;
  revision: number;
  edit: Edit | null;
  back?: 'undo' | 'redo';
}

export interface QueueState {
  waiting: number;
  connected: boolean;
  /** True when an edit has just been acknowledged. */
  kept: boolean;
}

/**
 * Sends edits one after the other and keeps them in the browser's storage until each is acknowledged, so that a lost
 * connection or a reload loses none. An edit keeps its client id when it is sent again; the server takes it once.
 */
export class EditQueue {
  private items: Queued[] = [];
  private running = false;
  private stopped = false;
  private connected = true;
  private retry: ReturnType<typeof setTimeout> | null = null;
  private befores = new Map<string, () => string>();
  private idle: (() => void)[] = [];

  constructor(
    private readonly key: string,
    private readonly sendOne: (item: Queued) => Promise<void>,
    private readonly report: (state: QueueState) => void,
    private readonly wait = 1500,
    private readonly storage: Storage = localStorage,
  ) {
    this.items = this.stored();
  }

  /** Begins to send, first what an earlier page could not. */
  start(): void {
    this.report({ waiting: this.items.length, connected: this.connected, kept: false });
    void this.run();
  }

  /** Stops; what is not acknowledged stays stored. */
  stop(): void {
    this.stopped = true;
    if (this.retry) clearTimeout(this.retry);
  }

  some(test: (item: Queued) => boolean): boolean {
    // The first is the one whose answer is being taken in.
    return this.items.slice(this.running ? 1 : 0).some(test);
  }

  add(item: Omit<Queued, 'clientId'>): void {
    this.items.push({ clientId: crypto.randomUUID(), ...item });
    this.store();
    void this.run();
  }

  /** A step's text: takes the place of a text of the same step that is not on its way yet and has nothing behind it. */
  addText(revision: number, id: string, text: string, before: () => string): void {
    const last = this.items.at(-1);
    const underWay = this.running && this.items.length === 1;
    if (last?.edit?.do === 'writeStep' && last.edit.id === id && !underWay) last.edit.text = text;
    else this.items.push({ clientId: crypto.randomUUID(), revision, edit: { do: 'writeStep', id, before: before(), text } });
    this.befores.set(id, before);
    this.store();
    void this.run();
  }

  /** When everything now queued is acknowledged or refused. */
  settled(): Promise<void> {
    return this.items.length === 0 ? Promise.resolve() : new Promise((done) => this.idle.push(done));
  }

  private async run(): Promise<void> {
    if (this.running || this.stopped) return;
    this.running = true;
    try {
      for (let item = this.items[0]; item && !this.stopped; item = this.items[0]) {
        // What the writer saw is known when the edit before it is acknowledged.
        const edit = item.edit;
        if (edit?.do === 'writeStep') edit.before = this.befores.get(edit.id)?.() ?? edit.before;
        this.report({ waiting: this.items.length, connected: this.connected, kept: false });
        await this.sendOne(item);
        this.items.shift();
        this.store();
        this.connected = true;
        this.report({ waiting: this.items.length, connected: true, kept: true });
      }
    } catch (error) {
      if (!(error instanceof NotConnected)) {
        // A fault, not a lost connection: sending the same again would not help.
        this.items.shift();
        this.store();
        throw error;
      }
      this.connected = false;
      this.report({ waiting: this.items.length, connected: false, kept: false });
      if (!this.stopped) this.retry = setTimeout(() => void this.run(), this.wait);
    } finally {
      this.running = false;
      if (this.items.length === 0) for (const done of this.idle.splice(0)) done();
    }
  }

  private stored(): Queued[] {
    const text = this.storage.getItem(this.key);
    return text ? (JSON.parse(text) as Queued[]) : [];
  }

  private store(): void {
    if (this.items.length === 0) this.storage.removeItem(this.key);
    else this.storage.setItem(this.key, JSON.stringify(this.items));
  }
}
