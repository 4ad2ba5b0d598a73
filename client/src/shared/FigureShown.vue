<script setup lang="ts">
import type { PrintedFigure } from './api/client';
import FigureDrawing from './FigureDrawing.vue';

/** A figure with its number, the line under it, and what its balloons name. */
defineProps<{ figure: PrintedFigure; revision: number }>();
</script>

<template>
  <figure class="shown">
    <FigureDrawing :figure="figure" :revision="revision" />
    <figcaption>
      <strong>Figure {{ figure.number }}</strong
      ><template v-if="figure.caption">: {{ figure.caption }}</template>
      <ol v-if="figure.balloons.length">
        <li v-for="balloon in figure.balloons" :key="balloon.number">
          {{ balloon.says }}<strong v-if="balloon.value" class="figures value">{{ balloon.value }}</strong>
        </li>
      </ol>
    </figcaption>
  </figure>
</template>

<style scoped>
.shown {
  margin: 0;
}

.shown :deep(.figure-drawing) {
  border: 1px solid var(--line-strong);
}

figcaption {
  margin-top: 3px;
  font-size: 0.88em;
  line-height: 1.35;
}

ol {
  margin: 2px 0 0;
  padding: 0;
  list-style: none;
  counter-reset: balloon;
}

li {
  position: relative;
  min-height: 19px;
  margin-bottom: 2px;
  padding-left: 24px;
  counter-increment: balloon;
}

.value {
  margin-left: 6px;
}

li::before {
  content: counter(balloon);
  position: absolute;
  left: 0;
  top: 0;
  width: 18px;
  height: 18px;
  border: 1px solid currentcolor;
  border-radius: 50%;
  font: 700 11px/16px var(--figures);
  text-align: center;
}
</style>
