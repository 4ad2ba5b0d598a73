<script setup lang="ts">
import { refDebounced } from '@vueuse/core';
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { api, take, type Edit } from '../shared/api/client';
import ActMenu from '../shared/ActMenu.vue';
import CautionPanel from '../shared/CautionPanel.vue';
import { useComments } from '../shared/comments';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import FindingLine from '../shared/FindingLine.vue';
import { fit } from '../shared/fits';
import { say } from '../shared/say';
import SeverityMark from '../shared/SeverityMark.vue';
import { caretIn } from './caret';
import GhostText from './GhostText.vue';
import MendPanel from './MendPanel.vue';
import { plainWordsOf } from './plainWords';
import StepExtras from './StepExtras.vue';
import StepFigures from './StepFigures.vue';
import { useStepActs } from './stepActs';

/** One step: its sentence, edited in place; under it what was read from it, what is asked, and what was found. */
const props = defineProps<{ id: string }>();
const emit = defineEmits<{ block: [] }>();
const draft = useDraft();
const cursor = useCursor();
const comments = useComments();
const field = ref<HTMLTextAreaElement | null>(null);
const root = ref<HTMLElement | null>(null);
const menu = ref<InstanceType<typeof ActMenu> | null>(null);
const ghost = ref<InstanceType<typeof GhostText> | null>(null);
const figures = ref<InstanceType<typeof StepFigures> | null>(null);
const does = useStepActs();
const acts = (): ReturnType<typeof does.actsFor> => does.actsFor(cursor.actingFor(props.id));

const step = computed(() => draft.steps.get(props.id));
const text = computed(() => draft.textOf(props.id));
const active = computed(() => cursor.step === props.id);
const number = computed(() => draft.numberOf(props.id));
const findings = computed(() => draft.findingsAt(props.id));
const chosen = computed(() => cursor.chosen.includes(props.id));
/** What stands in a step is reached by Tab from its text; the steps themselves by the arrows. */
const inner = computed(() => (active.value ? undefined : -1));
/** The question a finding is about stands under the step already. */
const lines = computed(() => findings.value.filter((f) => f.rule !== 'RED001'));
/**
 * While a sentence is under way nothing is asked of its beginning: it would be asked about half a word. Its end, a pause or
 * leaving the step brings what there is to ask.
 */
