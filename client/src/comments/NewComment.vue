<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { Edit } from '../shared/api/client';
import { useComments, type About } from '../shared/comments';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { vFocus } from '../shared/focus';
import { say } from '../shared/say';
import ActButton from '../shared/ActButton.vue';
import { useCommentActs } from './acts';

/** A new comment: on words, a step, a thing, its value, a finding or the sheet; with another text, value or place suggested, or without. */
const comments = useComments();
const acts = useCommentActs();
const draft = useDraft();
const cursor = useCursor();
const text = computed({ get: () => comments.textOf('new'), set: (now: string) => comments.type('new', now) });
const suggesting = ref(false);
const better = ref('');
const behind = ref('');

const keyOf = (about: About): string => [about.kind, about.target, about.start, about.length].join('|');
const short = (said: string): string => (said.length > 60 ? `${said.slice(0, 57)}…` : said);
const words = computed(() => {
  const on = comments.about?.kind === 'words' ? comments.about : comments.chosen;
  return on ? { on, said: draft.textOf(on.target).slice(on.start, on.start + on.length) } : null;
});
const on = (kind: About['kind'], target = ''): About => ({ kind, target, start: 0, length: 0 });
const at = computed<About>(
  () => comments.about ?? words.value?.on ?? (cursor.step && draft.order.includes(cursor.step) ? on('step', cursor.step) : on('sheet')),
);
function choose(key: string): void {
  const [kind, target, start, length] = key.split('|');
  comments.about = { kind: kind as About['kind'], target: target ?? '', start: Number(start), length: Number(length) };
}

// What may be suggested of it, as it stands.
const stands = computed(() => {
  if (at.value.kind === 'value') return draft.things.find((t) => t.id === at.value.target)?.fields.torque ?? '';
  return at.value.kind === 'step' || at.value.kind === 'words' ? draft.textOf(at.value.target) : null;
});
const canSuggest = computed(() => stands.value !== null && !draft.revision?.may.blind);
watch([() => keyOf(at.value), suggesting], () => {
  better.value = stands.value ?? '';
  behind.value = '';
});
const suggested = computed<Edit | null>(() => {
  if (!suggesting.value || !canSuggest.value) return null;
  if (behind.value) return { do: 'moveStep', id: at.value.target, phase: draft.phaseOf(behind.value)?.id ?? '', after: behind.value };
  if (better.value.trim() === stands.value) return null;
  return at.value.kind === 'value'
    ? { do: 'setField', id: at.value.target, field: 'torque', before: stands.value!, after: better.value.trim() }
    : { do: 'writeStep', id: at.value.target, before: stands.value!, text: better.value };
});
const canSend = computed(() => text.value.trim() !== '' || suggested.value !== null);

async function send(): Promise<void> {
  if (await acts.begin(at.value, text.value, suggested.value)) {
    [suggesting.value, comments.writing] = [false, false];
    say('The comment is there.');
  }
}
</script>

<template>
  <form class="new" aria-label="New comment" @submit.prevent="send">
    <label for="about">Comment on</label>
    <select id="about" class="plain" :value="keyOf(at)" @change="choose(($event.target as HTMLSelectElement).value)">
      <option v-if="words" :value="keyOf(words.on)">the words “{{ short(words.said) }}”</option>
      <option v-if="at.kind === 'finding'" :value="keyOf(at)">the finding {{ at.target.split(':')[0] }}</option>
      <option :value="keyOf(on('sheet'))">the sheet</option>
      <optgroup label="Steps">
        <option v-for="(id, i) in draft.order" :key="id" :value="keyOf(on('step', id))">
          step {{ i + 1 }}: {{ short(draft.textOf(id)) }}
        </option>
      </optgroup>
      <optgroup label="Torques">
        <option v-for="joint in draft.things.filter((t) => t.kind === 'joint')" :key="joint.id" :value="keyOf(on('value', joint.id))">
          {{ joint.id }} {{ joint.name }}: {{ joint.fields.torque || 'no torque' }}
        </option>
      </optgroup>
      <optgroup label="Things">
        <option v-for="thing in draft.things" :key="thing.id" :value="keyOf(on('thing', thing.id))">{{ thing.id }} {{ thing.name }}</option>
      </optgroup>
    </select>
    <label for="comment">What is wrong, or what should stand there?</label>
    <textarea
      id="comment"
      v-model="text"
      v-focus
      class="plain"
      rows="3"
      maxlength="4000"
      placeholder="@ and a name speaks to somebody"
    ></textarea>
    <label v-if="canSuggest" class="check"
      ><input v-model="suggesting" type="checkbox" /> Suggest
      {{ at.kind === 'value' ? 'another value' : 'other words, or another place' }}</label
    >
    <template v-if="suggesting && canSuggest">
      <label for="better">{{ at.kind === 'value' ? 'The torque should be' : 'The step should say' }}</label>
      <input v-if="at.kind === 'value'" id="better" v-model="better" class="plain figures" :disabled="behind !== ''" />
      <textarea v-else id="better" v-model="better" class="plain" rows="3" :disabled="behind !== ''"></textarea>
      <template v-if="at.kind !== 'value'">
        <label for="behind">or stand behind</label>
        <select id="behind" v-model="behind" class="plain">
          <option value="">where it stands</option>
          <option v-for="(id, i) in draft.order.filter((o) => o !== at.target)" :key="id" :value="id">
            step {{ draft.numberOf(id) || i + 1 }}: {{ short(draft.textOf(id)) }}
          </option>
        </select>
      </template>
      <p class="quiet">What is taken counts as yours, too: then you do not release it, and do not read its values.</p>
    </template>
    <div>
      <ActButton html-type="submit" type="primary" :loading="comments.busy" :disabled="!canSend">Say it</ActButton>
      <ActButton @click="comments.writing = false">Not now</ActButton>
    </div>
  </form>
</template>

<style scoped>
.new {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 7px;
  margin-bottom: 20px;
}

label {
  font-weight: 600;
}

select,
textarea,
input.plain {
  width: 100%;
  box-sizing: border-box;
}

.check {
  font-weight: 400;
}

div {
  display: flex;
  gap: 8px;
}

p {
  margin: 0;
}
</style>
