import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Finding } from './api/client';
import { useDraft } from './draft';

/** Where the writer is: the step under the cursor and the finding she looks at. */
export const useCursor = defineStore('cursor', () => {
  const draft = useDraft();
  const router = useRouter();
  const step = ref<string | null>(null);
  const findingKey = ref<string | null>(null);
  /** Counts up when the step's text should take the focus. */
  const focusCalls = ref(0);
  const focusAt = ref<'start' | 'end'>('end');

  const finding = computed<Finding | undefined>(() => draft.findings.find((f) => f.key === findingKey.value));

  function reset(first: string | null): void {
    step.value = first;
    findingKey.value = null;
  }

  function goTo(id: string, at: 'start' | 'end' = 'end'): void {
    step.value = id;
    focusAt.value = at;
    focusCalls.value++;
  }

  /** To the Write face, at a step by its number. */
  async function goToNumber(number: number): Promise<void> {
    const id = draft.order[number - 1];
    if (!id) return;
    await router.push({ name: 'write', params: router.currentRoute.value.params });
    goTo(id);
  }

  async function show(target: Finding): Promise<void> {
    findingKey.value = target.key ?? null;
    const face = router.currentRoute.value.name;
    if (target.step && face === 'write') goTo(target.step);
    else if (target.step && face !== 'joints') {
      await router.push({ name: 'write', params: router.currentRoute.value.params });
      goTo(target.step);
    } else if (!target.step && face !== 'joints' && target.thing) {
      await router.push({ name: 'joints', params: router.currentRoute.value.params });
    }
  }

  /** To the next finding (or the one before), from the one looked at or from the step under the cursor. */
  function toFinding(by: -1 | 1): void {
    const all = draft.findings;
    if (all.length === 0) return;
    let at = all.findIndex((f) => f.key === findingKey.value);
    if (at < 0) {
      const here = step.value ? draft.numberOf(step.value) : 0;
      at = by > 0 ? all.findIndex((f) => (f.stepNumber ?? 0) >= here) - 1 : all.findLastIndex((f) => (f.stepNumber ?? 0) <= here) + 1;
      if (by > 0 && at < -1) at = -1;
    }
    const next = all[(at + by + all.length) % all.length];
    if (next) void show(next);
  }

  /** Applies the first fix of the finding looked at, else of the first at the step under the cursor; without a fix, goes to its question. */
  function applyFix(): void {
    const target =
      finding.value ??
      draft.findings.find((f) => f.step === step.value && (f.fixes?.length ?? 0) > 0) ??
      draft.findings.find((f) => f.step === step.value);
    const fix = target?.fixes?.[0];
    if (fix && draft.canEdit) {
      draft.flushAll();
      draft.send(fix.edit);
      findingKey.value = null;
    } else if (target?.step) {
      document.querySelector<HTMLElement>(`[data-step="${CSS.escape(target.step)}"] .answer`)?.focus();
    }
  }

  return { step, findingKey, finding, focusCalls, focusAt, reset, goTo, goToNumber, show, toFinding, applyFix };
});
