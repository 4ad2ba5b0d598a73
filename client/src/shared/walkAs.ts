import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import type { Factor } from './api/client';
import { useDraft } from './draft';

/** What the procedure is walked as: one option of each way to differ, and how the steps turn out that can turn out otherwise. */
export const useWalkAs = defineStore('walkAs', () => {
  const draft = useDraft();
  const chosen = ref<Record<string, string>>({});
  const turned = ref<Record<string, string>>({});

  watch(
    () => draft.revision?.id,
    () => {
      chosen.value = {};
      turned.value = {};
    },
  );

  const turning = computed(() => draft.order.flatMap((id) => draft.steps.get(id) ?? []).filter((step) => step.branches.length > 0));
  const isOffered = computed(() => draft.factors.length > 0 || turning.value.length > 0);
  const optionOf = (factor: Factor): string => {
    const option = chosen.value[factor.name];
    return option !== undefined && factor.options.includes(option) ? option : (factor.options[0] ?? '');
  };
  /** The turns chosen of steps that still have them. */
  const turns = computed(() =>
    turning.value.flatMap((step) => {
      const branch = step.branches.find((b) => b.key === turned.value[step.id]);
      return branch ? [{ key: branch.key, says: `step ${draft.numberOf(step.id)} ${branch.says}` }] : [];
    }),
  );
  /** How the server is asked for it; nothing for the first of everything, as planned. */
  const key = computed(() => [...draft.factors.map(optionOf), ...turns.value.map((t) => t.key)].join('|'));
  const says = computed(() => [...draft.factors.map(optionOf), ...turns.value.map((t) => t.says)].join(' · ') || 'as planned');

  function choose(factor: string, option: string): void {
    chosen.value = { ...chosen.value, [factor]: option };
  }

  function turn(step: string, branch: string): void {
    turned.value = { ...turned.value, [step]: branch };
  }

  return { turning, isOffered, optionOf, turned, key, says, choose, turn };
});
