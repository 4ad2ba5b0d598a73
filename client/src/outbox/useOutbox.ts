import { defineStore } from 'pinia';
import { computed, markRaw, shallowRef, triggerRef, watch } from 'vue';
import { api, take, type SheetView } from '../shared/api/client';
import { useSession } from '../shared/session';
import { database } from './database';
import { asLeader } from './leader';
import { Outbox, type Shelf, type Told } from './outbox';
import { isRefused, without, type Waiting } from './waiting';

/** What a page makes is wrapped for its own use; what is kept and told is the bare thing. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The waiting edits in the browser's database. */
const kept: Shelf = {
  all: async () => (await database()).getAll('waiting'),
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

  // What the database has not taken when the page goes away is left where it can be written at once, and taken up by the next page.
  function leaveLastWords(): void {
    for (const flush of flushers) flush();
    const last = box.unwritten();
    if (last.length > 0) localStorage.setItem(LAST_WORDS + last[0]!.clientId, JSON.stringify(last));
  }

  async function takeLastWords(): Promise<void> {
    for (const name of Object.keys(localStorage).filter((k) => k.startsWith(LAST_WORDS))) {
      const left = JSON.parse(localStorage.getItem(name) ?? '[]') as Waiting[];
      const there = new Set((await kept.all()).map((w) => w.clientId));
      for (const waiting of left) if (!there.has(waiting.clientId)) await kept.add(without(waiting, 'key'));
      localStorage.removeItem(name);
    }
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
