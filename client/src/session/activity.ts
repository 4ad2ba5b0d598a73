import { useEventListener } from '@vueuse/core';
import { api } from '../shared/api/client';
import { useSession } from '../shared/session';

/** The server counts what is asked of it; who reads or ticks without asking anything is there as well. */
const TELL_EVERY = 5 * 60_000;

/** While somebody touches the page, the server hears of it now and then, so that a session does not end under her hands. */
export function useActivity(): void {
  const session = useSession();
  let told = Date.now();
  const touched = (): void => {
    if (Date.now() - told < TELL_EVERY || !session.signedIn || session.offline) return;
    told = Date.now();
    void api.GET('/api/session').catch(() => undefined);
  };
  for (const event of ['pointerdown', 'keydown', 'wheel', 'touchmove'] as const)
    useEventListener(window, event, touched, { passive: true });
}
