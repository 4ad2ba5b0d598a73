<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import { colourOf, isDark } from '../shared/look';
import { drawMark } from './drawing';

/** What the marks of the chart say, drawn by the same hand. The joints' glyphs are one key away (?). */
const marks: [string, string, boolean][] = [
  ['on', 'on', false],
  ['off', 'off', true],
  ['hung', 'hung aside', true],
  ['carried', 'off, on its part', true],
  ['box', 'in the kit', true],
  ['connected', 'connected', false],
  ['disconnected', 'open', true],
  ['placed', 'aid in place', true],
  ['stands', 'on stands', true],
];
const root = ref<HTMLElement | null>(null);

function draw(): void {
  root.value?.querySelectorAll('canvas').forEach((canvas, i) => {
    const context = canvas.getContext('2d');
    const mark = marks[i];
    if (!context || !mark) return;
    context.setTransform(2, 0, 0, 2, 0, 0);
    context.clearRect(0, 0, 18, 18);
    drawMark(context, mark[0], 9, 9, colourOf(mark[2] ? 'clay' : 'moss'));
  });
}

onMounted(draw);
watch(isDark, draw, { flush: 'post' });
</script>

<template>
  <ul ref="root" class="legend" aria-label="Marks">
    <li v-for="[mark, says] in marks" :key="mark"><canvas width="36" height="36" aria-hidden="true"></canvas> {{ says }}</li>
  </ul>
</template>

<style scoped>
.legend {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 0 0 0 auto;
  padding: 0;
  font-size: 13px;
  color: var(--ink-soft);
}

li {
  display: flex;
  align-items: center;
  gap: 4px;
}

canvas {
  width: 18px;
  height: 18px;
}
</style>
