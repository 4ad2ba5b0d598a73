<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useOutbox } from './useOutbox';

/** Stands in every bar while something of anybody's has not arrived; opens what waits. */
const outbox = useOutbox();
const OutboxDrawer = defineAsyncComponent(() => import('./OutboxDrawer.vue'));
const open = ref(false);
/** Fetched when it is first opened, and kept then. */
const wanted = ref(false);
watch(open, () => (wanted.value = true));
const text = computed(() => {
  const { length } = outbox.refused;
  if (length > 0) return `${length} not taken`;
  const all = outbox.items.length;
  return `${all} wait${all === 1 ? 's' : ''}`;
});
</script>

<template>
  <button v-if="outbox.items.length" type="button" class="outbox" :class="{ refused: outbox.refused.length }" @click="open = true">
    <svg width="14" height="12" viewBox="0 0 14 12" aria-hidden="true">
      <path d="M1 6v5h12V6M7 8V1M4 4l3-3 3 3" fill="none" stroke="currentColor" stroke-width="1.6" />
    </svg>
    {{ text }}<span class="visually-hidden"> in the outbox</span>
  </button>
  <OutboxDrawer v-if="wanted" v-model:open="open" />
</template>

<style scoped>
.outbox {
  display: inline-flex;
  align-items: center;
  align-self: center;
  gap: 6px;
  height: 30px;
  padding: 0 9px;
  font: inherit;
  font-size: 14px;
  color: var(--ink);
  background: var(--ochre-pale);
  border: 1px solid var(--ochre);
  border-radius: 3px;
  cursor: pointer;
  white-space: nowrap;
}

.refused {
  background: var(--clay-pale);
  border-color: var(--clay);
  font-weight: 600;
}

@media print {
  .outbox {
    display: none;
  }
}
</style>
