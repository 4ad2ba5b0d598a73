import { useRouter } from 'vue-router';
import type { Act } from '../shared/acts';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { newId } from '../shared/ids';
import { say } from '../shared/say';

/** What can be done to steps as a whole: the same from the menu of a step, from the bar of chosen ones, and by keys. */
export function useStepActs(): {
  move: (ids: string[], by: -1 | 1) => void;
  toPhase: (ids: string[], by: -1 | 1) => void;
  remove: (ids: string[]) => void;
  actsFor: (ids: string[]) => Act[];
} {
  const draft = useDraft();
  const cursor = useCursor();
  const router = useRouter();
  const many = (ids: string[]): string => (ids.length === 1 ? 'The step' : `${ids.length} steps`);

  /** The focus goes with the step it was in, and several stay chosen. */
  function stay(ids: string[]): void {
    const at = cursor.step !== null && ids.includes(cursor.step) ? cursor.step : ids[0];
    if (at) cursor.goTo(at, ids.length > 1 ? 'step' : 'end');
  }

  function move(ids: string[], by: -1 | 1): void {
    const before = ids[0] && draft.phaseOf(ids[0])?.id;
    draft.move(ids, by);
    const now = ids[0] && draft.phaseOf(ids[0]);
    if (now && now.id !== before) say(`${many(ids)} ${ids.length === 1 ? 'is' : 'are'} in “${now.name}” now.`);
    stay(ids);
  }

  function said(ids: string[], name: string): void {
    say(`${many(ids)} ${ids.length === 1 ? 'is' : 'are'} in “${name}” now, from number ${draft.numberOf(ids[0]!)} on.`);
    stay(ids);
  }

  function toPhase(ids: string[], by: -1 | 1): void {
    const target = draft.toPhase(ids, by);
    if (target) said(ids, target.name);
    else say(by > 0 ? 'There is no phase behind this one.' : 'There is no phase before this one.');
  }

  function remove(ids: string[]): void {
    const order = draft.order;
    const beside = order[order.indexOf(ids[0]!) - 1] ?? order.find((id) => !ids.includes(id));
    draft.remove(ids);
    cursor.choose([]);
    say(`${many(ids)} deleted. Ctrl+Z brings ${ids.length === 1 ? 'it' : 'them'} back.`);
    if (beside) cursor.goTo(beside);
  }

  function duplicate(ids: string[]): void {
    const last = ids.at(-1)!;
    const phase = draft.phaseOf(last);
    if (!phase) return;
    const made = draft.insertMany(last, phase.id, ids.map(draft.textOf));
    if (made[0]) cursor.goTo(made[0]);
  }

  async function link(id: string): Promise<void> {
    const url = new URL(router.resolve({ name: 'write', params: { id: draft.revision?.id }, query: { step: id } }).href, location.href);
    try {
      await navigator.clipboard.writeText(url.href);
      say(`The link to step ${draft.numberOf(id)} is copied.`);
    } catch {
      // Browsers let a page write there only where it came over a safe connection.
      say(`This browser does not let the page copy. The link: ${url.href}`);
    }
  }

  function actsFor(ids: string[]): Act[] {
    const [first, last] = [ids[0], ids.at(-1)];
    if (first === undefined || last === undefined) return [];
    const at = draft.phases.findIndex((p) => p.steps.includes(first));
    const acts: Act[] = [
      { label: 'Move up', keys: 'Alt+ArrowUp', disabled: draft.order[0] === first, does: () => move(ids, -1) },
      { label: 'Move down', keys: 'Alt+ArrowDown', disabled: draft.order.at(-1) === last, does: () => move(ids, 1) },
    ];
    draft.phases.forEach((phase, i) => {
      if (i === at && ids.length === 1) return;
      acts.push({
        label: `Into “${phase.name}”`,
        keys: i === at - 1 ? 'Alt+Shift+ArrowUp' : i === at + 1 ? 'Alt+Shift+ArrowDown' : undefined,
        does: () => {
          draft.place(ids, phase.id, i > at ? null : (phase.steps.filter((s) => !ids.includes(s)).at(-1) ?? null));
          said(ids, phase.name);
        },
      });
    });
    acts.push({
      label: 'New phase from here on',
      disabled: draft.phases[at]?.steps[0] === first,
      does: () => {
        cursor.naming = `h-${newId().replaceAll('-', '').slice(0, 12)}`;
        draft.send({ do: 'splitPhase', step: first, id: cursor.naming, name: 'New phase' });
        say('A new phase begins here. Write its name.');
      },
    });
    acts.push({ label: 'Duplicate', does: () => duplicate(ids) });
    if (ids.length === 1) {
      acts.push({ label: 'Choose, to do more steps at once', keys: 'Shift+ArrowDown', does: () => cursor.chooseTo(first) });
      acts.push({ label: 'Copy a link to it', does: () => void link(first) });
    }
    acts.push({ label: 'Delete', keys: 'Delete', grave: true, disabled: draft.order.length <= ids.length, does: () => remove(ids) });
    return acts;
  }

  return { move, toPhase, remove, actsFor };
}
