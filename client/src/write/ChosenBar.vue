<script setup lang="ts">
import { useCursor } from '../shared/cursor';
import ActMenu from '../shared/ActMenu.vue';
import { useStepActs } from './stepActs';

/** Stands at the foot of the sheet while several steps are chosen: how many, and what can be done to them. */
const cursor = useCursor();
const { actsFor } = useStepActs();
const acts = (): ReturnType<typeof actsFor> => actsFor(cursor.chosen);
</script>

<template>
  <div v-if="cursor.chosen.length > 1" class="chosen" role="group" aria-label="Chosen steps">
    <strong>{{ cursor.chosen.length }} steps chosen</strong>
    <ActMenu :acts="acts" label="What to do with the chosen steps" class="act">What to do with them</ActMenu>
    <button type="button" class="link" @click="cursor.choose([])">Let go (Esc)</button>
  </div>
</template>

<style scoped>
.chosen {
  position: sticky;
  bottom: 12px;
  z-index: 5;
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 12px 0 0 44px;
  padding: 8px 12px;
  background: var(--slate-pale);
  border: 1px solid var(--slate);
  border-radius: 3px;
}

.chosen :deep(.act) {
  font: 600 15px var(--text);
  color: var(--ink);
  background: var(--field);
  border: 1px solid var(--slate);
  border-radius: 3px;
  padding: 3px 12px;
  cursor: pointer;
}
</style>
