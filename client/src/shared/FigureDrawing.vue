<script setup lang="ts">
import { computed, useId } from 'vue';
import type { PrintedFigure } from './api/client';
import { arrowOf, dotsOf, frameOf, pictureAt, placed, SIZES } from './figure';
import PatternDrawing from './PatternDrawing.vue';

/**
 * A figure: its picture, and over it balloons, arrows and the enlarged part, in black with a white edge, so that they are seen on any
 * picture and any print. Pictures stand on white, by night, too.
 */
const props = defineProps<{ figure: PrintedFigure; revision: number }>();
const id = useId();
const picture = computed(() => props.figure.picture ?? null);
const frame = computed(() => (picture.value ? frameOf(picture.value, props.figure.crop) : null));
const balloons = computed(() =>
  props.figure.balloons.map((b) => ({
    number: b.number,
    at: placed(b.at, picture.value!, frame.value!, SIZES.radius * frame.value!.unit),
    tip: placed(b.tip, picture.value!, frame.value!),
  })),
);
const arrows = computed(() =>
  props.figure.arrows.map((a) =>
    arrowOf(placed(a.from, picture.value!, frame.value!), placed(a.to, picture.value!, frame.value!), frame.value!.unit),
  ),
);
const inset = computed(() => {
  const { inset: part } = props.figure;
  if (!part || !picture.value) return null;
  const of = dotsOf(picture.value, part.of);
  const [width, height] = [(of.width * part.times) / 10, (of.height * part.times) / 10];
  // All of it stays within what is shown, as far as it is no larger.
  const edge = frame.value!;
  const room = { ...edge, width: Math.max(0, edge.width - width), height: Math.max(0, edge.height - height) };
  return { of, at: { ...placed(part.at, picture.value, room), width, height } };
});
</script>

<template>
  <svg
    v-if="picture && frame"
    class="figure-drawing"
    role="img"
    :aria-label="figure.alt || `Figure ${figure.number}, not described`"
    :viewBox="`${frame.x} ${frame.y} ${frame.width} ${frame.height}`"
    :style="{ aspectRatio: `${frame.width} / ${frame.height}` }"
  >
    <image :id="id" :href="pictureAt(revision, picture.key)" :width="picture.width" :height="picture.height" />
    <template v-if="inset">
      <rect v-bind="inset.of" fill="none" stroke="#fff" :stroke-width="SIZES.edge * frame.unit" />
      <rect
        v-bind="inset.of"
        fill="none"
        stroke="#000"
        :stroke-width="SIZES.line * frame.unit"
        :stroke-dasharray="`${frame.unit} ${frame.unit}`"
      />
      <rect v-bind="inset.at" fill="#fff" />
      <svg v-bind="inset.at" :viewBox="`${inset.of.x} ${inset.of.y} ${inset.of.width} ${inset.of.height}`" preserveAspectRatio="none">
        <use :href="`#${id}`" />
      </svg>
      <rect v-bind="inset.at" fill="none" stroke="#000" :stroke-width="2 * SIZES.line * frame.unit" />
    </template>
    <template v-for="(arrow, i) in arrows" :key="`a${i}`">
      <path :d="arrow.shaft" stroke="#fff" :stroke-width="(SIZES.shaft + SIZES.edge - SIZES.line) * frame.unit" />
      <path :d="arrow.head" fill="#fff" stroke="#fff" :stroke-width="(SIZES.edge - SIZES.line) * frame.unit" />
      <path :d="arrow.shaft" stroke="#000" :stroke-width="SIZES.shaft * frame.unit" />
      <path :d="arrow.head" fill="#000" />
    </template>
    <template v-for="balloon in balloons" :key="balloon.number">
      <path
        :d="`M${balloon.at.x} ${balloon.at.y}L${balloon.tip.x} ${balloon.tip.y}`"
        stroke="#fff"
        :stroke-width="SIZES.edge * frame.unit"
      />
      <circle :cx="balloon.tip.x" :cy="balloon.tip.y" :r="(SIZES.dot + (SIZES.edge - SIZES.line) / 2) * frame.unit" fill="#fff" />
      <path
        :d="`M${balloon.at.x} ${balloon.at.y}L${balloon.tip.x} ${balloon.tip.y}`"
        stroke="#000"
        :stroke-width="SIZES.line * frame.unit"
      />
      <circle :cx="balloon.tip.x" :cy="balloon.tip.y" :r="SIZES.dot * frame.unit" fill="#000" />
      <circle
        :cx="balloon.at.x"
        :cy="balloon.at.y"
        :r="SIZES.radius * frame.unit"
        fill="#fff"
        stroke="#000"
        :stroke-width="SIZES.line * frame.unit"
      />
      <text :x="balloon.at.x" :y="balloon.at.y" :font-size="SIZES.letters * frame.unit">{{ balloon.number }}</text>
    </template>
  </svg>
  <PatternDrawing
    v-else-if="figure.pattern"
    :places="figure.pattern.places"
    :order="figure.pattern.order"
    :size="220"
    :name="figure.pattern.name"
  />
  <p v-else class="quiet">{{ figure.alt }}</p>
</template>

<style scoped>
.figure-drawing {
  display: block;
  width: 100%;
  background: #fff;
}

text {
  font-family: var(--figures);
  font-weight: 700;
  text-anchor: middle;
  dominant-baseline: central;
  fill: #000;
}
</style>
