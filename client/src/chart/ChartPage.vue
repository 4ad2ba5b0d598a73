<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core';
import { computed, nextTick, ref, watch } from 'vue';
import { api, take, type ChartRow } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import { colourOf, isDark } from '../shared/look';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { useWalkAs } from '../shared/walkAs';
import { bandAt, cellAt, columnFor, columnX, draw, extent, rowY, size, type Cell, type Inks, type View } from './drawing';
import ChartLegend from './ChartLegend.vue';
import TroubleNote from '../shared/TroubleNote.vue';

/** Every thing a row, every step a column: what is left open is seen at a glance. */
const draft = useDraft();
const cursor = useCursor();
const walkAs = useWalkAs();
const { answer: chart, trouble } = useAsked(
  () => walkAs.key,
  (id, as) => take(api.GET('/api/revisions/{id}/chart', { params: { path: { id }, query: { as } } })),
);
const openOnly = ref(false);
const asText = ref(false);
const scroller = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const cell = ref<Cell | null>(null);
const { width, height } = useElementSize(scroller);

const rows = computed<ChartRow[]>(() => (chart.value?.rows ?? []).filter((r) => !openOnly.value || r.openAtEnd));
const openCount = computed(() => (chart.value?.rows ?? []).filter((r) => r.openAtEnd).length);
const column = computed(() => columnFor(chart.value?.steps ?? 0, width.value));
const whole = computed(() => (chart.value ? extent(chart.value, rows.value.length, column.value) : { width: 0, height: 0 }));

let inks: Inks | null = null;
function readInks(): Inks {
  const style = getComputedStyle(document.documentElement);
  const font = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  const of = colourOf;
  return {
    onMark: of('on-mark'),
    paper: of('paper'),
    sheet: of('sheet'),
    ink: of('ink'),
    soft: of('ink-soft'),
    line: of('line'),
    moss: of('moss'),
    mossPale: of('moss-pale'),
    clay: of('clay'),
    clayPale: of('clay-pale'),
    ochre: of('ochre-mark'),
    figures: font('figures'),
    text: font('text'),
    heading: font('heading'),
  };
}

const view = (): View => ({
  left: scroller.value?.scrollLeft ?? 0,
  top: scroller.value?.scrollTop ?? 0,
  width: width.value,
  height: height.value,
  column: column.value,
});

let asked = 0;
function paint(): void {
  if (asked) return;
  asked = requestAnimationFrame(() => {
    asked = 0;
    const target = canvas.value;
    const context = target?.getContext('2d', { alpha: false });
    if (!target || !context || !chart.value || width.value === 0) return;
    const ratio = window.devicePixelRatio || 1;
    const [w, h] = [Math.round(width.value * ratio), Math.round(height.value * ratio)];
    if (target.width !== w || target.height !== h) [target.width, target.height] = [w, h];
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    inks ??= readInks();
    const begun = performance.now();
    draw(context, chart.value, rows.value, view(), cell.value, inks);
    performance.measure('chart', { start: begun, end: performance.now() });
  });
}

watch([chart, rows, cell, width, height], paint);
// After the page has its other colours.
watch(
  isDark,
  () => {
    inks = null;
    paint();
  },
  { flush: 'post' },
);
watch(asText, async (text) => {
  await nextTick();
  if (!text) paint();
});
void document.fonts.ready.then(paint);
useEventListener(scroller, 'scroll', paint, { passive: true });

const said = computed(() => {
  const at = cell.value;
  const row = at ? rows.value[at.row] : undefined;
  if (!at || !row) return '';
  const band = bandAt(row, at.step);
  const since = band && band.from > 0 ? ` since step ${band.from}` : '';
  const touched = row.touched.includes(at.step) ? ' This step does it.' : '';
  const end = row.openAtEnd && band === row.bands.at(-1) ? ' Left open.' : '';
  return `${row.sheetId} ${row.name}, ${at.step === 0 ? 'at the beginning' : `after step ${at.step}`}: ${band?.says ?? ''}${since}.${touched}${end}`.trim();
});

function show(next: Cell): void {
  cell.value = next;
  const box = scroller.value;
  if (!box) return;
  const v = view();
  const [x, y] = [columnX(next.step, v), rowY(next.row, v)];
  if (x < size.names) box.scrollLeft -= size.names - x;
  else if (x + v.column > v.width) box.scrollLeft += x + v.column - v.width + 4;
  if (y < size.head) box.scrollTop -= size.head - y;
  else if (y + size.row > v.height) box.scrollTop += y + size.row - v.height + 4;
}

function key(event: KeyboardEvent): void {
  if (!chart.value || rows.value.length === 0 || event.ctrlKey || event.altKey || event.metaKey) return;
  const at = cell.value ?? { row: 0, step: Math.max(0, cursor.step ? draft.numberOf(cursor.step) : 0) };
  const row = rows.value[at.row];
  const page = Math.max(1, Math.floor((height.value - size.head) / size.row) - 1);
  const to = (row: number, step: number): Cell => ({
    row: Math.min(rows.value.length - 1, Math.max(0, row)),
    step: Math.min(chart.value?.steps ?? 0, Math.max(0, step)),
  });
  const moves: Record<string, () => Cell> = {
    ArrowRight: () => to(at.row, cell.value ? at.step + 1 : at.step),
    ArrowLeft: () => to(at.row, cell.value ? at.step - 1 : at.step),
    ArrowDown: () => to(cell.value ? at.row + 1 : at.row, at.step),
    ArrowUp: () => to(cell.value ? at.row - 1 : at.row, at.step),
    Home: () => to(at.row, 0),
    End: () => to(at.row, chart.value?.steps ?? 0),
    PageDown: () => to(at.row + page, at.step),
    PageUp: () => to(at.row - page, at.step),
    // To the next change of this row, and the one before.
    n: () => to(at.row, row?.bands.find((b) => b.from > at.step)?.from ?? at.step),
    p: () => to(at.row, row?.bands.findLast((b) => b.from < at.step)?.from ?? at.step),
  };
  const move = moves[event.key];
  if (move) {
    event.preventDefault();
    show(move());
  } else if (event.key === 'Enter' && cell.value && cell.value.step > 0) {
    event.preventDefault();
    void cursor.goToNumber(cell.value.step);
  }
}