const writing = ref(false);
const rested = refDebounced(text, 2500);
const underWay = computed(() => writing.value && rested.value !== text.value && !/[.!?:][”")]?\s*$/.test(text.value));
const questions = computed(() => (underWay.value ? [] : (step.value?.questions ?? [])));
/** Words nobody understood; what is asked about says so itself. */
const residue = computed(() => {
  if (underWay.value) return [];
  const asked = (step.value?.questions ?? []).map((q) => q.ask.toLowerCase());
  return (step.value?.residue ?? []).filter((w) => !asked.some((a) => a.includes(w.trim().toLowerCase().slice(0, 60))));
});
/** Words of which nothing came and nothing is asked: that is said too, so that nobody takes them for read. */
const wordsOnly = computed(() => {
  const read = step.value;
  return (
    !underWay.value &&
    !!read?.text.trim() &&
    read.text === text.value &&
    !read.chips.length &&
    !read.questions.length &&
    !residue.value.length
  );
});
/** Where something was read, and these words came to nothing: whoever wrote them sees whether they should have. */
const plainWords = computed(() =>
  active.value && draft.canEdit && !underWay.value && !wordsOnly.value
    ? plainWordsOf(props.id).filter((p) => text.value.includes(p.words))
    : [],
);
/** The chip whose ways to mend it stand open; null in it where something more is said, of certain words. */
const mending = ref<{ chip: number | null; words?: string } | null>(null);
const refusal = computed(() => draft.refusals.get(props.id));

const offer = computed(() => ghost.value?.offer ?? null);
const describedBy = computed(
  () => [refusal.value && `refusal-${props.id}`, offer.value && `ahead-${props.id}`].filter(Boolean).join(' ') || undefined,
);

onMounted(() => fit(field.value));
watch(text, (now, was) => {
  const area = field.value;
  // Somebody else's words came in while the caret stands here: it stays between the words it stood between.
  const caret =
    area && document.activeElement === area && area.value !== now
      ? ([caretIn(was, now, area.selectionStart), caretIn(was, now, area.selectionEnd), area.selectionDirection] as const)
      : null;
  void nextTick(() => {
    if (caret) area?.setSelectionRange(...caret);
    fit(area);
  });
});
watch(
  () => [cursor.focusCalls, cursor.step] as const,
  async () => {
    if (!active.value) return;
    await nextTick();
    // The cursor may have gone on while the page was drawn.
    if (!active.value) return;
    root.value?.scrollIntoView({ block: 'nearest' });
    if (cursor.focusCalls === cursor.served.calls || !root.value) return;
    cursor.served.calls = cursor.focusCalls;
    const area = field.value;
    if (!area || cursor.focusAt === 'step') {
      root.value.focus();
      return;
    }
    if (document.activeElement === area) return;
    area.focus();
    const at = cursor.focusAt === 'start' ? 0 : area.value.length;
    area.setSelectionRange(at, at);
  },
  { immediate: true },
);

// Taken into another phase while it is written in, it is drawn anew there, and the caret comes along.
onBeforeUnmount(() => {
  if (field.value && document.activeElement === field.value) cursor.served.calls = -1;
});

function neighbour(by: -1 | 1): string | undefined {
  return draft.order[draft.order.indexOf(props.id) + by];
}

function goBeside(by: -1 | 1): void {
  const other = neighbour(by);
  if (!other) return;
  draft.flush(props.id);
  cursor.goTo(other, by > 0 ? 'start' : 'end');
}

function split(area: HTMLTextAreaElement): void {
  const phase = draft.phaseOf(props.id);
  if (!phase) return;
  const head = area.value.slice(0, area.selectionStart).trimEnd();
  const tail = area.value.slice(area.selectionEnd).trimStart();
  if (head !== area.value) draft.type(props.id, head);
  draft.flush(props.id);
  cursor.goTo(draft.insertAfter(props.id, phase.id, tail), 'start');
}

function mend(chip: number | null, words?: string): void {
  draft.flush(props.id);
  const same = mending.value !== null && mending.value.chip === chip && mending.value.words === words;
  mending.value = same ? null : { chip, words };
}

function mended(): void {
  mending.value = null;
  cursor.goTo(props.id);
}

/** Opens what was read nearest the caret to be mended; where nothing was, what is done there is said. */
function mendAt(caret: number): void {
  const chips = step.value?.chips ?? [];
  let nearest: number | null = null;
  const far = (i: number): number =>
    Math.max((chips[i]?.at.start ?? 0) - caret, caret - (chips[i]?.at.start ?? 0) - (chips[i]?.at.length ?? 0), 0);
  for (let i = 0; i < chips.length; i++) if (nearest === null || far(i) < far(nearest)) nearest = i;
  mend(nearest);
}

const wordsOf = (at: { start?: number; length?: number }): string => text.value.slice(at.start ?? 0, (at.start ?? 0) + (at.length ?? 0));

/** One of the answers to the first new name, without opening it. */
async function answerNew(chip: number, choice: number): Promise<void> {
  try {
    const view = await take(
      api.GET('/api/revisions/{id}/steps/{step}/mending', {
        params: { path: { id: draft.revision?.id ?? 0, step: props.id }, query: { chip } },
      }),
    );
    const chosen = view.answers[choice];
    if (chosen) answer(chosen.edit);
  } catch {
    // Opened, it says what is in the way.
    mend(chip);
  }
}

function answer(edit: Edit): void {
  draft.flush(props.id);
  draft.send(edit);
  cursor.goTo(props.id);
}

function key(event: KeyboardEvent): void {
  const area = event.target as HTMLTextAreaElement;
  if (event.isComposing) return;
  if (event.altKey && /^[1-9]$/.test(event.key)) {
    // What is asked first; where nothing is, the first new name.
    const [asked, chosen] = [questions.value[0]?.answers, Number(event.key) - 1];
    const named = step.value?.chips.findIndex((c) => c.isNew) ?? -1;
    if (asked?.[chosen]) answer(asked[chosen].edit);
    else if (!asked && named >= 0) void answerNew(named, chosen);
    else return;
    event.preventDefault();
    return;
  }
  if (event.altKey && event.key === 'Enter') {
    event.preventDefault();
    mendAt(area.selectionStart);
    return;
  }
  if (actByKey(event)) return;
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  switch (event.key) {
    case 'ArrowRight':
      // A key held down on the way through a text takes nothing.
      if (!event.shiftKey && !event.repeat && ghost.value?.takeIt()) event.preventDefault();
      return;
    case 'Enter':
      if (event.shiftKey) return;
      event.preventDefault();
      split(area);
      return;
    case '/':
      // In an empty step a stroke asks for a block; in a text it is a stroke.
      if (area.value !== '') return;
      event.preventDefault();
      draft.flush(props.id);
      emit('block');
      return;
    case 'Escape':
      event.preventDefault();
      if (ghost.value?.putItAway()) return;
      draft.flush(props.id);
      root.value?.focus();
      return;
    case 'Backspace':
      if (area.value === '' && draft.order.length > 1) {
        event.preventDefault();
        const other = neighbour(-1) ?? neighbour(1);
        draft.remove([props.id]);
        if (other) cursor.goTo(other);
      }
      return;
    case 'ArrowUp':
      // With Shift, text first; from its beginning on, whole steps.
      if (event.shiftKey) {
        if (area.selectionStart === 0 && area.selectionDirection !== 'forward') chooseBeside(event, -1);
      } else if (area.value.lastIndexOf('\n', area.selectionStart - 1) < 0 && caretOnEdge(area, -1)) {
        event.preventDefault();
        goBeside(-1);
      }
      return;
    case 'ArrowDown':
      if (event.shiftKey) {
        if (area.selectionEnd === area.value.length && area.selectionDirection !== 'backward') chooseBeside(event, 1);
      } else if (area.value.indexOf('\n', area.selectionEnd) < 0 && caretOnEdge(area, 1)) {
        event.preventDefault();
        goBeside(1);
      }
  }
}

/** True where a wrapped text has no further line above (below) the caret: measured by its share of the text. */
function caretOnEdge(area: HTMLTextAreaElement, by: -1 | 1): boolean {
  const rows = Math.round(area.scrollHeight / parseFloat(getComputedStyle(area).lineHeight));
  if (rows <= 1) return true;
  const share = area.value.length / rows;
  return by < 0 ? area.selectionStart <= share * 0.8 : area.selectionEnd >= area.value.length - share * 0.8;
}

/** Pictures from the clipboard, or dropped on the step, become figures of it. */
function bringPictures(data: DataTransfer | null, event: Event): boolean {
  const files = [...(data?.files ?? [])];
  if (!draft.canEdit || !files.length) return false;
  event.preventDefault();
  cursor.step = props.id;
  void figures.value?.bring(files);
  return true;
}

/** Several pasted lines become as many steps behind this one; an empty step, or a text that is marked whole, they are written over. */
function paste(event: ClipboardEvent): void {
  if (bringPictures(event.clipboardData, event)) return;
  const lines = (event.clipboardData?.getData('text/plain') ?? '')
    .split(/\r?\n/)
    .map((l) => l.replace(/^\s*(?:[-*•]|\d+[.)])\s+/, '').trim())
    .filter(Boolean);
  const phase = draft.phaseOf(props.id);
  if (lines.length < 2 || !phase) return;
  event.preventDefault();
  const area = event.target as HTMLTextAreaElement;
  const isWhole = area.selectionStart === 0 && area.selectionEnd === area.value.length;
  draft.flush(props.id);
  const made = draft.insertMany(props.id, phase.id, lines, isWhole ? props.id : undefined);
  say(`${lines.length} steps pasted. Ctrl+Z takes them back.`);
  cursor.goTo(made.at(-1)!);
}

/** Keys that do something to the step as a whole, in its text and on it. */
function actByKey(event: KeyboardEvent): boolean {
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
  if (event.altKey && by !== 0 && !event.ctrlKey && !event.metaKey) {
    draft.flush(props.id);
    if (event.shiftKey) does.toPhase(cursor.actingFor(props.id), by);
    else does.move(cursor.actingFor(props.id), by);
  } else if ((event.ctrlKey || event.metaKey) && !event.shiftKey && !event.altKey && event.key.toLowerCase() === 'm') {
    draft.flush(props.id);
    void menu.value?.show();
  } else return false;
  event.preventDefault();
  event.stopPropagation();
  return true;
}

function chooseBeside(event: KeyboardEvent, by: -1 | 1): void {
  event.preventDefault();
  draft.flush(props.id);
  // From within a text the first press chooses its own step.
  const other = event.target === root.value ? neighbour(by) : props.id;
  if (other) cursor.chooseTo(other);
}

/** Keys on the step as a whole, where the caret is not in its text. */
function keyOnStep(event: KeyboardEvent): void {
  if (event.target !== root.value || actByKey(event)) return;
  const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
  if (by !== 0 && event.shiftKey) chooseBeside(event, by);
  else if (by !== 0) {
    cursor.choose([]);
    const other = neighbour(by);
    if (other) cursor.goTo(other, 'step');
    event.preventDefault();
  } else if (event.key === 'Enter' || event.key === 'F2') {
    event.preventDefault();
    cursor.goTo(props.id);
  } else if (event.key === 'Delete' && draft.canEdit) {
    event.preventDefault();
    const ids = cursor.actingFor(props.id);
    if (ids.length < draft.order.length) does.remove(ids);
  } else if (event.key === 'Escape' && cursor.chosen.length) {
    event.preventDefault();
    cursor.choose([]);
  }
}

/** A click on the number with Shift chooses all from the step under the cursor to this one. */
function clickNumber(event: MouseEvent): void {
  if (!event.shiftKey) return;
  event.stopPropagation();
  event.preventDefault();
  cursor.chooseTo(props.id);
}
</script>

<template>
  <article
    ref="root"
    class="step"
    :class="{ active, chosen, stop: findings.some((f) => f.severity === 'stop') }"
    :data-step="id"
    tabindex="-1"
    :aria-label="`Step ${number}${chosen ? ', chosen' : ''}`"
    @keydown="keyOnStep"
    @click="cursor.step = id"
    @dragover="draft.canEdit && $event.dataTransfer?.types.includes('Files') && $event.preventDefault()"
    @drop="bringPictures($event.dataTransfer, $event)"
  >
    <CautionPanel v-for="caution in step?.cautions ?? []" :key="caution.hazard" :caution="caution" class="caution-before" />
    <div class="number figures" @click.capture="clickNumber">
      <ActMenu
        v-if="draft.canEdit"
        ref="menu"
        :acts="acts"
        :label="`Step ${number}: move, delete and more`"
        title="Move, delete and more (Ctrl+M); Shift+click chooses several"
        :tabindex="inner"
        >{{ number }}</ActMenu
      >
      <template v-else>{{ number }}</template>
    </div>
    <div class="body">
      <div v-if="draft.canEdit" class="written">
        <textarea
          ref="field"
          rows="1"
          :value="text"
          :aria-label="`Step ${number}`"
          :aria-describedby="describedBy"
          :aria-invalid="refusal ? 'true' : undefined"
          aria-autocomplete="inline"
          :placeholder="active && !offer ? 'Write what is done, such as: Remove the two caliper bolts. Or / for a block.' : ''"
          spellcheck="true"
          @input="draft.type(id, ($event.target as HTMLTextAreaElement).value)"
          @focus="
            writing = true;
            cursor.step = id;
          "
          @blur="
            writing = false;
            draft.flush(id);
          "
          @keydown="key"
          @paste="paste"
        ></textarea>
        <GhostText v-if="active" :id="id" ref="ghost" :text="text" :area="field" />
        <span v-if="offer" :id="`ahead-${id}`" class="visually-hidden">Goes on: “{{ offer.rest }}”. Right arrow takes it.</span>
      </div>
      <p v-else class="text">{{ text }}</p>
      <p v-if="comments.byStep.get(id)" class="commented">
        <button type="button" class="link" :tabindex="inner" @click="comments.open = true">
          {{ comments.byStep.get(id) === 1 ? '1 open comment' : `${comments.byStep.get(id)} open comments` }}
        </button>
      </p>
      <p v-if="refusal" :id="`refusal-${id}`" class="refusal" role="alert">
        <strong>{{ refusal.title }}</strong> {{ refusal.detail }}
      </p>
      <ul v-if="step && (step.chips.length || (draft.canEdit && (wordsOnly || (active && text))))" class="chips" aria-label="Read as">
        <li v-for="(chip, i) in step.chips" :key="i" class="chip" :class="[chip.kind ?? 'vehicle', { said: chip.isSaid }]">
          <button
            v-if="draft.canEdit"
            type="button"
            class="word"
            :tabindex="inner"
            :aria-expanded="mending?.chip === i"
            :title="
              chip.isNew
                ? 'Not on the sheet before: taken from this sentence. Press to look at it.'
                : chip.isSaid
                  ? 'Your word: it holds as long as these words stand. Press to change it or take it back.'
                  : 'Press to mend what was read (Alt+Enter)'
            "
            @click.stop="mend(i)"
          >
            {{ chip.text }}<b v-if="chip.isNew" class="new">new</b><b v-if="chip.isSaid" class="yours">your word</b>
          </button>
          <template v-else>{{ chip.text }}<b v-if="chip.isNew" class="new">new</b></template>
          <button
            v-if="chip.again && draft.canEdit"
            type="button"
            class="again"
            :tabindex="inner"
            :aria-label="`Ask again: ${chip.text}`"
            title="Ask again"
            @click="answer(chip.again)"
          >
            ×
          </button>
        </li>
        <li
          v-if="wordsOnly && draft.canEdit"
          class="words"
          title="Nothing was read from these words that changes anything. If something is done, say so with + more."
        >
          nothing is done here
        </li>
        <li v-if="active && draft.canEdit" class="more">
          <button
            type="button"
            class="word"
            aria-label="+ more: say what else is done"
            title="Something is done here that was not read"
            @click.stop="mend(null)"
          >
            + more
          </button>
        </li>
      </ul>
      <MendPanel
        v-if="mending"
        :id="id"
        :key="`${mending.chip} ${mending.words}`"
        :chip="mending.chip"
        :words="mending.words"
        @done="mended"
      />
      <p v-for="words in step?.lost ?? []" :key="words" class="residue">
        Your word on “{{ words }}” no longer holds: the words, or what was said of them, are gone.
        <button v-if="draft.canEdit" type="button" class="link" :tabindex="inner" @click="answer({ do: 'unsay', step: id, words })">
          Forget it
        </button>
      </p>
      <p v-for="words in residue" :key="words" class="residue">
        Not understood: <span :title="`Nobody understood “${words}”: it is kept as it is written and changes nothing.`">{{ words }}</span>
        <button v-if="draft.canEdit" type="button" class="link" :tabindex="inner" @click.stop="mend(null, words)">say what is done</button>
      </p>
      <ul v-if="plainWords.length" class="plain" aria-label="Only said: nothing is done by">
        <li v-for="said in plainWords" :key="said.words">
          <button
            type="button"
            class="link"
            title="Nothing came of these words. Where something is done by them, press to say what."
            @click.stop="mend(null, said.words)"
          >
            {{ said.words }}
          </button>
          <button
            type="button"
            class="again"
            :aria-label="`Just words: ${said.words}`"
            title="It is only said: do not show it again"
            @click.stop="answer(said.justWords)"
          >
            ×
          </button>
        </li>
      </ul>
      <div v-for="question in questions" :key="question.key" class="question">
        <span class="ask"><b aria-hidden="true">?</b> {{ question.ask }}</span>
        <span v-if="draft.canEdit" class="answers">
          <button
            v-for="(choice, i) in question.answers"
            :key="choice.label"
            type="button"
            class="answer"
            :tabindex="inner"
            :title="i < 9 && question === questions[0] ? `Alt+${i + 1}` : undefined"
            @click="answer(choice.edit)"
          >
            {{ choice.label }}
          </button>
          <button type="button" class="link" :tabindex="inner" @click.stop="mend(null, wordsOf(question.at))">say what is done</button>
        </span>
      </div>
      <StepFigures :id="id" ref="figures" :active="active" :inner="inner" />
      <StepExtras v-if="active && draft.canEdit" :id="id" />
      <template v-if="active">
        <FindingLine
          v-for="finding in lines"
          :key="finding.waiverKey ?? ''"
          :finding="finding"
          class="found"
          :class="{ looked: finding.key === cursor.findingKey }"
        />
      </template>
    </div>
    <div v-if="!active && lines.length" class="badge" :title="lines.map((l) => l.title).join('; ')">
      <SeverityMark :severity="lines[0]?.severity ?? 'hint'" /> {{ lines.length > 1 ? lines.length : '' }}
    </div>
  </article>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) 30px;
  gap: 10px;
  padding: 5px 0 6px;
  border-left: 3px solid transparent;
}

