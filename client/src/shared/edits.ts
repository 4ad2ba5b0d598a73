import type { Edit } from './api/client';

/** A step that comes, goes or moves with an edit. */
type Come = { come: { id: string; text: string }[]; phase: string; after: string | null };
type Moved = { moved: string[]; phase: string; after: string | null };
type Gone = { gone: string[] };

/** What an edit does to the order of the steps, in turn; steps the server has yet to give an id are left out. */
export function orderOf(edit: Edit | null): (Come | Moved | Gone)[] {
  if (!edit) return [];
  switch (edit.do) {
    case 'several':
      return edit.edits.flatMap((e) => orderOf(e));
    case 'insertStep':
      return [{ come: edit.id ? [{ id: edit.id, text: edit.text }] : [], phase: edit.phase, after: edit.after ?? null }];
    case 'insertSteps': {
      const come = edit.steps.flatMap((s) => (s.id ? [{ id: s.id, text: s.text }] : []));
      return [{ come, phase: edit.phase, after: edit.after ?? null }];
    }
    case 'removeStep':
      return [{ gone: [edit.id] }];
    case 'removeSteps':
      return [{ gone: edit.steps.map((s) => s.id) }];
    case 'moveStep':
      return [{ moved: [edit.id], phase: edit.phase, after: edit.after ?? null }];
    case 'moveSteps':
      return [{ moved: edit.ids, phase: edit.phase, after: edit.after ?? null }];
    default:
      return [];
  }
}

/** The ids of steps and phases an edit makes. */
export function madeBy(edit: Edit | null): string[] {
  const steps = orderOf(edit).flatMap((o) => ('come' in o ? o.come.map((s) => s.id) : []));
  return edit && (edit.do === 'insertPhase' || edit.do === 'splitPhase') && edit.id ? [...steps, edit.id] : steps;
}

/** The text an edit that waits gives a step, or undefined. */
export function textFrom(edit: Edit | null, id: string): string | undefined {
  if (edit?.do === 'writeStep') return edit.id === id ? edit.text : undefined;
  return orderOf(edit)
    .flatMap((o) => ('come' in o ? o.come : []))
    .find((s) => s.id === id)?.text;
}

/** How many steps an edit brings. */
export const stepsOf = (edit: Edit | null): number =>
  edit?.do === 'insertSteps' ? edit.steps.length : edit?.do === 'several' ? edit.edits.reduce((sum, e) => sum + stepsOf(e), 0) : 0;