function point(event: MouseEvent, go: boolean): void {
  const box = canvas.value?.getBoundingClientRect();
  if (!box || !chart.value) return;
  const found = cellAt(event.clientX - box.left, event.clientY - box.top, chart.value, rows.value.length, view());
  if (!found) return;
  cell.value = found;
  if (!go) return;
  // A click on a name goes to where the row was last changed.
  const step = event.clientX - box.left < size.names ? (rows.value[found.row]?.bands.at(-1)?.from ?? 0) : found.step;
  if (step > 0) void cursor.goToNumber(step);
}
</script>

<template>
  <main id="main" class="chart" aria-label="Chart">
    <div class="head">
      <h1>Chart</h1>
      <label><input v-model="openOnly" type="checkbox" /> only what is left open ({{ openCount }})</label>
      <label><input v-model="asText" type="checkbox" /> as text</label>
      <ChartLegend />
    </div>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-else-if="chart && rows.length === 0" class="note">
      {{
        openOnly
          ? 'Nothing is left open: every joint, part, connection and aid ends as it should.'
          : 'Nothing to show yet: write the first step, and what it names becomes a row.'
      }}
    </p>
    <div v-else-if="asText && chart" class="texts" tabindex="0" aria-label="The chart as text">
      <table>
        <thead>
          <tr>
            <th scope="col">Row</th>
            <th scope="col">States, from the step that brings them</th>
            <th scope="col">In the end</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <th scope="row">
              <span class="figures">{{ row.sheetId }}</span> {{ row.name }}
            </th>
            <td>
              <span v-for="band in row.bands" :key="band.from" class="band" :class="{ open: band.open }"
                ><button
                  v-if="band.from > 0"
                  type="button"
                  class="figures"
                  :aria-label="`Go to step ${band.from}`"
                  @click="cursor.goToNumber(band.from)"
                >
                  {{ band.from }}</button
                ><template v-else>at first</template> {{ band.says }}</span
              >
            </td>
            <td :class="{ left: row.openAtEnd }">{{ row.openAtEnd ? 'left open' : 'as it should be' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-else-if="chart">
      <div
        ref="scroller"
        class="scroller"
        tabindex="0"
        role="application"
        aria-label="Chart of states by step. Arrow keys move, N and P go to the next and the last change, Enter goes to the step. Tick “as text” for a table."
        aria-describedby="chart-said"
        @keydown="key"
        @focus="cell ??= { row: 0, step: 0 }"
      >
        <canvas
          ref="canvas"
          :style="{ width: `${width}px`, height: `${height}px` }"
          aria-hidden="true"
          @mousemove="point($event, false)"
          @click="point($event, true)"
        ></canvas>
        <div class="extent" :style="{ width: `${whole.width}px`, height: `${whole.height}px` }"></div>
      </div>
      <p id="chart-said" class="said" role="status">{{ said || 'Point at a cell, or use the arrow keys; a click goes to the step.' }}</p>
    </template>
  </main>
</template>

<style scoped>
.chart {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}

.head {
  display: flex;
  align-items: baseline;
  gap: 22px;
  padding: 10px 16px 8px;
}

.head label {
  font-size: 14px;
}

@media (width <= 980px) {
  .head {
    flex-wrap: wrap;
    gap: 4px 16px;
  }
}

.note {
  margin: 20px 16px;
}

.scroller {
  flex: 1;
  min-height: 0;
  overflow: auto;
  position: relative;
  border-top: 1px solid var(--line-strong);
}

.scroller:focus-visible {
  outline: 2px solid var(--ochre-mark);
  outline-offset: -2px;
}

canvas {
  position: sticky;
  left: 0;
  top: 0;
  display: block;
  cursor: pointer;
}

/* What is scrolled is this; the canvas stays and draws what of it is in sight. */
.extent {
  position: absolute;
  top: 0;
  left: 0;
  pointer-events: none;
}

.said {
  margin: 0;
  padding: 7px 16px;
  min-height: 34px;
  font-size: 14.5px;
  border-top: 1px solid var(--line-strong);
  background: var(--sheet);
}

.texts {
  flex: 1;
  overflow: auto;
  padding: 0 16px 30px;
}

table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
}

thead th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 8px;
  border-bottom: 1.5px solid var(--ink);
}

tbody th,
td {
  text-align: left;
  vertical-align: top;
  font-weight: 400;
  font-size: 14px;
  padding: 5px 8px;
  border-bottom: 1px solid var(--line);
}

tbody th {
  width: 220px;
}

.band {
  margin-right: 14px;
}

.band.open,
.left {
  color: var(--clay);
}

.left {
  font-weight: 700;
}

.band button {
  font-size: 12.5px;
  color: inherit;
  background: none;
  border: 0;
  padding: 0 2px;
  text-decoration: underline;
  cursor: pointer;
}
</style>
