import { watchDebounced } from '@vueuse/core';
import { shallowRef, type ShallowRef } from 'vue';
import { api, NotConnected, Refused, take, type Ahead } from '../shared/api/client';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { wordsAhead } from '../shared/wordsAhead';

/** What may be written next in the step under the cursor, as the core says it; and the usual words of the trade. */
const ahead: ShallowRef<{ step: string; says: Ahead } | null> = shallowRef(null);
const words: ShallowRef<readonly string[]> = shallowRef([]);

export const aheadFor = (step: string): Ahead | null => (ahead.value?.step === step ? ahead.value.says : null);
export const usualWords = (): readonly string[] => words.value;

/** Asks anew where the cursor goes to another step and where the sheet has changed. */
export function followAhead(): void {
  const draft = useDraft();
  const cursor = useCursor();
  watchDebounced(
    () => [cursor.step, draft.seq, draft.connected, wordsAhead.value] as const,
    async ([step, , connected, wanted]) => {
      const id = draft.revision?.id;
      if (!wanted || !connected || !draft.canEdit || !step || id === undefined) return;
      try {
        if (words.value.length === 0) words.value = await take(api.GET('/api/words'));
        const says = await take(api.GET('/api/revisions/{id}/ahead', { params: { path: { id }, query: { step } } }));
        if (cursor.step === step) ahead.value = { step, says };
      } catch (error) {
        // Without a connection, or signed out, nothing is offered: one writes as on paper.
        ahead.value = null;
        if (!(error instanceof NotConnected || error instanceof Refused)) throw error;
      }
    },
    { debounce: 120, immediate: true },
  );
}