/* Steps out of sight are neither laid out nor painted: a sheet of a thousand opens and types like one of ten. */
.step {
  content-visibility: auto;
  contain-intrinsic-size: auto 62px;
}

.step.chosen {
  background: var(--slate-pale);
}

.step.active {
  background: var(--field);
  border-left-color: var(--moss);
}

.step.active.stop {
  border-left-color: var(--clay);
}

.number {
  text-align: right;
  color: var(--ink-soft);
  font-size: 14px;
  line-height: 25px;
}

.number :deep(button) {
  min-width: 30px;
  font: inherit;
  text-align: right;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 3px;
  padding: 0 4px;
  cursor: pointer;
}

.number :deep(button:hover) {
  background: var(--moss-pale);
}

.active .number {
  color: var(--ink);
  font-weight: 700;
}

/* What is offered lies over the same cell: the longer of the two makes its height. */
.written {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}

.written > textarea,
.written > .ghost {
  grid-area: 1 / 1;
}

textarea,
.text {
  display: block;
  width: 100%;
  margin: 0;
  padding: 0;
  font: 17px/25px var(--text);
  color: inherit;
  background: none;
  border: 0;
  resize: none;
  overflow: hidden;
  field-sizing: content;
  outline: none;
  white-space: pre-wrap;
}

