<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useComments } from '../shared/comments';
import { useDraft } from '../shared/draft';
import { dayAndTime } from '../shared/when';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import CommentsPanel from '../comments/CommentsPanel.vue';

/** The round of a review: who was asked and has looked, what is open, what was answered. */
const draft = useDraft();
const comments = useComments();
const trouble = ref<Trouble | null>(null);
const busy = ref(false);
const round = computed(() => comments.view?.round ?? null);
const isOn = computed(() => draft.revision?.state === 'in review');

async function looked(): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await take(api.POST('/api/revisions/{id}/looked', { params: { path: { id: draft.revision!.id } }, body: { text: '' } }));
    await Promise.all([draft.refresh(), comments.load()]);
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}
const many = (count: number): string => (count === 0 ? 'no comment' : count === 1 ? '1 comment' : `${count} comments`);
</script>

<template>
  <section aria-labelledby="comments">
    <h2 id="comments">
      Comments <span class="figures count">{{ comments.openThreads.length }} open</span>
    </h2>
    <div v-if="round" class="round">
      <p>
        Round {{ round.number }}, sent by {{ round.by }} <span class="figures when">{{ dayAndTime(round.at) }}</span>{{
          isOn ? '' : ', over'
        }}
      </p>
      <ul v-if="round.asked.length">
        <li v-for="one in round.asked" :key="one.id">
          <strong>{{ one.who }}</strong> {{ one.looked ? 'has looked at it' : isOn ? 'is asked and has not said so yet' : 'was asked' }},
          {{ many(one.comments) }}
        </li>
      </ul>
      <p v-else-if="isOn" class="quiet">Nobody was asked by name; every reviewer may look at it.</p>
      <TroubleNote v-if="trouble" :trouble="trouble" />
      <ActButton v-if="comments.view?.mayLook" size="small" :loading="busy" @click="looked">I have looked at it</ActButton>
    </div>
    <CommentsPanel />
  </section>
</template>

<style scoped>
.count {
  font-size: 15px;
  color: var(--ink-soft);
}

.round {
  margin: 8px 0 14px;
  padding: 8px 12px 10px;
  background: var(--field);
}

.round p {
  margin: 0;
}

.round ul {
  margin: 4px 0 6px;
  padding-left: 18px;
}

.when {
  font-size: 13px;
  color: var(--ink-soft);
}
</style>
