<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import type { CommentEntry, CommentThread } from '../shared/api/client';
import { useComments } from '../shared/comments';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { say } from '../shared/say';
import { singleKeys } from '../shared/singleKeys';
import { dayAndTime } from '../shared/when';
import ActButton from '../shared/ActButton.vue';
import { useCommentActs } from './acts';

/** One thread: what it is about, what was said, what is suggested, and what can be done about it. */
const props = defineProps<{ thread: CommentThread }>();
const emit = defineEmits<{ gone: [] }>();
const comments = useComments();
const acts = useCommentActs();
const draft = useDraft();
const cursor = useCursor();
const router = useRouter();
const box = useTemplateRef<HTMLElement>('box');
const answering = ref(comments.textOf(props.thread.id) !== '');
const text = computed({ get: () => comments.textOf(props.thread.id), set: (now: string) => comments.type(props.thread.id, now) });

const DID: Record<CommentEntry['kind'], string> = {
  said: '',
  taken: 'took the suggestion',
  settled: 'settled it',
  reopened: 'opened it again',
};
/** What can be taken now: the last suggestion that still fits. */
const suggestion = computed(() => props.thread.entries.findLast((e) => e.suggestion?.is === 'open'));
const canTake = computed(() => Boolean(comments.view?.mayTake && suggestion.value && props.thread.open));
const wordsNow = computed(() => {
  const { stepId, at } = props.thread.place;
  return stepId && at ? draft.textOf(stepId).slice(at.start ?? 0, (at.start ?? 0) + (at.length ?? 0)) : '';
});
const canWrite = computed(() => !comments.view?.whyNot);

async function goTo(): Promise<void> {
  const { place, kind } = props.thread;
  emit('gone');
  if (place.stepNumber) await cursor.goToNumber(place.stepNumber);
  else if (kind === 'thing' || kind === 'value') await router.push({ name: 'joints', params: { id: draft.revision!.id } });
}
async function takeIt(): Promise<void> {
  if (!canTake.value || comments.busy) return;
  if (await acts.takeSuggestion(props.thread, suggestion.value!.id))
    say(`Taken: ${suggestion.value?.suggestion?.says ?? 'the suggestion'}.`);
  box.value?.focus();
}
async function answer(): Promise<void> {
  if (await acts.answer(props.thread, text.value)) answering.value = false;
}
async function settle(settled: boolean): Promise<void> {
  if (await acts.settle(props.thread, settled, text.value)) [answering.value] = [false, say(settled ? 'Settled.' : 'Open again.')];
}
function key(event: KeyboardEvent): void {
  if (event.target !== event.currentTarget || !singleKeys.value || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key.toLowerCase() !== 't' || !canTake.value) return;
  event.preventDefault();
  void takeIt();
}
</script>

<template>
  <article
    ref="box"
    class="thread"
    :class="{ settled: !thread.open, gone: thread.place.is === 'gone' }"
    tabindex="0"
    :aria-label="`Comment on ${thread.place.label}${thread.open ? '' : ', settled'}`"
    @keydown="key"
  >
    <header>
      <button
        v-if="thread.place.stepNumber || thread.kind === 'thing' || thread.kind === 'value'"
        type="button"
        class="link place"
        @click="goTo"
      >
        {{ thread.place.label }}
      </button>
      <strong v-else class="place">{{ thread.place.label }}</strong>
      <span v-if="!thread.open" class="is">settled</span>
      <span v-if="thread.letter !== draft.revision?.letter" class="is">from revision {{ thread.letter }}</span>
    </header>
    <blockquote v-if="thread.place.then" class="then">
      <span class="quiet">{{ thread.place.is === 'gone' ? 'It was' : 'It stood there as' }}</span> “{{ thread.place.then }}”
    </blockquote>
    <blockquote v-else-if="thread.kind === 'words' && wordsNow" class="then">“{{ wordsNow }}”</blockquote>
    <ol>
      <li v-for="entry in thread.entries" :key="entry.id">
        <p class="who">
          <strong>{{ entry.who }}</strong> {{ DID[entry.kind] }} <span class="figures when">{{ dayAndTime(entry.at) }}</span>
        </p>
        <p v-if="entry.text" class="said">{{ entry.text }}</p>
        <div v-if="entry.suggestion" class="suggestion">
          <p class="quiet">
            Suggests: {{ entry.suggestion.says }}<template v-if="entry.suggestion.is === 'taken'"> – taken</template>
            <template v-else-if="entry.suggestion.is === 'outdated'"> – does not fit any more</template>
          </p>
          <p v-if="entry.suggestion.words.length" class="words">
            <template v-for="(words, i) in entry.suggestion.words" :key="i">
              <del v-if="words.mark === 'gone'">{{ words.text }}</del>
              <ins v-else-if="words.mark === 'new'">{{ words.text }}</ins>
              <template v-else>{{ words.text }}</template>
            </template>
          </p>
          <p v-if="entry.suggestion.whyNot && entry.suggestion.is === 'outdated'" class="quiet">{{ entry.suggestion.whyNot }}</p>
        </div>
      </li>
    </ol>
    <form v-if="answering" @submit.prevent="answer">
      <label :for="`answer-${thread.id}`" class="visually-hidden">Answer</label>
      <textarea
        :id="`answer-${thread.id}`"
        v-model="text"
        class="plain"
        rows="2"
        maxlength="4000"
        placeholder="What was done about it, or why nothing is"
      ></textarea>
      <div class="acts">
        <ActButton size="small" html-type="submit" :loading="comments.busy" :disabled="!text.trim()">Answer</ActButton>
        <ActButton v-if="thread.maySettle && thread.open" size="small" :loading="comments.busy" @click="settle(true)"
          >Answer and settle</ActButton
        >
        <ActButton v-if="thread.maySettle && !thread.open" size="small" :loading="comments.busy" @click="settle(false)"
          >Open it again</ActButton
        >
        <ActButton size="small" @click="answering = false">Not now</ActButton>
      </div>
    </form>
    <div v-else-if="canWrite" class="acts">
      <ActButton v-if="canTake" size="small" type="primary" :loading="comments.busy" title="T on the comment" @click="takeIt"
        >Take it</ActButton
      >
      <ActButton size="small" @click="answering = true">{{ thread.open ? 'Answer' : 'Answer, or open it again' }}</ActButton>
      <ActButton
        v-if="thread.open && (thread.mine || (thread.maySettle && thread.entries.length > 1))"
        size="small"
        :loading="comments.busy"
        @click="settle(true)"
        >Settled</ActButton
      >
    </div>
  </article>
</template>

<style scoped>
.thread {
  padding: 10px 12px 12px;
  border: 1px solid var(--line-strong);
  border-left: 4px solid var(--ochre);
  background: var(--sheet);
}

.thread.settled {
  border-left-color: var(--line-strong);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 10px;
}

.place {
  font-weight: 600;
}

.is {
  font-size: 13px;
  color: var(--ink-soft);
}

.then {
  margin: 4px 0 0;
  padding-left: 9px;
  border-left: 2px solid var(--line-strong);
  white-space: pre-line;
}

ol {
  list-style: none;
  margin: 6px 0 8px;
  padding: 0;
  display: grid;
  gap: 8px;
}

p {
  margin: 0;
}

.who {
  font-size: 14px;
}

.when {
  font-size: 12px;
  color: var(--ink-soft);
}

.said,
.words {
  white-space: pre-line;
  overflow-wrap: anywhere;
}

.suggestion {
  margin-top: 3px;
  padding: 6px 9px;
  background: var(--field);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}

textarea {
  width: 100%;
  box-sizing: border-box;
}
</style>