/* The step under the cursor is marked as a whole; the caret and this line show the field. */
textarea:focus-visible {
  outline: none;
  box-shadow: 0 2px 0 var(--ochre-mark);
}

textarea::placeholder {
  color: var(--ink-soft);
}

.chips {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  margin: 3px 0 0;
  padding: 0;
}

.chip {
  font-size: 12.5px;
  line-height: 20px;
  padding: 0 7px;
  color: var(--moss-ink);
  background: var(--moss-pale);
  border-radius: 9px;
}

.chip.vehicle,
.chip.aid {
  color: var(--slate-ink);
  background: var(--slate-pale);
}

.word {
  min-height: 24px;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}

.word:hover {
  text-decoration: underline;
}

.new {
  margin-left: 5px;
  padding: 0 4px;
  font-size: 11px;
  font-weight: 600;
  color: var(--ochre);
  background: var(--ochre-pale);
  border-radius: 3px;
}

.yours {
  margin-left: 5px;
  padding: 0 4px;
  font-size: 11px;
  font-weight: 600;
  color: var(--ink);
  background: var(--sheet);
  border-radius: 3px;
}

.words {
  font-size: 12.5px;
  line-height: 18px;
  color: var(--ink-soft);
}

.more {
  font-size: 12.5px;
  line-height: 18px;
  padding: 0 7px;
  border-radius: 9px;
  color: var(--ink-soft);
  background: none;
  box-shadow: inset 0 0 0 1px var(--line-strong);
}

