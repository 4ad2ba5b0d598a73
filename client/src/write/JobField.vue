<script setup lang="ts">
import { useId } from 'vue';
import { useDraft } from '../shared/draft';
import FieldRefusal from '../shared/FieldRefusal.vue';
import { useThingField } from '../shared/keptField';

/** A field of the job's header. */
const props = defineProps<{ name: string; hint: string; long: boolean }>();
const draft = useDraft();
const why = useId();
const { text, commit, undoTyping, refusal } = useThingField(
  '',
  props.name,
  () => draft.header[props.name] ?? '',
  (typed) => typed.replaceAll('\n', ' ').trim(),
);
</script>

<template>
  <textarea
    v-if="long"
    :id="`job-${name}`"
    v-model="text"
    class="plain"
    rows="2"
    maxlength="2000"
    :placeholder="hint"
    :aria-describedby="refusal ? why : undefined"
    @change="commit"
    @keydown.esc="undoTyping"
  ></textarea>
  <input
    v-else
    :id="`job-${name}`"
    v-model="text"
    class="plain figures"
    :placeholder="hint"
    maxlength="4"
    :aria-describedby="refusal ? why : undefined"
    @change="commit"
    @keydown.esc="undoTyping"
  />
  <FieldRefusal :id="why" :trouble="refusal" />
</template>

<style scoped>
textarea {
  width: 100%;
  font-size: 15px;
}

input {
  width: 70px;
}
</style>
