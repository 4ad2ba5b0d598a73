import { defineStore } from 'pinia';
import { computed, ref, shallowReactive, shallowRef, watch } from 'vue';
import { keepSheet, keptSheet } from '../outbox/database';
import { useOutbox } from '../outbox/useOutbox';
import { fieldOf, isRefused, writes, type Waiting } from '../outbox/waiting';
import {
  api,
  NotConnected,
  Refused,
  take,
  type Edit,
  type Factor,
  type WordView,
  type Finding,
  type JointView,
  type PhaseView,
  type RevisionView,
  type SheetView,
  type StepView,
  type ThingView,
  type Trouble,
} from './api/client';
import { orderOf, stepsOf } from './edits';
import { newId } from './ids';
import { useSession } from './session';

/** Something that could not be done as asked, shown until its author puts it away; with the edit that waits for that. */
export interface OpenTrouble extends Trouble {
  waiting: Waiting;
}

/** The open revision: what the server knows of it, what the writer has typed since, and her edits that wait in the outbox. */
export const useDraft = defineStore('draft', () => {
  const outbox = useOutbox();
  const session = useSession();
  const revision = shallowRef<RevisionView | null>(null);
  /** Who opened it: what is typed here is hers, whoever signs in meanwhile. */
  const person = shallowRef<{ id: string; name: string } | null>(null);
  const phases = ref<PhaseView[]>([]);
  const steps = shallowReactive(new Map<string, StepView>());
  const things = shallowRef<ThingView[]>([]);
  const joints = shallowRef<JointView[]>([]);
  const findings = shallowRef<Finding[]>([]);
  const header = shallowRef<Record<string, string>>({});
  const factors = shallowRef<Factor[]>([]);
  const words = shallowRef<WordView[]>([]);
  const seq = ref(0);
  /** Goes up each time somebody else comes to have the released revision in hands. */
  const held = ref(0);
  const undoLabel = ref<string | null>(null);
  const redoLabel = ref<string | null>(null);
  /** When the sheet shown was read, where it comes from this browser and not from the server; null where it is the server's. */
  const asOf = ref<number | null>(null);

  /** The order as the server has it; what waits is laid over it. */
  let serverPhases: PhaseView[] = [];
  /** Text typed and not yet acknowledged, by step; and the text the writer saw when she began. */
  const typed = shallowReactive(new Map<string, string>());
  const bases = new Map<string, string>();
  /** Steps whose text is not in the outbox yet: the writer has not paused. */
  const timers = shallowReactive(new Map<string, ReturnType<typeof setTimeout>>());
  let behind = false;

  const hers = (w: Waiting): boolean => w.revision === revision.value?.id && w.person === person.value?.id;
  const items = computed(() => outbox.items.filter(hers));
  const sent = computed(() => items.value.filter((w) => !isRefused(w)).length);
  const waiting = computed(() => sent.value + timers.size);
  const refused = computed(() => items.value.filter((w) => isRefused(w)));
  /** The most steps an edit on its way brings: reading many takes a while. */
  const reading = computed(() => Math.max(0, ...items.value.filter((w) => !isRefused(w)).map((w) => stepsOf(w.edit))));
  /** Why a step's text was not taken, by step: it stays in its field, with the reason beside it. */
  const refusals = computed(
    () =>
      new Map(
        refused.value
          .filter((w) => w.edit?.do === 'writeStep' && w.trouble!.theirs === undefined && typed.get(w.edit.id) === w.edit.text)
          .map((w) => [writes(w)!, w.trouble!]),
      ),
  );
  /** Fields that stand on the page now, and how often: what was refused of one is said there, else above the page. */
  const shownFields = shallowReactive(new Map<string, number>());
  const isSaidInPlace = (w: Waiting): boolean =>
    w.trouble!.theirs === undefined && (writes(w) !== undefined || (shownFields.get(fieldOf(w) ?? '') ?? 0) > 0);
  const troubles = computed<OpenTrouble[]>(() =>
    refused.value.filter((w) => !isSaidInPlace(w)).map((w) => ({ ...w.trouble!, waiting: w })),
  );
  /** The last text of a field that was refused, and waits for its author. */
  const refusedField = (id: string, field: string): Waiting | undefined =>
    refused.value.findLast((w) => w.trouble!.theirs === undefined && fieldOf(w) === `${id}.${field}`);
  function forgetRefused(id: string, field: string): void {
    for (const w of refused.value) if (w.trouble!.theirs === undefined && fieldOf(w) === `${id}.${field}`) outbox.box.drop(w);
  }
  function showField(id: string, field: string, by: 1 | -1): void {
    shownFields.set(`${id}.${field}`, (shownFields.get(`${id}.${field}`) ?? 0) + by);
  }
  const clash = (id: string): Waiting | undefined => refused.value.find((w) => writes(w) === id && w.trouble!.theirs !== undefined);

  const connected = computed(() => outbox.standing.connected && asOf.value === null);
  const signedOut = computed(() => outbox.standing.signedOut || (revision.value !== null && session.view !== null && !session.signedIn));
  /** Somebody else has signed in in this browser since. */
  const otherPerson = computed(() =>
    person.value && session.signedIn && session.view?.id !== person.value.id ? (session.view?.name ?? '') : null,
  );
  const keptAt = computed(() => outbox.seen(() => outbox.box.keptAt.get(revision.value?.id ?? 0) ?? null));
  const order = computed(() => phases.value.flatMap((p) => p.steps));
  const stops = computed(() => findings.value.filter((f) => f.severity === 'stop').length);
  const canEdit = computed(() => (revision.value?.may.edit ?? false) && otherPerson.value === null);
  const textOf = (id: string): string => typed.get(id) ?? steps.get(id)?.text ?? '';
  const numbers = computed(() => new Map(order.value.map((id, i) => [id, i + 1])));
  const numberOf = (id: string): number => numbers.value.get(id) ?? 0;
  const findingsBy = computed(() => {
    const by = new Map<string, Finding[]>();
    for (const finding of findings.value) {
      if (!finding.step) continue;
      const there = by.get(finding.step);
      if (there) there.push(finding);
      else by.set(finding.step, [finding]);
    }
    return by;
  });
  const none: Finding[] = [];
  /** What was found at a step. */
  const findingsAt = (id: string): Finding[] => findingsBy.value.get(id) ?? none;
  const phaseOf = (id: string): PhaseView | undefined => phases.value.find((p) => p.steps.includes(id));

  // The page is ahead of the server by what waits: the server's order with the waiting moves made.
  function overlay(): void {
    const now = serverPhases.map((p) => ({ ...p, steps: [...p.steps] }));
    const out = (id: string): void => now.forEach((p) => (p.steps = p.steps.filter((s) => s !== id)));
    const put = (ids: string[], phaseId: string, after: string | null): void => {
      const phase = now.find((p) => p.id === phaseId);
      if (!phase) return;
      const at = after === null ? 0 : phase.steps.indexOf(after) + 1;
      phase.steps.splice(after !== null && at === 0 ? phase.steps.length : at, 0, ...ids);
    };
    const stands = (id: string): boolean => now.some((p) => p.steps.includes(id));
    for (const one of items.value.filter((w) => !isRefused(w)).flatMap((w) => orderOf(w.edit))) {
      if ('gone' in one) one.gone.forEach(out);
      else if ('come' in one) {
        const come = one.come.filter((s) => !stands(s.id));
        put(
          come.map((s) => s.id),
          one.phase,
          one.after,
        );
        for (const { id, text } of come) if (!steps.has(id)) steps.set(id, blank(id, text));
      } else {
        const moved = one.moved.filter(stands);
        moved.forEach(out);
        put(moved, one.phase, one.after);
      }
    }
    if (JSON.stringify(now) !== JSON.stringify(phases.value)) phases.value = now;
  }

  const blank = (id: string, text: string): StepView => ({
    id,
    text,
    only: '',
    branches: [],
    chips: [],
    questions: [],
    cautions: [],
    dropped: [],
    residue: [],
    lost: [],
    measures: false,
    fields: {},
    figures: [],
    shown: [],
  });

  function apply(view: SheetView, whole: boolean): void {
    // An answer tells what its own edit changed: where somebody else wrote in between, the rest is asked for.
    if (whole || view.seq <= seq.value + 1) seq.value = Math.max(view.seq, whole ? view.seq : seq.value);
    if (view.header) header.value = view.header;
    if (view.factors) factors.value = view.factors;
    if (view.words) words.value = view.words;
    for (const step of view.steps) steps.set(step.id, step);
    if (view.phases) {
      serverPhases = view.phases;
      overlay();
      const present = new Set([...serverPhases, ...phases.value].flatMap((p) => p.steps));
      for (const id of [...steps.keys()]) if (!present.has(id)) steps.delete(id);
    } else overlay();
    if (whole) for (const [id, text] of typed) if (steps.get(id)?.text === text && !pendingText(id)) settledText(id);
    if (view.things) things.value = view.things;
    if (view.joints) joints.value = view.joints;
    if (view.findings) findings.value = view.findings;
    undoLabel.value = view.undo ?? null;
    redoLabel.value = view.redo ?? null;
  }

  const pendingText = (id: string): boolean => items.value.some((w) => writes(w) === id);

  function settledText(id: string): void {
    typed.delete(id);
    bases.delete(id);
  }

  async function read(id: number): Promise<RevisionView> {
    const view = await take(api.GET('/api/revisions/{id}', { params: { path: { id } } }));
    if (session.view?.id) void keepSheet(session.view.id, view).catch(() => undefined);
    return view;
  }

  async function open(id: number): Promise<void> {
    close();
    await outbox.ready();
    const who = session.view?.id ? { id: session.view.id, name: session.view.name ?? '' } : null;
    let view: RevisionView;
    let from: number | null = null;
    try {
      view = await read(id);
    } catch (error) {
      const kept = error instanceof NotConnected && who ? await keptSheet(who.id, id).catch(() => undefined) : undefined;
      if (!kept) throw error;
      view = kept.view;
      from = kept.at;
    }
    steps.clear();
    typed.clear();
    bases.clear();
    seq.value = 0;
    person.value = who;
    asOf.value = from;
    revision.value = view;
    apply(view.sheet, true);
    // What was typed before and is not taken yet stands in its field.
    for (const w of items.value) {
      if (w.edit?.do !== 'writeStep') continue;
      if (!bases.has(w.edit.id)) bases.set(w.edit.id, steps.get(w.edit.id)?.text ?? '');
      typed.set(w.edit.id, w.edit.text);
    }
  }

  function close(): void {
    flushAll();
    revision.value = null;
    person.value = null;
  }

  /** Reads the whole revision anew. */
  async function refresh(): Promise<void> {
    const id = revision.value?.id;
    if (id === undefined) return;
    const view = await read(id);
    if (revision.value?.id !== id) return;
    asOf.value = null;
    revision.value = view;
    apply(view.sheet, true);
  }

  /** Asks what has changed since; after a time without a connection, for all of it. */
  async function poll(): Promise<void> {
    const id = revision.value?.id;
    if (id === undefined) return;
    // Not while something of hers is on its way, but then.
    if (sent.value > 0) {
      behind = true;
      return;
    }
    try {
      if (asOf.value !== null) await refresh();
      else {
        const query = { since: seq.value, moves: revision.value!.moves };
        const view = await take(api.GET('/api/revisions/{id}/changes', { params: { path: { id }, query } }));
        if (view && revision.value?.id === id) {
          if (sent.value > 0) behind = true;
          else if (view.sheet) apply(view.sheet, true);
          else await refresh();
        }
      }
      outbox.box.noticed(true);
    } catch (error) {
      if (error instanceof NotConnected) outbox.box.noticed(false);
      else if (!(error instanceof Refused)) throw error;
    }
  }

  outbox.box.onTaken(({ revision: id, edit, view }) => {
    if (revision.value?.id !== id) return;
    if (edit?.do === 'writeStep') {
      // What she has typed on since goes on from what was taken.
      if (typed.has(edit.id) && (typed.get(edit.id) !== edit.text || timers.has(edit.id))) bases.set(edit.id, edit.text);
      else settledText(edit.id);
    }
    behind ||= view.seq > seq.value + 1;
    apply(view, false);
  });

  // Somebody else has written in between: what that was is asked for as soon as nothing of hers is on its way.
  watch([sent, seq], () => {
    if (!behind || sent.value > 0) return;
    behind = false;
    void poll();
  });

  // What was refused is not laid over the server's order any more; what a refused edit meant to change may have changed under it.
  watch(
    () => refused.value.map((w) => w.clientId).join(),
    (now, was) => {
      if (!revision.value) return;
      overlay();
      if (now.length > (was?.length ?? 0)) void refresh().catch(() => undefined);
    },
  );

  const of = (): Pick<Waiting, 'person' | 'personName' | 'revision' | 'where'> | null =>
    revision.value && person.value
      ? {
          person: person.value.id,
          personName: person.value.name,
          revision: revision.value.id,
          where: `${revision.value.number} ${revision.value.title}, ${revision.value.letter}`,
        }
      : null;

  function send(edit: Edit): Waiting | null {
    const one = of();
    return one && outbox.box.add({ ...one, edit });
  }

  /** When everything typed and sent is acknowledged or refused. */
  async function settled(): Promise<void> {
    flushAll();
    if (revision.value && person.value) await outbox.box.settled(revision.value.id, person.value.id);
  }

  /** Sends and waits until it is taken, or refused: true where it was taken. */
  async function sendAndSettle(edit: Edit): Promise<boolean> {
    const one = send(edit);
    return one !== null && (await outbox.box.fateOf(one.clientId)) === 'taken';
  }

  function type(id: string, text: string): void {
    if (!typed.has(id) && !bases.has(id)) bases.set(id, steps.get(id)?.text ?? '');
    typed.set(id, text);
    clearTimeout(timers.get(id));
    timers.set(
      id,
      setTimeout(() => flush(id), 350),
    );
  }

  /** Has what was typed into a step kept and sent now. */
  function flush(id: string): void {
    const had = timers.has(id);
    clearTimeout(timers.get(id));
    timers.delete(id);
    const text = typed.get(id);
    const one = of();
    if (text === undefined || !one || !had) return;
    const disputed = clash(id);
    if (disputed) {
      // Nothing of it is sent until the writer has chosen; what she writes on is kept with it.
      outbox.box.rewrite(disputed, text);
      return;
    }
    // A text that was not taken is written over by the one after it.
    for (const w of refused.value) if (writes(w) === id) outbox.box.drop(w);
    if (text === (bases.get(id) ?? '') && !pendingText(id)) {
      settledText(id);
      return;
    }
    outbox.box.addText(one, id, text, bases.get(id) ?? '');
  }

  function flushAll(): void {
    for (const id of [...timers.keys()]) flush(id);
  }

  /** Puts a step in behind another and returns its id at once; the server is told. */
  function insertAfter(after: string | null, phaseId: string, text: string): string {
    const id = stepId();
    send({ do: 'insertStep', id, phase: phaseId, after, text });
    overlay();
    return id;
  }

  const stepId = (): string => `s-${newId().replaceAll('-', '').slice(0, 12)}`;

  /** Puts many steps in behind another as one edit; an empty step they are written over goes with it. */
  function insertMany(after: string | null, phaseId: string, texts: string[], over?: string): string[] {
    const come = texts.map((text) => ({ id: stepId(), text }));
    const edit: Edit = { do: 'insertSteps', phase: phaseId, after, steps: come };
    if (over === undefined) send(edit);
    else {
      const gone: Edit = { do: 'removeSteps', steps: [seen(over)] };
      settledText(over);
      send({ do: 'several', label: `${texts.length} new steps`, edits: [edit, gone] });
    }
    overlay();
    return come.map((s) => s.id);
  }

  const seen = (id: string): { id: string; before: string } => ({ id, before: textOf(id) });

  /** Takes steps away as one edit. */
  function remove(ids: string[]): void {
    const there = inOrder(ids);
    there.forEach(flush);
    if (there.length === 0) return;
    const gone = there.map(seen);
    there.forEach(settledText);
    send(gone.length === 1 ? { do: 'removeStep', ...gone[0]! } : { do: 'removeSteps', steps: gone });
    overlay();
  }

  const inOrder = (ids: string[]): string[] => order.value.filter((id) => ids.includes(id));

  /** Moves steps, together, by one place up or down, over the border of their phase where they stand at it. */
  function move(ids: string[], by: -1 | 1): void {
    const there = inOrder(ids);
    const edge = by < 0 ? there[0] : there.at(-1);
    const phase = edge && phaseOf(edge);
    if (!phase) return;
    const beside = phase.steps[phase.steps.indexOf(edge) + by];
    if (beside === undefined) toPhase(there, by);
    else if (by > 0) place(there, phase.id, beside);
    else place(there, phase.id, phase.steps[phase.steps.indexOf(beside) - 1] ?? null);
  }

  /** Moves steps into the phase before or behind; the phase, or undefined where there is none. */
  function toPhase(ids: string[], by: -1 | 1): PhaseView | undefined {
    const edge = by < 0 ? inOrder(ids)[0] : inOrder(ids).at(-1);
    const target = phases.value[phases.value.findIndex((p) => edge !== undefined && p.steps.includes(edge)) + by];
    if (target && edge !== undefined) place(ids, target.id, by > 0 ? null : (target.steps.at(-1) ?? null));
    return target;
  }

  /** Puts steps behind another, in the order they stand. */
  function place(ids: string[], phaseId: string, after: string | null): void {
    const there = inOrder(ids);
    there.forEach(flush);
    if (there.length === 0) return;
    send(
      there.length === 1
        ? { do: 'moveStep', id: there[0]!, phase: phaseId, after }
        : { do: 'moveSteps', ids: there, phase: phaseId, after },
    );
    overlay();
  }

  function back(which: 'undo' | 'redo'): void {
    flushAll();
    const one = of();
    if (one) outbox.box.add({ ...one, edit: null, back: which });
  }

  /** Settles what was refused: theirs stands, or mine goes over it. Also of a sheet that is not open. */
  function settle(one: Waiting, mine: boolean): void {
    const { edit, trouble } = one;
    const here = hers(one);
    if (mine && edit && 'before' in edit) {
      if (here && edit.do === 'writeStep') {
        bases.set(edit.id, edit.text);
        typed.set(edit.id, edit.text);
      }
      outbox.box.again(one, { ...edit, before: trouble?.theirs ?? edit.before });
      return;
    }
    outbox.box.drop(one);
    for (const w of outbox.items)
      if (w.follows && edit?.do === 'writeStep' && writes(w) === edit.id && w.revision === one.revision) outbox.box.drop(w);
    if (here && edit?.do === 'writeStep') settledText(edit.id);
  }

  outbox.beforeLeaving(flushAll);

  const thing = (id: string): ThingView | undefined => things.value.find((t) => t.id === id);

  return {
    revision,
    person,
    phases,
    steps,
    things,
    joints,
    findings,
    header,
    factors,
    words,
    seq,
    held,
    undoLabel,
    redoLabel,
    asOf,
    typed,
    refusals,
    troubles,
    refusedField,
    forgetRefused,
    showField,
    connected,
    signedOut,
    otherPerson,
    waiting,
    reading,
    keptAt,
    order,
    stops,
    canEdit,
    textOf,
    numberOf,
    phaseOf,
    findingsAt,
    open,
    close,
    refresh,
    poll,
    send,
    settled,
    sendAndSettle,
    type,
    flush,
    flushAll,
    insertAfter,
    insertMany,
    remove,
    move,
    toPhase,
    place,
    back,
    settle,
    thing,
  };
});
