<script setup lang="ts">
import type { Severity } from './api/client';

/** How much a finding weighs: an octagon stops, a triangle warns, a ring hints. */
defineProps<{ severity: Severity; size?: number }>();
const names: Record<Severity, string> = { stop: 'Stop', warn: 'Warning', hint: 'Hint' };
</script>

<template>
  <svg :width="size ?? 16" :height="size ?? 16" viewBox="0 0 16 16" class="mark" :class="severity" role="img" :aria-label="names[severity]">
    <path v-if="severity === 'stop'" d="M5 1h6l4 4v6l-4 4H5l-4-4V5z" />
    <path v-else-if="severity === 'warn'" d="M8 1.2 15.4 14.4H.6z" />
    <circle v-else cx="8" cy="8" r="6.2" class="ring" />
    <path v-if="severity === 'stop'" d="M4.6 8h6.8" class="cut" />
    <path v-else d="M8 5.6v4M8 11.3v1.2" class="cut" />
  </svg>
</template>

<style scoped>
.mark {
  flex: none;
  vertical-align: -2px;
}

.stop {
  fill: var(--clay);
}

.warn {
  fill: var(--ochre);
}

.hint .ring {
  fill: none;
  stroke: var(--slate);
  stroke-width: 1.4;
}

.cut {
  stroke: var(--on-mark);
  stroke-width: 2;
  stroke-linecap: round;
  fill: none;
}

.hint .cut {
  stroke: var(--slate);
}
</style>
