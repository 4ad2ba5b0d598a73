import { api, take, type PlainView } from '../shared/api/client';
import { followStep, ofStep } from './followStep';

/** Words of the step under the cursor that tell to do something and came to nothing, as the core says it. */
const plain = ofStep<PlainView[]>();

export const plainWordsOf = (step: string): readonly PlainView[] => (plain.value?.step === step ? plain.value.says : []);

/** Asks anew where the cursor goes to another step and where the sheet has changed. */
export function followPlainWords(): void {
  followStep(
    plain,
    250,
    () => true,
    (id, step) => take(api.GET('/api/revisions/{id}/steps/{step}/plain-words', { params: { path: { id, step } } })),
  );
}
