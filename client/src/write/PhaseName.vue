<script setup lang="ts">
import { onMounted, ref } from 'vue';
import type { PhaseView } from '../shared/api/client';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { useKeptField } from '../shared/keptField';

/** A phase's name, edited in place. */
const props = defineProps<{ phase: PhaseView }>();
const draft = useDraft();
const cursor = useCursor();
const field = ref<HTMLInputElement | null>(null);
const { text, commit, undoTyping } = useKeptField(
  () => props.phase.name,
  async (before, after) =>
    after.trim() !== '' && draft.sendAndSettle({ do: 'renamePhase', id: props.phase.id, before, name: after.trim() }),
);

async function keep(): Promise<void> {
  if (text.value.trim() === '') undoTyping();
  else await commit();
}

onMounted(() => {
  if (cursor.naming !== props.phase.id) return;
  cursor.naming = null;
  field.value?.focus();
  field.value?.select();
});
</script>

<template>
  <input
    ref="field"
    v-model="text"
    class="phase-name"
    :size="Math.max(8, text.length)"
    maxlength="80"
    :aria-label="`Name of phase ${phase.name}`"
    @change="keep"
    @keydown.esc="undoTyping"
  />
</template>

<style scoped>
.phase-name {
  font: inherit;
  color: inherit;
  letter-spacing: inherit;
  background: none;
  border: 0;
  border-bottom: 1px dashed transparent;
  padding: 0;
}

.phase-name:hover,
.phase-name:focus {
  border-bottom-color: var(--ink-soft);
}
</style>
