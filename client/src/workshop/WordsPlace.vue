<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '../shared/session';
import RowsTable from './RowsTable.vue';
import { useSettings } from './settings';

/** The words of the house: those it does not write, and those it taught. */
const settings = useSettings();
const session = useSession();
const view = computed(() => settings.view!);
const mayTakeBack = computed(() => view.value.mayChange || session.is('author'));
const terms = computed({
  get: () => settings.now!.rules.rules.terms as { refused: string; preferred: string }[],
  set: (value) => (settings.now!.rules.rules.terms = value),
});
</script>

<template>
  <h2 id="terms">Not written here</h2>
  <p class="quiet">Where a step says the one, the finding offers the other.</p>
  <div class="terms">
    <RowsTable
      v-model="terms"
      name="Words not written here"
      one="word"
      :columns="[
        { key: 'refused', label: 'not', example: 'split pin' },
        { key: 'preferred', label: 'but', example: 'cotter pin' },
      ]"
      :fresh="{ refused: '', preferred: '' }"
      :may-change="view.mayChange"
    >
      <template #empty><p class="empty">Every word of the trade is welcome.</p></template>
    </RowsTable>
  </div>
  <section aria-labelledby="words">
    <h2 id="words">House words</h2>
    <p class="quiet">
      What your people say and the trade does not: taught in a sentence, on its chip, and kept from the sheet. Every new sheet is read with
      them; taken back, they stay on the sheets that have them.
    </p>
    <ul v-if="view.words.length">
      <li v-for="word in view.words" :key="word.word.word">
        {{ word.says }}
        <button
          v-if="mayTakeBack"
          type="button"
          class="link"
          :aria-label="`Take back: ${word.says}`"
          @click="settings.takeWordBack(word.word.word)"
        >
          take back
        </button>
      </li>
    </ul>
    <p v-else class="empty">None yet. On a chip under a step, “Always: …” teaches one.</p>
  </section>
</template>

<style scoped>
.terms {
  max-width: 560px;
}

section {
  margin-top: 28px;
}

p {
  margin: 2px 0 8px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-width: 560px;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 22px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
</style>
