import type { Edit, Trouble } from '../shared/api/client';
import { madeBy } from '../shared/edits';

/** An edit that the server has not acknowledged: on its way, or refused and kept until its author puts it away. */
export interface Waiting {
  /** Its place in the order of all that waits; given by the database. */
  key: number;
  /** Made once; the server takes an edit of one client id once. */
  clientId: string;
  /** Id and name of who made it. Nobody else's session sends it. */
  person: string;
  personName: string;
  revision: number;
  /** The procedure as a person knows it: number, title, letter. */
  where: string;
  /** Null for an undo or redo. */
  edit: Edit | null;
  back?: 'undo' | 'redo';
  /** When it was made, in milliseconds. */
  at: number;
  /** Counts up when its text is written anew while it waits. */
  stamp: number;
  /** Why the server did not take it; it is not sent again by itself. */
  trouble?: Trouble;
  /** True where it was refused because of the one before it, which it builds on. */
  follows?: boolean;
}

/** What a page that goes away could not have kept: an edit of its own, or, with `over`, the new text of one that is kept with that text. */
export type LastWords = Waiting & { over?: string };

/** One without some of its members. */
export function without<T extends Waiting, K extends keyof T>(waiting: T, ...names: K[]): Omit<T, K> {
  const rest: Partial<T> = { ...waiting };
  for (const name of names) delete rest[name];
  return rest as Omit<T, K>;
}

export const isRefused = (w: Waiting): boolean => w.trouble !== undefined;

/** The step whose text an edit writes, or undefined. */
export const writes = (w: Waiting): string | undefined => (w.edit?.do === 'writeStep' ? w.edit.id : undefined);

/** The field an edit sets, as “id.field”, or undefined. */
export const fieldOf = (w: Waiting): string | undefined => (w.edit?.do === 'setField' ? `${w.edit.id}.${w.edit.field}` : undefined);

/** Whether an edit builds on another that the server did not take: it names what that one would have made, or writes on in its text. */
export function buildsOn(later: Waiting, refused: Waiting): boolean {
  const [first, next] = [refused.edit, later.edit];
  if (later.revision !== refused.revision || later.person !== refused.person || !first || !next) return false;
  const made = madeBy(first);
  if (made.length > 0) {
    const names = JSON.stringify(next);
    return made.some((id) => names.includes(JSON.stringify(id)));
  }
  return first.do === 'writeStep' && next.do === 'writeStep' && first.id === next.id;
}

/** What an edit does, in a few words, and the text it carries. */
export function wordsOf(w: Waiting): { what: string; text: string } {
  const edit = w.edit;
  if (!edit) return { what: w.back === 'redo' ? 'redo' : 'undo', text: '' };
  switch (edit.do) {
    case 'writeStep':
      return { what: 'text of a step', text: edit.text };
    case 'insertStep':
      return { what: 'new step', text: edit.text };
    case 'removeStep':
      return { what: 'step taken away', text: edit.before };
    case 'insertSteps':
      return { what: `${edit.steps.length} new steps`, text: edit.steps.map((s) => s.text).join('\n') };
    case 'removeSteps':
      return { what: `${edit.steps.length} steps taken away`, text: edit.steps.map((s) => s.before).join('\n') };
    case 'moveStep':
      return { what: 'step moved', text: '' };
    case 'moveSteps':
      return { what: `${edit.ids.length} steps moved`, text: '' };
    case 'splitPhase':
      return { what: 'new phase', text: edit.name };
    case 'setField':
      return { what: edit.id ? `${edit.field} of ${edit.id}` : edit.field, text: edit.after };
    case 'insertPhase':
      return { what: 'new phase', text: edit.name };
    case 'renamePhase':
      return { what: 'name of a phase', text: edit.name };
    case 'addThing':
    case 'addFilled':
    case 'settleAsNew':
      return { what: `new ${edit.kind}`, text: edit.name };
    case 'writeCaution':
      return { what: 'caution', text: [edit.caution.hazard, edit.caution.consequence, edit.caution.avoid].join(' ') };
    case 'several':
      return {
        what: edit.label,
        text: edit.edits
          .map((e) => (e.do === 'insertSteps' ? e.steps.map((s) => s.text).join('\n') : 'text' in e ? e.text : 'name' in e ? e.name : ''))
          .join('\n')
          .trim(),
      };
    default:
      return { what: edit.do.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`), text: '' };
  }
}
