import { useMediaQuery } from '@vueuse/core';
import { computed, type ComputedRef } from 'vue';
import { useSession } from '../shared/session';

/** A face of a procedure. Those that a reader needs have a place in his hand. */
interface Face {
  name: string;
  label: string;
  inHand?: number;
}

const ALL: Face[] = [
  { name: 'write', label: 'Write' },
  { name: 'joints', label: 'Joints' },
  { name: 'chart', label: 'Chart', inHand: 4 },
  { name: 'ready', label: 'Ready', inHand: 2 },
  { name: 'review', label: 'Review' },
  { name: 'print', label: 'Print', inHand: 3 },
  { name: 'follow', label: 'Follow', inHand: 1 },
];

/** The faces there are for who is signed in: who only works from released sheets has no use for those they are written on. */
export function useFaces(): ComputedRef<Face[]> {
  const session = useSession();
  const isNarrow = useMediaQuery('(width <= 760px)');
  return computed(() => {
    const own = session.isReader ? ALL.filter((face) => face.inHand) : ALL;
    // In the hand it is read more than written.
    return isNarrow.value || session.isReader ? [...own].sort((a, b) => (a.inHand ?? 9) - (b.inHand ?? 9)) : own;
  });
}
