import { defineStore } from 'pinia';
import { computed, markRaw, shallowRef, triggerRef, watch } from 'vue';
import { api, take, type SheetView } from '../shared/api/client';
import { newId } from '../shared/ids';
import { useSession } from '../shared/session';
import { database } from './database';
import { asLeader } from './leader';
import { Outbox, type Shelf, type Told } from './outbox';
import { isRefused, without, type LastWords, type Waiting } from './waiting';

/** What a page makes is wrapped for its own use; what is kept and told is the bare thing. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The waiting edits in the browser's database. */
const kept: Shelf = {
  all: async () => (await database()).getAll('waiting'),
  async next(person) {
    let at = await (await database()).transaction('waiting').store.index('person').openCursor(person);
    while (at && isRefused(at.value)) at = await at.continue();
    return at?.value;
  },
  add: async (waiting) => (await database()).add('waiting', plain(waiting) as Waiting),
  async change(key, how) {
    const tx = (await database()).transaction('waiting', 'readwrite');
    const now = await tx.store.get(key);
    const then = now && how(now);
    if (then) await tx.store.put(plain({ ...then, key }));
    else if (now) await tx.store.delete(key);
    await tx.done;
    return then ? { ...then, key } : undefined;
  },
};

async function send(waiting: Waiting): Promise<SheetView> {
  const path = { params: { path: { id: waiting.revision } } };
  if (waiting.edit)
    return take(api.POST('/api/revisions/{id}/edits', { ...path, body: { clientId: waiting.clientId, edit: waiting.edit } }));
  const body = { clientId: waiting.clientId };
  return take(
    waiting.back === 'redo'
      ? api.POST('/api/revisions/{id}/redo', { ...path, body })
      : api.POST('/api/revisions/{id}/undo', { ...path, body }),
  );
}

const LAST_WORDS = 'wornpath-last-words-';
const AFTER_LAST_WORDS_MS = 3000;

/** The one outbox of the application, told of by the pages and led by one tab. */
export const useOutbox = defineStore('outbox', () => {
  const session = useSession();
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('wornpath-outbox');
  const version = shallowRef(0);
  let open = true;
  const box = markRaw(
    new Outbox({
      shelf: kept,
      send,
      person: () => session.view?.id ?? null,
      renew: () => session.load(),
      tell: (told) => open && channel?.postMessage(plain(told)),
      changed: () => {
        version.value++;
        triggerRef(version);
      },
    }),
  );
  if (channel) channel.onmessage = (event: MessageEvent<Told>) => box.hear(event.data);

  // Who has signed in sends what waits for her.
  watch(
    () => session.view,
    () => box.kick(),
  );

  /** Follows anything that changes in it. */
  const seen = <T>(read: () => T): T => {
    void version.value;
    return read();
  };
  const items = computed(() => seen(() => box.items));
  const standing = computed(() => seen(() => box.standing));
  const unkept = computed(() => seen(() => box.unkept));
  const mine = computed(() => items.value.filter((w) => w.person === session.view?.id));
  const others = computed(() => items.value.filter((w) => w.person !== session.view?.id));
  const refused = computed(() => mine.value.filter(isRefused));

  /** What is typed and not added yet is added by these, when the page is about to go away. */
  const flushers = new Set<() => void>();
  const beforeLeaving = (flush: () => void): void => void flushers.add(flush);

  // What the database has not taken when the page goes away is left where it can be written at once, and taken up by another page.
  // Where this one goes on after all, it has nothing to leave once the database has it.
  function leaveLastWords(): void {
    for (const flush of flushers) flush();
    const last = box.unwritten();
    if (last.length === 0) return;
    const name = LAST_WORDS + newId();
    localStorage.setItem(name, JSON.stringify(last));
    void box.written().then(() => !box.unkept && localStorage.removeItem(name));
  }

  async function takeLastWords(): Promise<void> {
    for (const name of Object.keys(localStorage).filter((k) => k.startsWith(LAST_WORDS))) {
      const left = localStorage.getItem(name);
      // Taken by one page only: whoever takes it has it removed before it lets go.
      localStorage.removeItem(name);
      if (left === null) continue;
      try {
        for (const words of JSON.parse(left) as LastWords[]) await takeUp(words);
      } catch (error) {
        localStorage.setItem(name, left);
        throw error;
      }
    }
  }

  async function takeUp({ over, ...waiting }: LastWords): Promise<void> {
    const row = (await kept.all()).find((w) => w.clientId === waiting.clientId);
    if (row && row.stamp < waiting.stamp) await kept.change(row.key, () => waiting);
    else if (!row && over === undefined) await kept.add(without(waiting, 'key'));
    else if (!row && waiting.edit?.do === 'writeStep')
      // The text it was written over was taken meanwhile: this one goes on from there.
      await kept.add({ ...without(waiting, 'key'), clientId: newId(), edit: { ...waiting.edit, before: over! } });
  }

  // Another tab has been closed, it seems. It may only have gone out of sight, then it takes away what it left.
  function hearLastWords(event: StorageEvent): void {
    if (event.newValue === null || !event.key?.startsWith(LAST_WORDS)) return;
    setTimeout(() => {
      // What cannot be taken up stays where it lies for the next page.
      if (open)
        void takeLastWords().then(
          () => box.load(),
          () => undefined,
        );
    }, AFTER_LAST_WORDS_MS);
  }

  // Edits of before there was this outbox lie in the browser's other storage.
  async function takeFormer(): Promise<void> {
    for (const name of Object.keys(localStorage)) {
      const match = /^wornpath-queue-(.+)-(\d+)$/.exec(name);
      if (!match) continue;
      for (const old of JSON.parse(localStorage.getItem(name) ?? '[]') as Pick<Waiting, 'clientId' | 'edit' | 'back'>[])
        await kept.add({
          ...old,
          person: match[1]!,
          personName: '',
          revision: Number(match[2]),
          where: `Revision ${match[2]}`,
          at: Date.now(),
          stamp: 0,
        });
      localStorage.removeItem(name);
    }
  }

  /** Kept when what earlier pages left has been read. */
  let ready: Promise<void> = Promise.resolve();

  function start(): Promise<void> {
    ready = begin();
    return ready;
  }

  async function begin(): Promise<void> {
    try {
      await takeFormer();
      await takeLastWords();
    } catch {
      // A browser that keeps nothing: what is typed is still sent, and the note says that it is not kept.
    }
    await box.load();
    asLeader(() => box.lead());
    addEventListener('pagehide', leaveLastWords);
    addEventListener('storage', hearLastWords);
    document.addEventListener('visibilitychange', () => document.hidden && leaveLastWords());
    addEventListener('online', () => box.kick());
  }

  /** Sends no more and hears nothing more. */
  function stop(): void {
    open = false;
    box.stop();
    channel?.close();
  }

  return { box, items, mine, others, refused, standing, unkept, seen, start, stop, beforeLeaving, ready: () => ready };
});
