<script setup lang="ts">
import { computed } from 'vue';
import type { ThingView } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import { useKeptField } from '../shared/keptField';

/** A field of a thing as a cell: its text goes to the core as it was typed and comes back as the core read it. */
const props = defineProps<{ thing: ThingView; field: string; label: string; choices: string[]; hint?: string }>();
const draft = useDraft();
const stands = computed(() => props.thing.fields[props.field] ?? '');
const { text, commit, undoTyping } = useKeptField(
  () => stands.value,
  (before, after) => draft.sendAndSettle({ do: 'setField', id: props.thing.id, field: props.field, before, after }),
);
</script>

<template>
  <span v-if="!draft.canEdit" class="still">{{ stands }}</span>
  <select v-else-if="choices.length" v-model="text" :aria-label="label" @change="commit">
    <option v-for="choice in choices" :key="choice" :value="choice">{{ choice }}</option>
  </select>
  <input
    v-else
    v-model="text"
    :class="{ changed: text !== stands }"
    :aria-label="label"
    :title="text"
    :placeholder="hint"
    maxlength="2000"
    @change="commit"
    @keydown.esc="undoTyping"
  />
</template>

<style scoped>
input,
select,
.still {
  display: block;
  width: 100%;
  height: 34px;
  padding: 0 4px;
  font: inherit;
  font-size: 13.5px;
  line-height: 34px;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  border-radius: 2px;
  text-overflow: ellipsis;
}

.still {
  height: auto;
  line-height: 1.3;
  padding: 8px 4px;
}

select {
  appearance: none;
  cursor: pointer;
}

input:hover,
select:hover {
  border-color: var(--line-strong);
}

input:focus,
select:focus {
  background: var(--field);
  border-color: var(--ink);
  outline: 2px solid var(--ochre-mark);
}

.changed {
  background: var(--ochre-pale);
}
</style>
