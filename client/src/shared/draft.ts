import { defineStore } from 'pinia';
import { computed, ref, shallowReactive, shallowRef } from 'vue';
import {
  api,
  NotConnected,
  Refused,
  take,
  type Edit,
  type Factor,
  type Finding,
  type JointView,
  type PhaseView,
  type RevisionView,
  type SheetView,
  type StepView,
  type ThingView,
  type Trouble,
} from './api/client';
import { EditQueue, type Queued } from './editQueue';
import { useSession } from './session';

/** Something that could not be done as asked, shown until it is put away; with the edit, where it can be sent again over theirs. */
export interface OpenTrouble extends Trouble {
  edit?: Edit;
}

const structural = new Set(['insertStep', 'removeStep', 'moveStep', 'insertPhase', 'removePhase', 'renamePhase', 'several']);

/** The open revision: what the server knows of it, what the writer has typed since, and the edits on their way. */
export const useDraft = defineStore('draft', () => {
  const revision = shallowRef<RevisionView | null>(null);
  const phases = ref<PhaseView[]>([]);
  const steps = shallowReactive(new Map<string, StepView>());
  const things = shallowRef<ThingView[]>([]);
  const joints = shallowRef<JointView[]>([]);
  const findings = shallowRef<Finding[]>([]);
  const header = shallowRef<Record<string, string>>({});
  const factors = shallowRef<Factor[]>([]);
  const seq = ref(0);
  const undoLabel = ref<string | null>(null);
  const redoLabel = ref<string | null>(null);

  /** Text typed and not yet acknowledged, by step; and the text the writer saw when she began. */
  const typed = shallowReactive(new Map<string, string>());
  const bases = new Map<string, string>();
  /** Why a step's text was not taken, by step. */
  const refusals = shallowReactive(new Map<string, Trouble>());
  const troubles = ref<OpenTrouble[]>([]);
  /** Steps whose text clashed with somebody else's: nothing of them is sent until the writer has chosen. */
  const disputed = new Set<string>();

  const connected = ref(true);
  const signedOut = ref(false);
  const waiting = ref(0);
  const keptAt = ref<number | null>(null);
  let queue: EditQueue | null = null;
  const timers = new Map<string, ReturnType<typeof setTimeout>>();

  const order = computed(() => phases.value.flatMap((p) => p.steps));
  const stops = computed(() => findings.value.filter((f) => f.severity === 'stop').length);
  const canEdit = computed(() => revision.value?.may.edit ?? false);
  const textOf = (id: string): string => typed.get(id) ?? steps.get(id)?.text ?? '';
  const numberOf = (id: string): number => order.value.indexOf(id) + 1;
  const phaseOf = (id: string): PhaseView | undefined => phases.value.find((p) => p.steps.includes(id));

  function apply(view: SheetView, whole: boolean): void {
    seq.value = view.seq;
    if (view.header) header.value = view.header;
    if (view.factors) factors.value = view.factors;
    // While steps are being put in or moved, the page is ahead of the server; its order is taken when all have arrived.
    const ahead = queue?.some((q) => q.edit !== null && structural.has(q.edit.do)) ?? false;
    if (view.phases && !ahead) {
      phases.value = view.phases;
      const present = new Set(view.phases.flatMap((p) => p.steps));
      for (const id of [...steps.keys()]) if (!present.has(id)) steps.delete(id);
    }
    for (const step of view.steps) steps.set(step.id, step);
    if (whole) for (const [id, text] of typed) if (steps.get(id)?.text === text) typed.delete(id);
    if (view.things) things.value = view.things;
    if (view.joints) joints.value = view.joints;
    if (view.findings) findings.value = view.findings;
    undoLabel.value = view.undo ?? null;
    redoLabel.value = view.redo ?? null;
  }

  async function open(id: number): Promise<void> {
    close();
    const view = await take(api.GET('/api/revisions/{id}', { params: { path: { id } } }));
    revision.value = view;
    steps.clear();
    typed.clear();
    bases.clear();
    refusals.clear();
    disputed.clear();
    troubles.value = [];
    keptAt.value = null;
    signedOut.value = false;
    queue = new EditQueue(`wornpath-queue-${useSession().view?.id}-${id}`, sendOne, (state) => {
      waiting.value = state.waiting;
      connected.value = state.connected;
      if (state.kept) keptAt.value = Date.now();
    });
    apply(view.sheet, true);
    queue.start();
  }

  function close(): void {
    for (const id of [...timers.keys()]) flush(id);
    queue?.stop();
    queue = null;
    revision.value = null;
  }

  async function refresh(): Promise<void> {
    if (!revision.value) return;
    const view = await take(api.GET('/api/revisions/{id}', { params: { path: { id: revision.value.id } } }));
    revision.value = view;
    apply(view.sheet, true);
  }

  /** Asks whether somebody else has written since. Quiet where the server cannot be reached: the queue says that. */
  async function poll(): Promise<void> {
    if (!revision.value || !queue || waiting.value > 0 || document.hidden) return;
    try {
      const view = await take(
        api.GET('/api/revisions/{id}/changes', { params: { path: { id: revision.value.id }, query: { since: seq.value } } }),
      );
      if (view && waiting.value === 0) apply(view, true);
      if (waiting.value === 0) connected.value = true;
    } catch (error) {
      if (error instanceof NotConnected) connected.value = false;
      else if (!(error instanceof Refused)) throw error;
    }
  }

  async function sendOne(item: Queued): Promise<void> {
    const id = item.revision;
    const path = { params: { path: { id } } };
    try {
      const view =
        item.edit !== null
          ? await take(api.POST('/api/revisions/{id}/edits', { ...path, body: { clientId: item.clientId, edit: item.edit } }))
          : await take(
              api.POST(item.back === 'redo' ? '/api/revisions/{id}/redo' : '/api/revisions/{id}/undo', {
                ...path,
                body: { clientId: item.clientId },
              }),
            );
      if (revision.value?.id !== id) return;
      if (item.edit?.do === 'writeStep') {
        const { id: step, text } = item.edit;
        bases.set(step, text);
        refusals.delete(step);
        if (typed.get(step) === text) {
          typed.delete(step);
          bases.delete(step);
        }
      }
      apply(view, false);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      if (error.trouble.status === 401) {
        // Signed out meanwhile: the edit waits, as without a connection.
        signedOut.value = true;
        throw new NotConnected();
      }
      if (revision.value?.id !== id) return;
      if (item.edit?.do === 'writeStep' && error.trouble.theirs === undefined) {
        // The text stays in its field, with the reason beside it.
        refusals.set(item.edit.id, error.trouble);
      } else {
        if (item.edit?.do === 'writeStep') disputed.add(item.edit.id);
        troubles.value = [...troubles.value, { ...error.trouble, edit: item.edit ?? undefined }];
      }
      // What the page shows may be ahead of what stands: look again.
      if (item.edit === null || structural.has(item.edit.do) || error.trouble.status === 409) await refresh();
    }
  }

  function send(edit: Edit): void {
    if (!revision.value) return;
    queue?.add({ revision: revision.value.id, edit });
  }

  /** When everything typed and sent is acknowledged or refused. */
  async function settled(): Promise<void> {
    flushAll();
    await queue?.settled();
  }

  /** Sends and waits until all that was sent is acknowledged or refused. */
  async function sendAndSettle(edit: Edit): Promise<void> {
    send(edit);
    await queue?.settled();
  }

  function type(id: string, text: string): void {
    if (!typed.has(id) && !bases.has(id)) bases.set(id, steps.get(id)?.text ?? '');
    typed.set(id, text);
    refusals.delete(id);
    clearTimeout(timers.get(id));
    timers.set(
      id,
      setTimeout(() => flush(id), 350),
    );
  }

  /** Sends what was typed into a step now. */
  function flush(id: string): void {
    clearTimeout(timers.get(id));
    timers.delete(id);
    const text = typed.get(id);
    if (text === undefined || !revision.value || disputed.has(id)) return;
    if (text === (bases.get(id) ?? '') && !queue?.some((q) => q.edit?.do === 'writeStep' && q.edit.id === id)) {
      typed.delete(id);
      bases.delete(id);
      return;
    }
    queue?.addText(revision.value.id, id, text, () => bases.get(id) ?? '');
  }

  function flushAll(): void {
    for (const id of [...timers.keys()]) flush(id);
  }

  /** Puts a step in behind another and returns its id at once; the server is told. */
  function insertAfter(after: string | null, phaseId: string, text: string): string {
    const id = `s-${crypto.randomUUID().replaceAll('-', '').slice(0, 12)}`;
    const phase = phases.value.find((p) => p.id === phaseId);
    if (phase) phase.steps.splice(after === null ? 0 : phase.steps.indexOf(after) + 1, 0, id);
    steps.set(id, { id, text, only: '', branches: [], chips: [], questions: [], cautions: [], dropped: [], fields: {} });
    send({ do: 'insertStep', id, phase: phaseId, after, text });
    return id;
  }

  function remove(id: string): void {
    flush(id);
    const phase = phaseOf(id);
    if (!phase) return;
    const before = typed.get(id) ?? steps.get(id)?.text ?? '';
    phase.steps.splice(phase.steps.indexOf(id), 1);
    typed.delete(id);
    bases.delete(id);
    send({ do: 'removeStep', id, before });
  }

  /** Moves a step by one place up or down, over the border of its phase where it stands at it. */
  function move(id: string, by: -1 | 1): void {
    const from = phases.value.findIndex((p) => p.steps.includes(id));
    const phase = phases.value[from];
    if (!phase) return;
    const at = phase.steps.indexOf(id);
    const to = at + by;
    if (to >= 0 && to < phase.steps.length) place(id, phase.id, to);
    else toPhase(id, by);
  }

  /** Moves a step into the phase before or behind. */
  function toPhase(id: string, by: -1 | 1): void {
    const from = phases.value.findIndex((p) => p.steps.includes(id));
    const target = phases.value[from + by];
    if (target) place(id, target.id, by > 0 ? 0 : target.steps.length);
  }

  function place(id: string, phaseId: string, index: number): void {
    flush(id);
    const phase = phaseOf(id);
    const target = phases.value.find((p) => p.id === phaseId);
    if (!phase || !target) return;
    phase.steps.splice(phase.steps.indexOf(id), 1);
    target.steps.splice(index, 0, id);
    send({ do: 'moveStep', id, phase: phaseId, after: index === 0 ? null : (target.steps[index - 1] ?? null) });
  }

  function back(which: 'undo' | 'redo'): void {
    if (!revision.value) return;
    flushAll();
    queue?.add({ revision: revision.value.id, edit: null, back: which });
  }

  /** Settles a clash: theirs stands, or mine goes over it. */
  function settle(trouble: OpenTrouble, mine: boolean): void {
    troubles.value = troubles.value.filter((t) => t !== trouble);
    const edit = trouble.edit;
    if (edit?.do === 'writeStep') {
      disputed.delete(edit.id);
      if (mine) {
        bases.set(edit.id, trouble.theirs ?? '');
        if (!typed.has(edit.id)) typed.set(edit.id, edit.text);
        flush(edit.id);
      } else {
        typed.delete(edit.id);
        bases.delete(edit.id);
      }
    } else if (mine && edit && 'before' in edit) {
      send({ ...edit, before: trouble.theirs ?? '' });
    }
  }

  const thing = (id: string): ThingView | undefined => things.value.find((t) => t.id === id);

  return {
    revision,
    phases,
    steps,
    things,
    joints,
    findings,
    header,
    factors,
    seq,
    undoLabel,
    redoLabel,
    typed,
    refusals,
    troubles,
    connected,
    signedOut,
    waiting,
    keptAt,
    order,
    stops,
    canEdit,
    textOf,
    numberOf,
    phaseOf,
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
    remove,
    move,
    toPhase,
    back,
    settle,
    thing,
  };
});
