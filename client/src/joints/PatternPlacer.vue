<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useEscape } from '../shared/escape';
import ActButton from '../shared/ActButton.vue';

/** Places the fasteners of a free layout: a click sets the next one, dragging or the arrow keys move one. What is written is the pattern's text. */
const open = defineModel<boolean>('open', { required: true });
const props = defineProps<{ count: number; pattern: string; name: string }>();
const emit = defineEmits<{ place: [pattern: string] }>();
useEscape(
  () => open.value,
  () => (open.value = false),
);
const spots = ref<{ x: number; y: number }[]>([]);
const board = ref<SVGSVGElement | null>(null);
const held = ref<number | null>(null);

watch(open, (now) => {
  if (!now) return;
  const free = /^free ([^;]*)/.exec(props.pattern)?.[1] ?? '';
  spots.value = free
    .split('|')
    .map((place) => place.split(',').map(Number))
    .filter((xy) => xy.length === 2 && xy.every(Number.isFinite))
    .map(([x, y]) => ({ x: x ?? 0, y: y ?? 0 }))
    .slice(0, props.count);
});

function at(event: PointerEvent): { x: number; y: number } {
  const box = board.value?.getBoundingClientRect();
  if (!box) return { x: 0, y: 0 };
  const grid = (part: number): number => Math.min(100, Math.max(0, Math.round(part * 100)));
  return { x: grid((event.clientX - box.left) / box.width), y: grid((event.clientY - box.top) / box.height) };
}

function down(event: PointerEvent): void {
  const point = at(event);
  const near = spots.value.findIndex((s) => Math.hypot(s.x - point.x, s.y - point.y) < 6);
  if (near >= 0) held.value = near;
  else if (spots.value.length < props.count) held.value = spots.value.push(point) - 1;
  else return;
  board.value?.setPointerCapture(event.pointerId);
}

function move(event: PointerEvent): void {
  if (held.value !== null) spots.value[held.value] = at(event);
}

const steps: Record<string, [number, number]> = { ArrowLeft: [-2, 0], ArrowRight: [2, 0], ArrowUp: [0, -2], ArrowDown: [0, 2] };
function key(event: KeyboardEvent, i: number): void {
  const by = steps[event.key];
  const spot = spots.value[i];
  if (by && spot) {
    event.preventDefault();
    spots.value[i] = { x: Math.min(100, Math.max(0, spot.x + by[0])), y: Math.min(100, Math.max(0, spot.y + by[1])) };
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault();
    spots.value.splice(i, 1);
  }
}

/** For who has no mouse: the next one in the middle, to be moved by the arrow keys. */
function addByKey(): void {
  spots.value.push({ x: 50, y: 50 });
}

const missing = computed(() => props.count - spots.value.length);
const text = computed(() => `free ${spots.value.map((s) => `${s.x},${s.y}`).join(' | ')}`);

function take(): void {
  emit('place', text.value);
  open.value = false;
}
</script>

<template>
  <a-modal v-model:open="open" :title="`Where the ${count} ${name} lie`" :width="560" :footer="null">
    <p class="quiet">
      A click sets the next one, in the order of their numbers. Drag one to move it, or use the arrow keys; Delete takes it away.
    </p>
    <svg ref="board" viewBox="0 0 100 100" class="board" @pointerdown="down" @pointermove="move" @pointerup="held = null">
      <g
        v-for="(spot, i) in spots"
        :key="i"
        tabindex="0"
        role="button"
        :aria-label="`Position ${i + 1}, ${spot.x} across, ${spot.y} down`"
        @keydown="key($event, i)"
      >
        <circle :cx="spot.x" :cy="spot.y" r="4.5" />
        <text :x="spot.x" :y="spot.y">{{ i + 1 }}</text>
      </g>
    </svg>
    <div class="foot">
      <ActButton type="primary" :disabled="missing !== 0" @click="take">Lay them so</ActButton>
      <ActButton :disabled="missing === 0" @click="addByKey">Set the next in the middle</ActButton>
      <span class="quiet" role="status">{{ missing > 0 ? `${missing} to set` : 'all set' }}</span>
    </div>
  </a-modal>
</template>

<style scoped>
.board {
  display: block;
  width: 420px;
  height: 420px;
  margin: 0 auto;
  background: var(--field);
  border: 1px solid var(--line-strong);
  cursor: crosshair;
  touch-action: none;
}

circle {
  fill: var(--field);
  stroke: var(--ink);
  stroke-width: 0.6;
  cursor: grab;
}

text {
  font: 700 4.5px var(--figures);
  text-anchor: middle;
  dominant-baseline: central;
  pointer-events: none;
}
</style>
