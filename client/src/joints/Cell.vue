<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId, watch } from 'vue';
import type { ThingView } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import FieldRefusal from '../shared/FieldRefusal.vue';
import { fit } from '../shared/fits';
import { useThingField } from '../shared/keptField';

/** A field of a thing as a cell: its text goes to the core as it was typed and comes back as the core read it. */
const props = defineProps<{ thing: ThingView; field: string; label: string; choices: string[]; hint?: string }>();
const draft = useDraft();
const area = ref<HTMLTextAreaElement | null>(null);
const why = useId();
const stands = computed(() => props.thing.fields[props.field] ?? '');
const { text, commit, undoTyping, refusal } = useThingField(
  props.thing.id,
  props.field,
  () => stands.value,
  (typed) => typed.replaceAll('\n', ' '),
);
onMounted(() => fit(area.value));
watch(text, () => void nextTick(() => fit(area.value)));
</script>

<template>
  <span v-if="!draft.canEdit" class="still">{{ stands }}</span>
  <select v-else-if="choices.length" v-model="text" :aria-label="label" @change="commit">
    <option v-for="choice in choices" :key="choice" :value="choice">{{ choice }}</option>
  </select>
  <textarea
    v-else
    ref="area"
    v-model="text"
    rows="1"
    :class="{ changed: text !== stands }"
    :aria-label="label"
    :aria-describedby="refusal ? why : undefined"
    :aria-invalid="refusal ? 'true' : undefined"
    :placeholder="hint"
    maxlength="2000"
    @change="commit"
    @keydown.enter.prevent="commit"
    @keydown.esc="undoTyping"
  ></textarea>
  <FieldRefusal :id="why" :trouble="refusal" />
</template>

<style scoped>
textarea,
select,
.still {
  display: block;
  width: 100%;
  min-height: 34px;
  padding: 7px 4px;
  font: inherit;
  font-size: 13.5px;
  line-height: 18px;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  border-radius: 2px;
}

/* Written over the line, as on paper: long texts go on below. */
textarea {
  overflow: hidden;
  resize: none;
  field-sizing: content;
  border-bottom: 1px dashed var(--line-strong);
}

textarea::placeholder {
  color: var(--ink-soft);
}

select {
  appearance: none;
  cursor: pointer;
  border-bottom: 1px dashed var(--line-strong);
}

textarea:hover,
select:hover {
  border-color: var(--line-strong);
}

textarea:focus,
select:focus {
  background: var(--field);
  border: 1px solid var(--ink);
  outline: 2px solid var(--ochre-mark);
  outline-offset: -1px;
}

.changed {
  background: var(--ochre-pale);
}
</style>
