<script setup lang="ts">
import { useId } from 'vue';
import { useDraft } from '../shared/draft';
import FieldRefusal from '../shared/FieldRefusal.vue';
import { useThingField } from '../shared/keptField';

/** Minutes or people of a step, or where its limits are taken from. */
const props = defineProps<{
  id: string;
  name: 'minutes' | 'people' | 'source';
  hint: string;
  mode: 'decimal' | 'numeric' | 'text';
  longest: number;
}>();
const draft = useDraft();
const why = useId();
const { text, commit, undoTyping, refusal } = useThingField(
  props.id,
  props.name,
  () => draft.steps.get(props.id)?.fields[props.name] ?? '',
  (typed) => typed.trim(),
);
</script>

<template>
  <label
    >{{ name }}
    <input
      v-model="text"
      :class="{ figures: mode !== 'text', long: mode === 'text' }"
      :placeholder="hint"
      :maxlength="longest"
      :inputmode="mode"
      :aria-describedby="refusal ? why : undefined"
      @change="commit"
      @keydown.esc="undoTyping"
  /></label>
  <FieldRefusal :id="why" :trouble="refusal" />
</template>
