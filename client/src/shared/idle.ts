import { useEventListener, useIntervalFn } from '@vueuse/core';
import { computed, ref, type ComputedRef } from 'vue';
import { answeredAt } from './api/client';
import { useSession } from './session';

const MINUTE = 60_000;

/**
 * A session ends in which nothing is done for a while. Reading and typing are something, also where the server hears nothing of it:
 * it is told now and then. Before one ends in which nothing is done, the page says so, and one press keeps it.
 */
export function useIdle(): { minutesLeft: ComputedRef<number | null>; stay: () => Promise<void> } {
  const session = useSession();
  const now = ref(Date.now());
  let doneAt = 0;
  const done = (): void => void (doneAt = Date.now());
  for (const event of ['pointerdown', 'keydown', 'wheel', 'touchmove'] as const) useEventListener(window, event, done, { passive: true });

  const idle = computed(() => (session.signedIn && !session.offline ? (session.view?.idleMinutes ?? 0) * MINUTE : 0));
  const left = computed(() => answeredAt.value + idle.value - now.value);
  // Two minutes before: time to see it on the screen across the shop.
  const minutesLeft = computed(() =>
    idle.value > 0 && left.value > 0 && left.value <= Math.min(2 * MINUTE, idle.value / 2)
      ? Math.max(1, Math.ceil(left.value / MINUTE))
      : null,
  );
  // A server that cannot be reached is said elsewhere.
  const stay = (): Promise<void> => session.load().catch(() => undefined);

  useIntervalFn(() => {
    now.value = Date.now();
    const told = answeredAt.value;
    if (idle.value > 0 && doneAt > told && now.value - told > Math.min(5 * MINUTE, idle.value / 4)) void stay();
  }, 10_000);

  return { minutesLeft, stay };
}
