<script setup lang="ts">
import { useDraft } from '../shared/draft';
import { useKeptField } from '../shared/keptField';

/** A field of the job's header. */
const props = defineProps<{ name: string; hint: string; long: boolean }>();
const draft = useDraft();
const { text, commit, undoTyping } = useKeptField(
  () => draft.header[props.name] ?? '',
  (before, after) => draft.sendAndSettle({ do: 'setField', id: '', field: props.name, before, after: after.replaceAll('\n', ' ').trim() }),
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
    @change="commit"
    @keydown.esc="undoTyping"
  />
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
