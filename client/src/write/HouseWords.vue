<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type Trouble, type WordView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import TroubleNote from '../shared/TroubleNote.vue';

/** The words this sheet taught and the workshop does not know, and those the workshop taught since the sheet was begun. */
const draft = useDraft();
const workshop = ref<WordView[]>([]);
const trouble = ref<Trouble | null>(null);
const said = ref('');

const same = (one: WordView, other: WordView): boolean => one.says === other.says;
const own = computed(() => draft.words.filter((w) => !workshop.value.some((o) => same(w, o))));
/** Of the workshop, and the sheet has the word neither so nor otherwise. */
const more = computed(() => workshop.value.filter((w) => !draft.words.some((o) => o.word.word === w.word.word)));

async function attempt(work: () => Promise<{ words: WordView[] }>, done = ''): Promise<void> {
  trouble.value = null;
  try {
    workshop.value = (await work()).words;
    said.value = done;
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

// Who only reads the sheet needs no words.
watch(
  () => draft.canEdit,
  (may) => {
    if (may) void attempt(() => take(api.GET('/api/workshop')));
  },
  { immediate: true },
);

const keep = (word: WordView): Promise<void> =>
  attempt(() => take(api.POST('/api/workshop/words', { body: { words: [word.word] } })), `${word.says}: every new sheet knows it now.`);
const forget = (word: WordView): void => void draft.send({ do: 'forgetWord', word: word.word.word });
const learn = (): void => void draft.send({ do: 'learnWords', words: more.value.map((w) => w.word) });
</script>

<template>
  <section v-if="draft.canEdit && (own.length || more.length || trouble || said)" class="words" aria-label="House words">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="said" role="status">{{ said }} It stands under Workshop.</p>
    <p v-for="word in own" :key="word.says">
      On this sheet <b>{{ word.says }}</b>.
      <button type="button" class="link" @click="keep(word)">keep it for all sheets</button>
      <button type="button" class="link" :aria-label="`forget it: ${word.says}`" @click="forget(word)">forget it</button>
    </p>
    <p v-if="more.length">
      The workshop has taught
      <b>{{
        more
          .slice(0, 3)
          .map((w) => w.says)
          .join(', ')
      }}</b>{{ more.length > 3 ? ` and ${more.length - 3} more` : '' }}.
      <button type="button" class="link" @click="learn">read this sheet with {{ more.length === 1 ? 'it' : 'them' }}</button>
    </p>
  </section>
</template>

<style scoped>
.words {
  margin: 0 0 10px 44px;
  padding: 5px 10px;
  font-size: 14px;
  background: var(--slate-pale);
  border-left: 3px solid var(--slate);
}

p {
  margin: 2px 0;
}

.link + .link {
  margin-left: 14px;
}
</style>
