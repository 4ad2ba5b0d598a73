<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api, take, type ShelfRow } from '../shared/api/client';
import { useDraft } from '../shared/draft';

/** A sheet on which nothing is written yet says how one may begin; it goes with the first word. */
defineEmits<{ block: [] }>();
const draft = useDraft();
const isBlank = computed(() => draft.order.length === 1 && draft.textOf(draft.order[0]!) === '');
const example = ref<ShelfRow | null>(null);

onMounted(async () => {
  if (!isBlank.value) return;
  // A finished one to look at; where none is released, or nobody answers, the other ways stand.
  const shelf = await take(api.GET('/api/procedures', { params: { query: { state: 'released' } } })).catch(() => null);
  example.value = shelf?.rows[0] ?? null;
});
</script>

<template>
  <section v-if="isBlank && draft.canEdit" class="first-move" aria-label="How to begin">
    <p><b>Write the first step</b> as you would say it in the shop; Enter begins the next one. Or:</p>
    <ul>
      <li><button type="button" class="link" @click="$emit('block')">start from a block</button> of the workshop (/)</li>
      <li>paste the steps you have: each line becomes one</li>
      <li v-if="example">
        look at a finished sheet: <router-link :to="`/r/${example.revisionId}/write`">{{ example.number }} {{ example.title }}</router-link>
      </li>
    </ul>
    <p class="quiet">
      → takes the words offered · Alt+1 … 9 answers what is asked · F8 goes to what was found · ? shows all keys. Shift+Enter in a step
      begins a line of its own: <i>If the bolt is stuck: …</i>, <i>Left only: …</i>, <i>WARNING: …</i>
    </p>
  </section>
</template>

<style scoped>
.first-move {
  margin: 14px 40px 18px 46px;
  padding: 10px 16px;
  font-size: 15px;
  border-left: 3px solid var(--moss);
  background: var(--moss-pale);
}

p {
  margin: 0 0 4px;
}

ul {
  margin: 0 0 8px;
  padding-left: 20px;
}

.quiet {
  font-size: 13.5px;
}

@media (width <= 620px) {
  .first-move {
    margin-inline: 10px 6px;
  }

  /* Keys are for those who have them. */
  .quiet {
    display: none;
  }
}
</style>
