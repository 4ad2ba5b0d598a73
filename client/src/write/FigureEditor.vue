<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core';
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue';
import type { Figure, ThingView } from '../shared/api/client';
import ActButton from '../shared/ActButton.vue';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import { dotsOf, drawn, frameOf, placed, SIZES, WHOLE, type Area, type Point } from '../shared/figure';
import FigureDrawing from '../shared/FigureDrawing.vue';
import FigureShown from '../shared/FigureShown.vue';
import { say } from '../shared/say';

/**
 * A figure and what is put on it: balloons, arrows, an enlarged part, the part that is shown. Marks are set by a click or from the
 * keyboard, moved by dragging or the arrow keys. Every change is kept at once, like any edit, and undone like one.
 */
const props = defineProps<{ step: string; id: string; number: number; notes: string[] }>();
const emit = defineEmits<{ close: [] }>();
const draft = useDraft();
useEscape(
  () => true,
  () => (placing.value ? (placing.value = null) : emit('close')),
);

type Balloon = NonNullable<Figure['balloons']>[number];
type Whole = Figure & { balloons: Balloon[]; arrows: NonNullable<Figure['arrows']>; alt: string; caption: string };
/** A mark that can be moved: which, and which end of it. */
interface Grip {
  key: string;
  label: string;
  at: Point;
  set: (to: Point) => void;
  remove: () => void;
}

const copy = (of: Figure): Whole => ({ balloons: [], arrows: [], alt: '', caption: '', ...(JSON.parse(JSON.stringify(of)) as Figure) });
const stands = computed(() => draft.steps.get(props.step)?.figures.find((f) => f.id === props.id));
const shown = computed(() => draft.steps.get(props.step)?.shown[draft.steps.get(props.step)!.figures.findIndex((f) => f.id === props.id)]);
const now = ref<Whole>(copy(stands.value!));
/** What the last change was made from: what the next one says it saw. */
let base = JSON.stringify(now.value);
/** Edits of this figure that were not taken: they stand here until she chooses. */
const turnedDown = computed(() =>
  draft.troubles.map((t) => t.waiting).filter((w) => w.edit?.do === 'putFigure' && w.edit.was?.id === props.id),
);
const refused = computed(() => turnedDown.value.length > 0);
const placing = ref<'balloon' | 'arrow' | 'inset' | 'crop' | null>(null);
const held = ref<string | null>(null);
const board = ref<SVGSVGElement | null>(null);
const rows = ref<HTMLElement | null>(null);

const picture = computed(() => now.value.picture ?? null);
const frame = computed(() => frameOf(picture.value ?? { width: 100, height: 100 }, null));

// What comes from the server (an undo, somebody else's edit) is taken when nothing of hers is on its way.
watch(
  [stands, () => draft.waiting],
  ([figure, waiting]) => {
    if (!figure) {
      say('This figure is gone from its step.');
      return emit('close');
    }
    if (waiting > 0 || refused.value || held.value || touched.value) return;
    const fresh = JSON.stringify(copy(figure));
    if (fresh !== base) [now.value, base] = [copy(figure), fresh];
  },
  { deep: true },
);

const touched = computed(() => JSON.stringify(now.value) !== base);

async function commit(): Promise<void> {
  const here = copy(now.value);
  // A balloon that names nothing yet says so, and holds nothing else up.
  for (const balloon of here.balloons) if (!balloon.thing && !balloon.says.trim()) balloon.says = 'this';
  const mine = JSON.stringify(here);
  if (mine === base || refused.value) return;
  const was = JSON.parse(base) as Figure;
  base = mine;
  await draft.sendAndSettle({ do: 'putFigure', step: props.step, was, now: JSON.parse(mine) as Figure });
}
const soon = useDebounceFn(() => void commit(), 600);
onBeforeUnmount(() => void commit());

/** Somebody else changed it meanwhile: mine goes over it, or theirs stands. */
async function settle(mine: boolean): Promise<void> {
  try {
    await draft.refresh();
  } catch (error) {
    say(troubleOf(error).title);
    return;
  }
  const here = copy(now.value);
  for (const one of turnedDown.value) draft.settle(one, false);
  if (!stands.value) return;
  base = JSON.stringify(copy(stands.value));
  now.value = mine ? here : copy(stands.value);
  await nextTick();
  await commit();
}

