<script setup lang="ts">
import type { WorkshopView } from '../shared/api/client';

/** The words the workshop taught: every new sheet is read with them. */
defineProps<{ workshop: WorkshopView; mayTakeBack: boolean }>();
const emit = defineEmits<{ takeBack: [word: string] }>();
</script>

<template>
  <section aria-labelledby="words" class="words">
    <h2 id="words">House words</h2>
    <p class="quiet">
      What your people say and the trade does not: taught in a sentence, on its chip, and kept from the sheet. Every new sheet is read with
      them; taken back, they stay on the sheets that have them.
    </p>
    <table v-if="workshop.words.length">
      <tbody>
        <tr v-for="word in workshop.words" :key="word.word.word">
          <td>{{ word.says }}</td>
          <td v-if="mayTakeBack">
            <button type="button" class="link" :aria-label="`Take back: ${word.says}`" @click="emit('takeBack', word.word.word)">
              take back
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="empty">None yet. On a chip under a step, “Always: …” teaches one.</p>
  </section>
</template>

<style scoped>
.words {
  margin-top: 34px;
}

table {
  border-collapse: collapse;
}

td {
  padding: 3px 22px 3px 0;
  border-bottom: 1px solid var(--line);
}
</style>
