import { watchDebounced } from '@vueuse/core';
import { shallowRef, type ShallowRef } from 'vue';
import { NotConnected, Refused } from '../shared/api/client';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';

/** What the server says of one step. */
export type OfStep<T> = ShallowRef<{ step: string; says: T } | null>;

/** A place for what the server says of the step under the cursor. */
export const ofStep = <T>(): OfStep<T> => shallowRef(null);

/** Asks anew of the step under the cursor, where that is another and where the sheet has changed. To be called in a page's set-up. */
export function followStep<T>(
  into: OfStep<T>,
  debounce: number,
  wanted: () => boolean,
  ask: (id: number, step: string) => Promise<T>,
): void {
  const draft = useDraft();
  const cursor = useCursor();
  watchDebounced(
    () => [cursor.step, draft.seq, draft.connected, wanted()] as const,
    async ([step, , connected, isWanted]) => {
      const id = draft.revision?.id;
      if (!isWanted || !connected || !draft.canEdit || !step || id === undefined) return;
      try {
        const says = await ask(id, step);
        if (cursor.step === step) into.value = { step, says };
      } catch (error) {
        // Without a connection, signed out, or of a step that is still on its way nothing is said: one writes as on paper.
        into.value = null;
        if (!(error instanceof NotConnected || error instanceof Refused)) throw error;
      }
    },
    { debounce, immediate: true },
  );
}