/** Those the step has to do with come first. */
const things = computed((): { near: ThingView[]; far: ThingView[] } => {
  const chips = new Set((draft.steps.get(props.step)?.chips ?? []).map((c) => c.target));
  return { near: draft.things.filter((t) => chips.has(t.id)), far: draft.things.filter((t) => !chips.has(t.id)) };
});
const isJoint = (id: string | null | undefined): boolean => draft.thing(id ?? '')?.kind === 'joint';

const bound = (value: number): number => Math.min(WHOLE, Math.max(0, Math.round(value)));
const at = (event: PointerEvent): Point => {
  const box = board.value!.getBoundingClientRect();
  return { x: bound(((event.clientX - box.left) / box.width) * WHOLE), y: bound(((event.clientY - box.top) / box.height) * WHOLE) };
};
const middle = (): Point => ({ x: WHOLE / 2, y: WHOLE / 2 });
/** Beside what it points at, towards the nearer edge, so that it covers little. */
const beside = (tip: Point): Point => ({
  x: bound(tip.x + (tip.x < WHOLE / 2 ? -1200 : 1200)),
  y: bound(tip.y + (tip.y < WHOLE / 2 ? -900 : 900)),
});

/** The next thing of the step that no balloon names; the first of all where there is none. */
function nextThing(): string | null {
  const named = new Set(now.value.balloons.map((b) => b.thing));
  return [...things.value.near, ...things.value.far].find((t) => !named.has(t.id))?.id ?? null;
}

const areaAround = (point: Point, part: number): Area => ({
  x: Math.min(WHOLE - part, Math.max(0, point.x - part / 2)),
  y: Math.min(WHOLE - part, Math.max(0, point.y - part / 2)),
  width: part,
  height: part,
});

async function put(what: NonNullable<typeof placing.value>, point: Point): Promise<void> {
  placing.value = null;
  if (what === 'balloon') {
    const thing = nextThing();
    now.value.balloons.push({ at: beside(point), tip: point, thing, says: thing ? '' : 'this', value: isJoint(thing) });
  } else if (what === 'arrow') now.value.arrows.push({ from: beside(point), to: point });
  else if (what === 'inset') {
    now.value.inset = {
      of: areaAround(point, 1800),
      at: { x: point.x < WHOLE / 2 ? 5800 : 300, y: point.y < WHOLE / 2 ? 5800 : 300 },
      times: 20,
    };
  } else now.value.crop = areaAround(point, 6000);
  void commit();
  await nextTick();
  const grip = what === 'balloon' ? `b${now.value.balloons.length - 1}` : what === 'arrow' ? `t${now.value.arrows.length - 1}` : what;
  board.value?.querySelector<SVGElement>(`[data-grip="${grip}"]`)?.focus();
}

/** The button once: the next click on the picture puts it there. Once more: it is put in the middle, for who has no mouse. */
function tool(what: NonNullable<typeof placing.value>): void {
  if (placing.value === what) void put(what, middle());
  else placing.value = what;
}

const corner = (area: Area): Point => ({ x: area.x + area.width, y: area.y + area.height });
/** Its upper left corner goes elsewhere, and it stays as large as it is. */
const moveTo = (area: Area, to: Point): void => {
  area.x = Math.min(WHOLE - area.width, Math.max(0, to.x));
  area.y = Math.min(WHOLE - area.height, Math.max(0, to.y));
};
const sizeTo = (area: Area, to: Point): void => {
  area.width = Math.min(WHOLE - area.x, Math.max(200, to.x - area.x));
  area.height = Math.min(WHOLE - area.y, Math.max(200, to.y - area.y));
};

