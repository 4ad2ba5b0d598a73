import { shallowRef, type ShallowRef } from 'vue';
import { api, take, type Ahead } from '../shared/api/client';
import { wordsAhead } from '../shared/wordsAhead';
import { followStep, ofStep } from './followStep';

/** What may be written next in the step under the cursor, as the core says it; and the usual words of the trade. */
const ahead = ofStep<Ahead>();
const words: ShallowRef<readonly string[]> = shallowRef([]);

export const aheadFor = (step: string): Ahead | null => (ahead.value?.step === step ? ahead.value.says : null);
export const usualWords = (): readonly string[] => words.value;

/** Asks anew where the cursor goes to another step and where the sheet has changed. */
export function followAhead(): void {
  followStep(
    ahead,
    120,
    () => wordsAhead.value,
    async (id, step) => {
      if (words.value.length === 0) words.value = await take(api.GET('/api/words'));
      return take(api.GET('/api/revisions/{id}/ahead', { params: { path: { id }, query: { step } } }));
    },
  );
}
