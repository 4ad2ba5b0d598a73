import { computed, onBeforeUnmount, ref, watch, type ComputedRef, type Ref } from 'vue';
import type { Trouble } from './api/client';
import { useDraft } from './draft';

interface KeptField {
  text: Ref<string>;
  commit: () => Promise<void>;
  undoTyping: () => void;
}

/**
 * A field whose text is kept by the server: what comes back replaces what stands, and never what has been typed since. What was
 * refused stays in the field.
 */
export function useKeptField(stands: () => string, keep: (before: string, after: string) => Promise<boolean>): KeptField {
  const text = ref(stands());
  let base = stands();
  let underWay: string | null = null;

  watch(stands, (now) => {
    if (text.value === base) text.value = now;
    base = now;
  });

  async function commit(): Promise<void> {
    const after = text.value;
    // Enter and then leaving the field keep it once.
    if (after === stands() || after === underWay) return;
    underWay = after;
    const taken = await keep(base, after);
    if (underWay === after) underWay = null;
    // Taken: as the core writes it, unless she has typed on meanwhile.
    if (taken && text.value === after) text.value = base = stands();
  }

  function undoTyping(): void {
    text.value = base = stands();
  }

  return { text, commit, undoTyping };
}

/**
 * A field of a thing, a step or the job (no id). Where its text was refused, that text stands in it, also when one comes back to
 * it, with the reason; a text that is taken, or the one that stands, puts that away.
 */
export function useThingField(
  id: string,
  field: string,
  stands: () => string,
  clean: (text: string) => string = (text) => text,
): KeptField & { refusal: ComputedRef<Trouble | undefined> } {
  const draft = useDraft();
  const refused = computed(() => draft.refusedField(id, field));
  const kept = useKeptField(stands, (before, after) => {
    draft.forgetRefused(id, field);
    return draft.sendAndSettle({ do: 'setField', id, field, before, after: clean(after) });
  });
  const before = refused.value?.edit;
  if (before?.do === 'setField') kept.text.value = before.after;

  draft.showField(id, field, 1);
  onBeforeUnmount(() => draft.showField(id, field, -1));

  return {
    text: kept.text,
    commit: async () => {
      if (kept.text.value === stands()) draft.forgetRefused(id, field);
      await kept.commit();
    },
    undoTyping: () => {
      draft.forgetRefused(id, field);
      kept.undoTyping();
    },
    refusal: computed(() => refused.value?.trouble),
  };
}