const grips = computed((): Grip[] => {
  const figure = now.value;
  const all: Grip[] = [];
  const part = (key: string, name: string, area: Area, remove: () => void): void => {
    all.push({ key, label: `${name}, its upper left corner`, at: { x: area.x, y: area.y }, set: (to) => moveTo(area, to), remove });
    all.push({ key: `${key}2`, label: `${name}, its lower right corner`, at: corner(area), set: (to) => sizeTo(area, to), remove });
  };
  if (figure.crop) part('crop', 'What is shown', figure.crop, () => (figure.crop = null));
  if (figure.inset) {
    const { inset } = figure;
    const remove = (): null => (figure.inset = null);
    part('inset', 'What is enlarged', inset.of, remove);
    all.push({ key: 'inset3', label: 'The enlarged part', at: inset.at, set: (to) => (inset.at = to), remove });
  }
  figure.arrows.forEach((arrow, i) => {
    const remove = (): unknown => figure.arrows.splice(i, 1);
    all.push({ key: `f${i}`, label: `Arrow ${i + 1}, where it begins`, at: arrow.from, set: (to) => (arrow.from = to), remove });
    all.push({ key: `t${i}`, label: `Arrow ${i + 1}, its point`, at: arrow.to, set: (to) => (arrow.to = to), remove });
  });
  figure.balloons.forEach((balloon, i) => {
    const remove = (): unknown => figure.balloons.splice(i, 1);
    const name = draft.thing(balloon.thing ?? '')?.name ?? balloon.says;
    all.push({ key: `p${i}`, label: `What balloon ${i + 1} points at`, at: balloon.tip, set: (to) => (balloon.tip = to), remove });
    all.push({ key: `b${i}`, label: `Balloon ${i + 1}, ${name}`, at: balloon.at, set: (to) => (balloon.at = to), remove });
  });
  return all;
});
const isRound = (key: string): boolean => /^b\d/.test(key);
const spot = (grip: Grip): Point => placed(grip.at, picture.value!, frame.value, isRound(grip.key) ? SIZES.radius * frame.value.unit : 0);

function down(event: PointerEvent, grip?: Grip): void {
  if (!draft.canEdit) return;
  if (placing.value && !grip) void put(placing.value, at(event));
  else if (grip) {
    held.value = grip.key;
    board.value?.setPointerCapture(event.pointerId);
    event.stopPropagation();
  }
}

function move(event: PointerEvent): void {
  grips.value.find((g) => g.key === held.value)?.set(at(event));
}

function up(): void {
  if (held.value === null) return;
  held.value = null;
  void commit();
}

const ways: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
function key(event: KeyboardEvent, grip: Grip): void {
  const way = ways[event.key];
  if (!draft.canEdit || event.ctrlKey || event.metaKey || event.altKey) return;
  if (way) {
    const by = event.shiftKey ? 500 : 100;
    grip.set({ x: bound(grip.at.x + way[0] * by), y: bound(grip.at.y + way[1] * by) });
    void soon();
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    grip.remove();
    void commit();
    void nextTick(() => rows.value?.querySelector<HTMLElement>('button')?.focus());
  } else return;
  event.preventDefault();
  event.stopPropagation();
}

function earlier(i: number): void {
  const [balloon] = now.value.balloons.splice(i, 1);
  now.value.balloons.splice(i - 1, 0, balloon!);
  void commit();
}

function name(balloon: Balloon, thing: string): void {
  balloon.thing = thing || null;
  balloon.value = isJoint(thing) && balloon.value;
  if (!thing && !balloon.says.trim()) balloon.says = 'this';
  void commit();
}

/** The whole figure goes to another step, or away. */
async function goTo(step: string): Promise<void> {
  await commit();
  draft.send({ do: 'moveFigure', id: props.id, step, place: draft.steps.get(step)?.figures.length ?? 0 });
  say(`The figure goes to step ${draft.numberOf(step)}. Ctrl+Z takes it back.`);
  emit('close');
}

async function remove(): Promise<void> {
  await commit();
  draft.send({ do: 'putFigure', step: props.step, was: JSON.parse(base) as Figure, now: null });
  base = JSON.stringify(now.value);
  say('The figure is gone. Ctrl+Z brings it back.');
  emit('close');
}

const tools = [
  { what: 'balloon', does: 'Balloon' },
  { what: 'arrow', does: 'Arrow' },
  { what: 'inset', does: 'Enlarge a part' },
  { what: 'crop', does: 'Show only a part' },
] as const;
const taken = (what: string): boolean => (what === 'inset' && !!now.value.inset) || (what === 'crop' && !!now.value.crop);
const dots = (area: Area): Area => dotsOf(picture.value!, area);
</script>

