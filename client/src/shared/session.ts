import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, NotConnected, take, useToken, type SessionView } from './api/client';

const LAST = 'wornpath-session';

/** Who is signed in. Without a connection it is whoever was signed in last: she reads what is kept here and writes, and is asked again when there is one. */
export const useSession = defineStore('session', () => {
  const view = shallowRef<SessionView | null>(null);
  /** True while the server has not been asked, because it could not be reached. */
  const offline = ref(false);
  const signedIn = computed(() => view.value?.id != null);
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('wornpath-session');

  function keep(session: SessionView): void {
    useToken(session.token);
    offline.value = false;
    view.value = session;
    // The token is not kept: it is of no use without the cookie, and is given anew.
    if (session.id) localStorage.setItem(LAST, JSON.stringify({ ...session, token: '', demo: [] }));
    else localStorage.removeItem(LAST);
  }

  // Asked twice, the later answer holds, whichever comes first: the one before may be of whoever was signed in then.
  let asked = 0;

  async function load(): Promise<void> {
    const turn = ++asked;
    try {
      const session = await take(api.GET('/api/session'));
      if (turn === asked) keep(session);
    } catch (error) {
      if (turn !== asked) return;
      const last = localStorage.getItem(LAST);
      if (!(error instanceof NotConnected) || last === null) throw error;
      offline.value = true;
      view.value ??= JSON.parse(last) as SessionView;
    }
  }

  async function enter(userName: string, password: string, code: string | null = null): Promise<void> {
    const session = await take(api.POST('/api/session', { body: { userName, password, code } }));
    asked++;
    keep(session);
    channel?.postMessage('other');
  }

  async function leave(): Promise<void> {
    await take(api.DELETE('/api/session'));
    await load();
    channel?.postMessage('other');
  }

  /** Nobody is known to be signed in here any more. */
  function forget(): void {
    localStorage.removeItem(LAST);
    view.value = null;
  }

  // Somebody has signed in or out in another tab: the cookie is that one's here, too.
  if (channel) channel.onmessage = () => void load().catch(() => undefined);

  const is = (role: string): boolean => view.value?.roles.includes(role) ?? false;
  /** Works from released sheets, and writes or judges none. */
  const isReader = computed(() => signedIn.value && !['author', 'reviewer', 'approver', 'administrator'].some(is));

  return { view, offline, signedIn, load, enter, leave, forget, is, isReader };
});
