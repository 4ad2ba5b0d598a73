import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Edit, Finding } from './api/client';
import { useDraft } from './draft';

/** Where the writer is: the step under the cursor and the finding she looks at. */
export const useCursor = defineStore('cursor', () => {
  const draft = useDraft();
  const router = useRouter();
  const step = ref<string | null>(null);
  const findingKey = ref<string | null>(null);
  /** Counts up when the step's text should take the focus. */
  const focusCalls = ref(0);
  /** The last of these calls that was followed: a step drawn anew does not take the focus again. */
  const served = { calls: 0 };
  /** Where in the step: at the start or end of its text, or on the step as a whole. */
  const focusAt = ref<'start' | 'end' | 'step'>('end');
  /** Steps chosen together, in their order; what is done from one of them is done to all. */
  const chosen = ref<string[]>([]);
  let anchor: string | null = null;
  /** A phase just made, whose name is to be written. */
  const naming = ref<string | null>(null);

  const finding = computed<Finding | undefined>(() => draft.findings.find((f) => f.key === findingKey.value));

  function reset(first: string | null): void {
    step.value = first;
    findingKey.value = null;
    choose([]);
  }

  function goTo(id: string, at: 'start' | 'end' | 'step' = 'end'): void {
    step.value = id;
    if (at !== 'step') choose([]);
    focusAt.value = at;
    focusCalls.value++;
  }

  function choose(ids: string[]): void {
    chosen.value = ids;
    anchor = ids[0] ?? null;
  }

  /** Chooses all steps from the one the choice began at to this one. */
  function chooseTo(id: string): void {
    anchor ??= step.value ?? id;
    const [a, b] = [draft.order.indexOf(anchor), draft.order.indexOf(id)];
    chosen.value = draft.order.slice(Math.max(0, Math.min(a, b)), Math.max(a, b) + 1);
    goTo(id, 'step');
  }

  /** What is done from a step is done to these. */
  const actingFor = (id: string): string[] => (chosen.value.includes(id) ? chosen.value : [id]);

  /** To the Write face, at a step by its number. */
  async function goToNumber(number: number): Promise<void> {
    const id = draft.order[number - 1];
    if (!id) return;
    await router.push({ name: 'write', params: router.currentRoute.value.params });
    goTo(id);
  }

  /** To where a finding is: its step, else its thing. On Joints, one about a joint stays with its row, unless its step is asked for. */
  async function show(target: Finding, atItsStep = true): Promise<void> {
    findingKey.value = target.key ?? null;
    const face = router.currentRoute.value.name;
    const stays = face === 'joints' && !atItsStep && target.thing?.startsWith('J');
    const params = router.currentRoute.value.params;
    if (target.step && !stays) {
      if (face !== 'write') await router.push({ name: 'write', params });
      goTo(target.step);
    } else if (!target.step && face !== 'joints' && target.thing) await router.push({ name: 'joints', params });
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
    if (next) void show(next, false);
  }

  /** Applies the first fix of the finding looked at, else of the first at the step under the cursor; without a fix, goes to its question. */
  function applyFix(): void {
    const target =
      finding.value ??
      draft.findings.find((f) => f.step === step.value && (f.fixes?.length ?? 0) > 0) ??
      draft.findings.find((f) => f.step === step.value);
    const fix = target?.fixes?.[0];
    if (fix && draft.canEdit) {
      fixWith(fix.edit, target.step);
    } else if (target?.step) {
      document.querySelector<HTMLElement>(`[data-step="${CSS.escape(target.step)}"] .answer`)?.focus();
    }
  }

  /** Carries a fix out; the cursor stays at the step it was found at. */
  function fixWith(edit: Edit, at: string | null | undefined): void {
    draft.flushAll();
    draft.send(edit);
    findingKey.value = null;
    if (at && router.currentRoute.value.name === 'write') goTo(at);
  }

  return {
    step,
    findingKey,
    finding,
    focusCalls,
    served,
    focusAt,
    chosen,
    naming,
    reset,
    goTo,
    goToNumber,
    choose,
    chooseTo,
    actingFor,
    show,
    toFinding,
    applyFix,
    fixWith,
  };
});