<template>
  <a-modal
    :open="true"
    :title="`Figure ${number}, step ${draft.numberOf(step)}`"
    :width="1120"
    :footer="null"
    wrap-class-name="wide-dialog"
    @cancel="emit('close')"
  >
    <p v-for="note in notes" :key="note" class="left-out">{{ note }}</p>
    <p v-if="refused" class="left-out" role="alert">
      <strong>Not taken.</strong> Somebody else changed this figure, or what it names is gone. What you drew stands here.
      <ActButton size="small" @click="settle(true)">Put mine over it</ActButton>
      <ActButton size="small" @click="settle(false)">Take what stands</ActButton>
    </p>
    <div class="sides">
      <div class="stage">
        <template v-if="picture">
          <div v-if="draft.canEdit" class="tools" role="group" aria-label="Put on the picture">
            <ActButton
              v-for="one in tools"
              :key="one.what"
              :aria-pressed="placing === one.what"
              :class="{ placing: placing === one.what }"
              :disabled="taken(one.what)"
              @click="tool(one.what)"
              >{{ one.does }}</ActButton
            >
          </div>
          <p class="quiet hint" role="status">
            {{
              placing
                ? 'Click where it belongs, or press the button again to put it in the middle. Esc: not now.'
                : draft.canEdit
                  ? 'Drag a mark to move it; or Tab to it and use the arrow keys, with Shift further. Delete takes it away.'
                  : ''
            }}
          </p>
          <div class="picture" :style="{ maxWidth: `calc(62vh * ${picture.width / picture.height})` }">
            <FigureDrawing :figure="drawn(now)" :revision="draft.revision!.id" />
            <svg
              ref="board"
              class="board"
              :class="{ placing }"
              :viewBox="`0 0 ${picture.width} ${picture.height}`"
              @pointerdown="down($event)"
              @pointermove="move"
              @pointerup="up"
              @pointercancel="up"
            >
              <path
                v-if="now.crop"
                class="outside"
                fill-rule="evenodd"
                :d="`M0 0H${picture.width}V${picture.height}H0ZM${dots(now.crop).x} ${dots(now.crop).y}h${dots(now.crop).width}v${dots(now.crop).height}h${-dots(now.crop).width}Z`"
              />
              <g
                v-for="grip in grips"
                :key="grip.key"
                :data-grip="grip.key"
                :tabindex="draft.canEdit ? 0 : -1"
                role="button"
                :aria-label="grip.label"
                @pointerdown="down($event, grip)"
                @keydown="key($event, grip)"
              >
                <circle :cx="spot(grip).x" :cy="spot(grip).y" :r="frame.unit" class="touch" />
                <circle
                  v-if="isRound(grip.key)"
                  :cx="spot(grip).x"
                  :cy="spot(grip).y"
                  :r="SIZES.radius * 1.25 * frame.unit"
                  class="round"
                />
                <rect
                  v-else
                  :x="spot(grip).x - 1.4 * frame.unit"
                  :y="spot(grip).y - 1.4 * frame.unit"
                  :width="2.8 * frame.unit"
                  :height="2.8 * frame.unit"
                  class="end"
                  :stroke-width="0.3 * frame.unit"
                />
              </g>
            </svg>
          </div>
        </template>
        <FigureShown v-else-if="shown" :figure="{ ...shown, number }" :revision="draft.revision!.id" />
      </div>
      <div ref="rows" class="rows">
        <label class="field"
          >What is to be seen, for who does not see it
          <textarea
            v-model="now.alt"
            rows="2"
            maxlength="300"
            :disabled="!draft.canEdit"
            placeholder="The hub from outside: the cap is off, the pin sticks through the nut."
            @input="soon"
            @change="commit"
          ></textarea>
        </label>
        <label class="field"
          >Line under it
          <input v-model="now.caption" class="plain" maxlength="200" :disabled="!draft.canEdit" @input="soon" @change="commit" />
        </label>
        <fieldset v-for="(balloon, i) in now.balloons" :key="i" class="balloon" :disabled="!draft.canEdit">
          <legend class="visually-hidden">Balloon {{ i + 1 }}</legend>
          <span class="number figures" aria-hidden="true">{{ i + 1 }}</span>
          <select
            class="plain"
            :aria-label="`What balloon ${i + 1} names`"
            :value="balloon.thing ?? ''"
            @change="name(balloon, ($event.target as HTMLSelectElement).value)"
          >
            <optgroup v-if="things.near.length" label="In this step">
              <option v-for="thing in things.near" :key="thing.id" :value="thing.id">{{ thing.id }} {{ thing.name }}</option>
            </optgroup>
            <optgroup v-if="things.far.length" label="On the sheet">
              <option v-for="thing in things.far" :key="thing.id" :value="thing.id">{{ thing.id }} {{ thing.name }}</option>
            </optgroup>
            <option value="">nothing on the sheet: words of its own</option>
          </select>
          <input
            v-model="balloon.says"
            class="plain"
            maxlength="80"
            :aria-label="`Words of balloon ${i + 1}`"
            :placeholder="balloon.thing ? 'more to say of it' : 'what it is'"
            @input="soon"
            @change="commit"
          />
          <span class="more">
            <label v-if="isJoint(balloon.thing)"><input v-model="balloon.value" type="checkbox" @change="commit" /> with its torque</label>
            <ActButton v-if="i > 0" size="small" :aria-label="`Balloon ${i + 1}: earlier`" @click="earlier(i)">earlier</ActButton>
            <ActButton
              size="small"
              :aria-label="`Balloon ${i + 1}: take away`"
              @click="
                now.balloons.splice(i, 1);
                void commit();
              "
              >take away</ActButton
            >
          </span>
        </fieldset>
        <p v-if="picture && !now.balloons.length" class="quiet">
          A balloon names a joint or a part of the sheet: when it is renamed or its value changes, the figure says so by itself.
        </p>
        <label v-if="now.inset" class="field line"
          >Enlarged
          <input
            v-model.number="now.inset.times"
            type="range"
            min="11"
            max="60"
            :disabled="!draft.canEdit"
            :aria-valuetext="`${now.inset.times / 10} times`"
            @change="commit"
          />
          <span class="figures">{{ now.inset.times / 10 }} ×</span>
        </label>
        <p v-if="draft.canEdit && (now.inset || now.crop)" class="more">
          <ActButton
            v-if="now.inset"
            size="small"
            @click="
              now.inset = null;
              void commit();
            "
            >enlarge nothing</ActButton
          >
          <ActButton
            v-if="now.crop"
            size="small"
            @click="
              now.crop = null;
              void commit();
            "
            >show all of the picture</ActButton
          >
        </p>
        <div v-if="draft.canEdit" class="foot">
          <label
            >Move to step
            <select class="plain" :value="step" @change="goTo(($event.target as HTMLSelectElement).value)">
              <option v-for="other in draft.order" :key="other" :value="other">{{ draft.numberOf(other) }}</option>
            </select></label
          >
          <ActButton size="small" danger @click="remove">Delete the figure</ActButton>
        </div>
      </div>
    </div>
  </a-modal>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 20px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.tools .placing {
  color: var(--on-mark);
  background: var(--moss);
}

