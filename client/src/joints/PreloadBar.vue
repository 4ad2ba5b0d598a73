<script setup lang="ts">
import { computed } from 'vue';
import type { JointView } from '../shared/api/client';

/** Preload against proof load: the band of the scatter, the target in it, the proof load as the line it must stay under. */
const props = defineProps<{ joint: JointView | undefined }>();
const width = 92;
const scale = (part: number): number => Math.min(width, (part / 1.4) * width);
const preload = computed(() => props.joint?.preload ?? null);
const percent = (part: number): string => `${Math.round(part * 100)} %`;
const label = computed(() =>
  preload.value
    ? `${percent(preload.value.target)} of the proof load at the target, ${percent(preload.value.low)} to ${percent(preload.value.high)} with the scatter of a hand wrench`
    : 'not judged',
);
const levels = { yields: 'stop', mayYield: 'warn', tooLittle: 'warn', bears: 'fine' } as const;
const level = computed(() => (preload.value ? levels[preload.value.verdict] : ''));
</script>

<template>
  <span v-if="preload" class="bar" :class="level" :title="label">
    <svg :width="width" height="14" role="img" :aria-label="label">
      <rect x="0" y="5" :width="width" height="4" class="ground" />
      <rect :x="scale(preload.low)" y="2" :width="Math.max(2, scale(preload.high) - scale(preload.low))" height="10" class="band" />
      <rect :x="Math.min(width - 3, scale(preload.target) - 1.5)" y="0" width="3" height="14" class="target" />
      <path :d="`M${scale(1)} 0V14`" class="proof" />
    </svg>
    <span class="figures">{{ percent(preload.target) }}</span>
  </span>
  <span v-else class="none" title="Thread, class and torque are needed">—</span>
</template>

<style scoped>
.bar {
  display: block;
  line-height: 1;
}

.bar svg {
  max-width: 100%;
}

.figures {
  font-size: 11.5px;
}

.ground {
  fill: var(--path);
}

.band {
  fill: light-dark(#a9b695, #55664a);
}

.target {
  fill: var(--moss);
}

.warn .band {
  fill: light-dark(#e3bf78, #7a6330);
}

.stop .band {
  fill: light-dark(#dda084, #7d4a34);
}

.stop .target {
  fill: var(--clay);
}

.stop .figures {
  color: var(--clay);
  font-weight: 700;
}

.proof {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 2 2;
}

.none {
  color: var(--ink-soft);
}
</style>
