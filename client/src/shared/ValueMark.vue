<script setup lang="ts">
import type { ValueStanding } from './api/client';

/** How a value stands after its second reading; the three differ in shape, not in colour alone. */
defineProps<{ standing: ValueStanding }>();
</script>

<template>
  <svg class="mark" :class="standing" viewBox="0 0 16 16" width="14" height="14" role="img" :aria-label="standing">
    <template v-if="standing === 'verified'">
      <path d="M1.5 5.5 L6 10 L14.5 1.5" />
      <path d="M1.5 10 L6 14.5 L14.5 6" />
    </template>
    <path v-else-if="standing === 'differs'" d="M1.5 5 H14.5 M1.5 11 H14.5 M11.5 1 L4.5 15" />
    <path v-else d="M4 5 C4 0.5 12 0.5 12 5 C12 8 8 7.5 8 11 M8 13.5 V15.5" />
  </svg>
</template>

<style scoped>
.mark {
  vertical-align: -2px;
  margin-right: 3px;
}

.mark path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2;
}

.verified {
  color: var(--moss);
}

.differs {
  color: var(--clay);
}

.unverified {
  color: var(--ink-soft);
}
</style>
