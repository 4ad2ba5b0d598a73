import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue';
import type { Trouble } from './api/client';
import { troubleOf } from './api/trouble';
import { useDraft } from './draft';

/**
 * What the core says of the draft: asked once all that was typed has arrived there, and again whenever the draft or the
 * question changes. Null is no question. An answer stays in sight until the next one is there; of two that cross, the later
 * question's counts; what cannot be asked again is kept, what was never answered is not.
 */
export function useAsked<A>(
  question: () => string | null,
  ask: (revision: number, question: string) => Promise<A>,
): { answer: ShallowRef<A | null>; trouble: Ref<Trouble | null>; again: () => Promise<void> } {
  const draft = useDraft();
  const answer = shallowRef<A | null>(null);
  const trouble = ref<Trouble | null>(null);
  let answered = '';
  let turn = 0;
  let last = 0;

  async function again(): Promise<void> {
    const mine = ++turn;
    const id = draft.revision?.id;
    const asked = question();
    if (id === undefined || asked === null) {
      answer.value = null;
      trouble.value = null;
      return;
    }
    const whole = `${id} ${asked}`;
    try {
      await draft.settled();
      const said = await ask(id, asked);
      // An answer that is overtaken by its own question asked again is better than none until that one is answered.
      if (mine < last || question() !== asked) return;
      last = mine;
      answer.value = said;
      answered = whole;
      trouble.value = null;
    } catch (error) {
      if (mine !== turn) return;
      if (answered !== whole) answer.value = null;
      trouble.value = troubleOf(error);
    }
  }

  watch([(): number | undefined => draft.revision?.id, (): number => draft.seq, question], again, { immediate: true });
  return { answer, trouble, again };
}