.hint {
  min-height: 20px;
  margin: 4px 0 6px;
  font-size: 13px;
}

.picture {
  position: relative;
  border: 1px solid var(--line-strong);
}

.board {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
}

.board.placing {
  cursor: crosshair;
}

.outside {
  fill: rgb(0 0 0 / 45%);
}

/* A finger's breadth, however small the picture is shown. */
.touch {
  fill: transparent;
  stroke: transparent;
  stroke-width: 22px;
  vector-effect: non-scaling-stroke;
  pointer-events: all;
}

.round,
.end {
  fill: transparent;
  cursor: grab;
}

.end {
  fill: rgb(255 255 255 / 35%);
  stroke: #4b5d3a;
}

g:focus-visible {
  outline: none;
}

g:focus-visible .round,
g:focus-visible .end {
  stroke: #c98a1b;
  stroke-width: 1%;
}

.rows {
  display: grid;
  gap: 12px;
  align-content: start;
  max-height: 72vh;
  overflow: auto;
  padding: 2px;
}

.field {
  display: grid;
  gap: 3px;
  font-size: 13.5px;
  color: var(--ink-soft);
}

.field.line {
  grid-template-columns: auto 1fr 46px;
  align-items: center;
}

textarea {
  font: 15px/1.4 var(--text);
  color: var(--ink);
  background: var(--field);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  padding: 4px 8px;
  resize: vertical;
}

.balloon {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  gap: 4px 6px;
  margin: 0;
  padding: 8px 0 0;
  border: 0;
  border-top: 1px solid var(--line);
}

.balloon > :not(.number, legend) {
  grid-column: 2;
  min-width: 0;
}

.number {
  grid-row: 1;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  font-weight: 700;
  font-size: 13px;
  line-height: 21px;
  text-align: center;
}

.more {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin: 0;
  font-size: 13.5px;
}

.foot {
  flex-wrap: wrap;
  justify-content: space-between;
}

.left-out {
  padding: 6px 12px;
  border-left: 3px solid var(--ochre);
  background: var(--field);
}

@media (width <= 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }

  .rows {
    max-height: none;
  }
}
</style>
