<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { day } from '../shared/when';

/** How the reader stands to the sheet: somebody else's to write on, or with values to be read before they are shown. */
const draft = useDraft();
const trouble = ref<Trouble | null>(null);
const asked = ref(false);
const may = computed(() => draft.revision?.may);
// What was released is written on by nobody: there is nothing to ask for.
const isOpen = computed(() => draft.revision?.state === 'draft');

async function ask(): Promise<void> {
  trouble.value = null;
  try {
    await take(api.POST('/api/procedures/{procedure}/ask', { params: { path: { procedure: draft.revision!.procedureId } } }));
    asked.value = true;
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}
</script>

<template>
  <ul v-if="draft.revision?.bulletins.length" class="bulletins" aria-label="Bulletins">
    <li v-for="one in draft.revision.bulletins" :key="one.id" role="alert">
      <strong class="word">Bulletin</strong>
      <span
        ><template v-if="one.letter !== draft.revision.letter">Against revision {{ one.letter }}: </template
        ><template v-if="one.place">{{ one.place }}: </template><strong>{{ one.text }}</strong>
        <small>{{ one.who }}, {{ day(one.at, 'long') }}</small></span
      >
    </li>
  </ul>
  <div v-if="may && (may.blind || (may.ask && isOpen))" class="standing">
    <p v-if="may.blind">
      <strong>Values are hidden from you until you have read them in their sources.</strong>
      <router-link v-if="$route.name !== 'review'" :to="{ name: 'review', params: { id: draft.revision!.id } }">Read them now</router-link>
    </p>
    <p v-if="may.ask && isOpen">
      <strong>{{ draft.revision!.authors.owner.name }} writes this procedure.</strong> You can read it.
      <span v-if="asked" role="status">You have asked to write along.</span>
      <button v-else type="button" class="link" @click="ask">Ask to write along</button>
      <span v-if="trouble" role="alert">{{ trouble.title }} {{ trouble.detail }}</span>
    </p>
  </div>
</template>

<style scoped>
.bulletins {
  margin: 0;
  padding: 0;
  list-style: none;
  background: var(--ochre-pale);
  border-bottom: 2px solid var(--ochre);
}

.bulletins li {
  display: flex;
  align-items: baseline;
  gap: 12px;
  padding: 7px 16px;
}

.word {
  flex: none;
  padding: 1px 8px;
  font: 600 16px/1.4 var(--heading);
  color: var(--on-mark);
  background: var(--ochre);
}

.bulletins small {
  color: var(--ink-soft);
}

.standing {
  padding: 6px 16px;
  background: var(--slate-pale);
  border-bottom: 1px solid var(--slate);
}

p {
  margin: 0;
}

strong {
  margin-right: 0.4em;
}

@media print {
  .bulletins,
  .standing {
    display: none;
  }
}
</style>
