<script setup lang="ts">
import { useDraft } from '../shared/draft';
import { useKeptField } from '../shared/keptField';

/** Minutes or people of a step. */
const props = defineProps<{ id: string; name: 'minutes' | 'people'; hint: string; mode: 'decimal' | 'numeric'; longest: number }>();
const draft = useDraft();
const { text, commit, undoTyping } = useKeptField(
  () => draft.steps.get(props.id)?.fields[props.name] ?? '',
  (before, after) => draft.sendAndSettle({ do: 'setField', id: props.id, field: props.name, before, after: after.trim() }),
);
</script>

<template>
  <label
    >{{ name }}
    <input
      v-model="text"
      class="figures"
      :placeholder="hint"
      :maxlength="longest"
      :inputmode="mode"
      @change="commit"
      @keydown.esc="undoTyping"
  /></label>
</template>
