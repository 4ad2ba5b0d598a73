<script setup lang="ts">
import { computed } from 'vue';

/**
 * A tightening pattern: where the fasteners lie, the order in the rings, the position numbers beside them. Black on white says
 * it all: the first one is filled, the way from one to the next is a thin line.
 */
const props = withDefaults(
  defineProps<{ places: readonly { x: number; y: number }[]; order: readonly number[]; size?: number; name: string }>(),
  { size: 200 },
);

const count = computed(() => props.places.length);
const radius = computed(() => (count.value > 24 ? 3.4 : count.value > 12 ? 5.4 : count.value > 8 ? 7.5 : 10));
const centre = computed(() => ({
  x: props.places.reduce((sum, p) => sum + p.x, 0) / Math.max(1, count.value),
  y: props.places.reduce((sum, p) => sum + p.y, 0) / Math.max(1, count.value),
}));
const box = computed(() => {
  const pad = radius.value * 2.4;
  const xs = props.places.map((p) => p.x);
  const ys = props.places.map((p) => p.y);
  const [left, right, top, bottom] = [Math.min(...xs) - pad, Math.max(...xs) + pad, Math.min(...ys) - pad, Math.max(...ys) + pad];
  return { left, top, width: right - left, height: bottom - top };
});
const spots = computed(() =>
  props.places.map((place, i) => {
    const number = i + 1;
    const turn = props.order.indexOf(number) + 1;
    const dx = place.x - centre.value.x;
    const dy = place.y - centre.value.y;
    const far = Math.hypot(dx, dy) || 1;
    const out = radius.value * 1.62;
    return {
      number,
      turn,
      x: place.x,
      y: place.y,
      // The position number stands on the side away from the middle; in the middle, below.
      nx: far < 2 ? place.x : place.x + (dx / far) * out,
      ny: far < 2 ? place.y + out : place.y + (dy / far) * out,
    };
  }),
);
const way = computed(() =>
  props.order
    .map((n) => props.places[n - 1])
    .filter((p) => p !== undefined)
    .map((p) => `${p.x},${p.y}`)
    .join(' '),
);
const label = computed(() => `${props.name}: tighten in the order ${props.order.join(', ')}; position 1 is at the top or left`);
</script>

<template>
  <svg
    class="pattern"
    role="img"
    :aria-label="label"
    :viewBox="`${box.left} ${box.top} ${box.width} ${box.height}`"
    :width="box.width >= box.height ? size : (size * box.width) / box.height"
    :height="box.width >= box.height ? (size * box.height) / box.width : size"
  >
    <polyline v-if="count <= 24" :points="way" class="way" />
    <g v-for="spot in spots" :key="spot.number">
      <circle :cx="spot.x" :cy="spot.y" :r="radius" :class="{ first: spot.turn === 1 }" />
      <text :x="spot.x" :y="spot.y" :font-size="radius * 1.15" class="turn" :class="{ first: spot.turn === 1 }">{{ spot.turn }}</text>
      <text :x="spot.nx" :y="spot.ny" :font-size="radius * 0.72" class="number">{{ spot.number }}</text>
    </g>
  </svg>
</template>

<style scoped>
.way {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.4;
  stroke-dasharray: 1.6 1.2;
}

circle {
  fill: var(--field);
  stroke: var(--ink);
  stroke-width: 0.9;
}

circle.first {
  fill: var(--ink);
}

text {
  font-family: var(--figures);
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
}

.turn {
  font-weight: 700;
}

.turn.first {
  fill: var(--field);
}

.number {
  fill: var(--ink-soft);
}
</style>
