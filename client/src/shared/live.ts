import type { HubConnection } from '@microsoft/signalr';
import { useIntervalFn } from '@vueuse/core';
import { onBeforeUnmount, ref, watch, type Ref } from 'vue';
import type { Someone } from './api/client';
import { useComments } from './comments';
import { useDraft } from './draft';
import { useSession } from './session';

/** How often a page asks by itself while the server cannot tell it. */
const ASK_EVERY = 4000;

/** Keeps the open revision up to date: the server tells what has changed and who is here; only while it cannot, the page asks. */
export function useLive(): { here: Ref<Someone[]> } {
  const draft = useDraft();
  const session = useSession();
  const here = ref<Someone[]>([]);
  let connection: HubConnection | null = null;

  let beginning = false;
  let gone = false;
  const isUp = (): boolean => connection?.state === ('Connected' as HubConnection['state']);

  async function watchNow(): Promise<void> {
    const id = draft.revision?.id;
    if (!isUp() || id === undefined) return;
    await connection?.invoke('Watch', id);
    // What happened before anybody told.
    await draft.poll();
  }

  /** The library comes after the page: without it, too, the page asks by itself. */
  async function begin(): Promise<void> {
    if (beginning) return;
    beginning = true;
    const { HubConnectionBuilder, HttpTransportType, LogLevel } = await import('@microsoft/signalr').finally(() => (beginning = false));
    if (gone) return;
    const made = new HubConnectionBuilder()
      .withUrl('/api/live', { skipNegotiation: true, transport: HttpTransportType.WebSockets })
      .withAutomaticReconnect({
        nextRetryDelayInMilliseconds: ({ previousRetryCount }) => Math.min(1000 * 1.7 ** previousRetryCount, 15_000),
      })
      .configureLogging(LogLevel.None)
      .build();
    made.on('changed', (id: number, seq: number) => {
      if (id === draft.revision?.id && seq > draft.seq) void draft.poll();
    });
    made.on('moved', (id: number) => {
      if (id === draft.revision?.id) void draft.refresh().catch(() => undefined);
    });
    made.on('commented', (id: number) => {
      if (id === draft.revision?.id) void useComments().load();
    });
    made.on('held', (id: number) => {
      if (id === draft.revision?.id) draft.held++;
    });
    made.on('here', (id: number, people: Someone[]) => {
      if (id === draft.revision?.id) here.value = people.filter((p) => p.id !== draft.person?.id);
    });
    // The server has ended the session; asked, it says why. What was typed waits for whoever typed it.
    made.on('signedOut', () => void session.load().catch(() => undefined));
    made.onreconnected(() => watchNow());
    made.onclose(() => (here.value = []));
    connection = made;
    made
      .start()
      .then(watchNow)
      .catch(() => (connection = null));
  }

  watch(
    () => draft.revision?.id,
    (id, was) => {
      if (id !== was) here.value = [];
      if (id === undefined) return;
      if (!connection) void begin().catch(() => undefined);
      else void watchNow().catch(() => undefined);
    },
    { immediate: true },
  );

  useIntervalFn(() => {
    if (document.hidden || draft.revision === null) return;
    if (isUp() && draft.connected) return;
    void draft.poll();
    if (!connection) void begin().catch(() => undefined);
  }, ASK_EVERY);
  onBeforeUnmount(() => {
    gone = true;
    void connection?.stop();
  });
  return { here };
}
