<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type ThingView } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import { say } from '../shared/say';
import { several } from '../shared/several';
import TroubleNote from '../shared/TroubleNote.vue';

/** Gives a joint a value of the workshop's library, with its source and what it holds for, as one edit. */
const props = defineProps<{ joint: ThingView }>();
const open = defineModel<boolean>('open', { required: true });
const most = 40;
const draft = useDraft();
const words = ref('');
const field = ref<HTMLInputElement | null>(null);
useEscape(
  () => open.value,
  () => (open.value = false),
);
const { answer: workshop, trouble } = useAsked(
  () => (open.value ? 'values' : null),
  () => take(api.GET('/api/workshop')),
);
const wordsOf = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}.]+/gu) ?? [];
/** Those that have every word typed; those that share the most words with the joint's name come first. */
const found = computed(() => {
  const typed = wordsOf(words.value);
  const named = wordsOf(props.joint.name);
  const shared = (name: string): number => named.filter((word) => wordsOf(name).includes(word)).length;
  return (workshop.value?.values ?? [])
    .map((value) => ({ value, name: value.cells.name ?? '', text: `${value.cells.name} ${value.says}`.toLowerCase() }))
    .filter((row) => typed.every((word) => row.text.includes(word)))
    .sort((a, b) => shared(b.name) - shared(a.name) || a.name.localeCompare(b.name));
});

async function give(value: (typeof found.value)[number]['value']): Promise<void> {
  const edits = Object.entries(value.fields)
    .map(([name, after]) => ({ do: 'setField' as const, id: props.joint.id, field: name, before: props.joint.fields[name] ?? '', after }))
    .filter((edit) => edit.before !== edit.after);
  open.value = false;
  if (edits.length && (await draft.send({ do: 'several', label: `Take ${value.fields.kept} for ${props.joint.id}`, edits })))
    say(`${props.joint.id} has ${value.fields.kept}.`);
}

/** It is there once the values are; a dialog that opens takes the focus to itself. */
const begin = (): void => field.value?.focus();
watch(field, begin);
watch(open, () => (words.value = ''));
</script>

<template>
  <a-modal
    :open="open"
    :title="`A kept value for ${joint.id} ${joint.name}`"
    :width="620"
    :footer="null"
    destroy-on-close
    @after-open-change="begin"
    @cancel="open = false"
  >
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="workshop && !workshop.values.length">
      The workshop keeps no values yet. An approver or administrator writes them under
      <router-link :to="{ name: 'workshop', params: { place: 'values' } }">Workshop, Values</router-link>.
    </p>
    <template v-else-if="workshop">
      <input
        ref="field"
        v-model="words"
        class="words"
        aria-label="Words of its name, value or source"
        placeholder="words of its name, value or source"
      />
      <ul>
        <li v-for="row in found.slice(0, most)" :key="row.name">
          <button type="button" :aria-current="joint.fields.kept === row.value.fields.kept ? 'true' : undefined" @click="give(row.value)">
            <strong>{{ row.name }}</strong> <span class="quiet">version {{ row.value.version }}</span>
            <span class="what">{{ row.value.says }}</span>
          </button>
        </li>
      </ul>
      <p v-if="!found.length" role="status">No kept value has these words.</p>
      <p v-else-if="found.length > most" class="quiet">{{ several(found.length - most, 'more value') }}: type more of its name.</p>
    </template>
  </a-modal>
</template>

<style scoped>
.words {
  width: 100%;
  min-height: 34px;
  padding: 5px 8px;
  font: inherit;
  color: inherit;
  background: var(--field);
  border: 1px solid var(--ink);
  border-radius: 2px;
}

ul {
  max-height: 52vh;
  margin: 10px 0 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

li + li {
  border-top: 1px solid var(--line);
}

button {
  display: block;
  width: 100%;
  padding: 7px 8px;
  font: inherit;
  text-align: left;
  color: inherit;
  background: none;
  border: 0;
  border-left: 4px solid transparent;
  cursor: pointer;
}

button:hover,
button:focus-visible {
  background: var(--path);
  border-left-color: var(--moss);
}

button[aria-current] {
  border-left-color: var(--ink);
}

.what {
  display: block;
  font-size: 14px;
}
</style>