.residue {
  margin: 4px 0 0;
  font-size: 14px;
  color: var(--ink-soft);
}

.residue span {
  color: var(--ink);
  text-decoration: underline dotted var(--ochre-mark) 2px;
  text-underline-offset: 3px;
}

.plain {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 10px;
  margin: 4px 0 0;
  padding: 0;
  font-size: 14px;
  color: var(--ink-soft);
  list-style: none;
}

.plain::before {
  content: 'Only said:';
}

.plain li {
  display: flex;
  align-items: baseline;
  min-width: 0;
}

.plain .link {
  color: var(--ink);
  text-align: start;
  white-space: normal;
  text-decoration: underline dotted var(--line-strong) 2px;
  text-underline-offset: 3px;
}

.again {
  min-width: 24px;
  min-height: 24px;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}

.question {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  margin-top: 5px;
  padding: 4px 8px;
  font-size: 14px;
  background: var(--ochre-pale);
  border-left: 3px solid var(--ochre-mark);
}

.ask b {
  font-family: var(--heading);
  font-size: 17px;
  color: var(--ochre);
}

.found {
  margin-top: 6px;
  padding: 5px 8px;
  background: var(--clay-pale);
}

.found.warn {
  background: var(--ochre-pale);
}

.found.hint {
  background: var(--slate-pale);
}

.found.looked {
  box-shadow: inset 3px 0 0 var(--ink);
}

.commented {
  margin: 0;
  padding-left: 9px;
  font-size: 14px;
  border-left: 4px solid var(--ochre);
}

.refusal {
  margin: 4px 0 0;
  font-size: 14px;
  color: var(--clay);
}

.badge {
  padding-top: 3px;
  font-size: 13px;
  font-weight: 600;
}

.caution-before {
  grid-column: 2;
  margin: 4px 0 2px;
}

.caution-before + .number {
  grid-column: 1;
}

@media (forced-colors: active) {
  .step {
    border-left-color: Canvas;
  }

  .step.active {
    border-left-color: Highlight;
  }

  .step.chosen {
    outline: 2px dashed Highlight;
    outline-offset: -2px;
  }
}
</style>
