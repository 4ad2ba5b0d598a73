<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { SourceDocument, WorkshopView } from '../shared/api/client';
import Scrolls from '../shared/Scrolls.vue';
import ActButton from '../shared/ActButton.vue';

/** The documents values are taken from, each with the edition in force. */
const props = defineProps<{ workshop: WorkshopView }>();
const emit = defineEmits<{ keep: [documents: SourceDocument[]] }>();
const rows = ref<SourceDocument[]>([]);
watch(
  () => props.workshop.documents,
  (documents) => {
    rows.value = documents.map((d) => ({ ...d }));
  },
  { immediate: true },
);
const changed = computed(() => JSON.stringify(rows.value) !== JSON.stringify(props.workshop.documents));
</script>

<template>
  <section aria-labelledby="documents" class="documents">
    <h2 id="documents">Source documents</h2>
    <p class="quiet">
      What values are taken from, and the edition you work by. A value from an earlier one is found on every sheet, released ones too.
    </p>
    <Scrolls v-if="rows.length" name="Documents">
      <table>
        <thead>
          <tr>
            <th scope="col">document, as sources cite it</th>
            <th scope="col">edition in force</th>
            <th v-if="workshop.mayChange" scope="col"><span class="visually-hidden">Take away</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="i">
            <td>
              <input
                v-model="row.name"
                class="plain"
                maxlength="120"
                :aria-label="`Name of document ${i + 1}`"
                placeholder="Service manual T28"
                :disabled="!workshop.mayChange"
              />
            </td>
            <td>
              <input
                v-model="row.edition"
                class="plain"
                maxlength="40"
                :aria-label="`Edition of ${row.name || `document ${i + 1}`}`"
                placeholder="3rd ed., rev. B"
                :disabled="!workshop.mayChange"
              />
            </td>
            <td v-if="workshop.mayChange">
              <button type="button" class="link" :aria-label="`Take out ${row.name || 'the document'}`" @click="rows.splice(i, 1)">
                take out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </Scrolls>
    <p v-else>No document is kept: a value’s edition is held against the others on its sheet alone.</p>
    <div v-if="workshop.mayChange" class="acts">
      <ActButton @click="rows.push({ name: '', edition: '' })">Add a document</ActButton>
      <ActButton type="primary" :disabled="!changed" @click="emit('keep', rows)">Keep the documents</ActButton>
    </div>
  </section>
</template>

<style scoped>
.documents {
  margin-top: 34px;
}

table {
  border-collapse: collapse;
}

th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 12px 5px 0;
}

td {
  padding: 4px 12px 4px 0;
}

td:first-child {
  width: 440px;
}

td:nth-child(2) {
  width: 190px;
}

td input {
  width: 100%;
}

.acts {
  display: flex;
  gap: 12px;
  margin-top: 10px;
}
</style>
