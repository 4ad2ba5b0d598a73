import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, take, useToken, type SessionView } from './api/client';

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const view = ref<SessionView | null>(null);
  const signedIn = computed(() => view.value?.id != null);

  function keep(session: SessionView): void {
    useToken(session.token);
    view.value = session;
  }

  async function load(): Promise<void> {
    keep(await take(api.GET('/api/session')));
  }

  async function enter(userName: string, password: string): Promise<void> {
    keep(await take(api.POST('/api/session', { body: { userName, password } })));
  }

  async function leave(): Promise<void> {
    await take(api.DELETE('/api/session'));
    await load();
  }

  const is = (role: string): boolean => view.value?.roles.includes(role) ?? false;

  return { view, signedIn, load, enter, leave, is };
});
