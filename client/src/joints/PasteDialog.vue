<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';

/** A fastener table pasted from a spreadsheet: what was understood is shown before anything is taken. */
const open = defineModel<boolean>('open', { required: true });
const draft = useDraft();
useEscape(
  () => open.value,
  () => (open.value = false),
);
const text = ref('');
const busy = ref(false);
const { answer: table, trouble } = useAsked(
  () => (open.value && text.value.trim() ? text.value : null),
  (id, pasted) => take(api.POST('/api/revisions/{id}/joint-table', { params: { path: { id } }, body: { text: pasted } })),
);

watch(open, (now) => {
  if (now) text.value = '';
});
const taken = computed(() => table.value?.rows.filter((r) => r.isTaken).length ?? 0);
const odd = computed(() => table.value?.rows.reduce((sum, r) => sum + r.cells.filter((c) => c.problem).length, 0) ?? 0);

async function takeAll(): Promise<void> {
  if (!table.value?.edit) return;
  busy.value = true;
  // Refused, it stays here, with what was pasted.
  if (await draft.sendAndSettle(table.value.edit)) open.value = false;
  busy.value = false;
}
</script>

<template>
  <a-modal v-model:open="open" title="Paste a fastener table" width="1080px" :footer="null">
    <p class="quiet">
      Copy the rows in the spreadsheet, the head row with them, and paste them here. Columns may stand in any order: joint, qty, fastener,
      torque, source, treatment, pattern … A unit in a head, such as <em>torque (lbf·ft)</em>, holds for the bare numbers below it.
    </p>
    <textarea
      v-model="text"
      class="plain figures"
      :rows="table ? 3 : 9"
      aria-label="Table to paste"
      placeholder="joint	qty	fastener	torque	source"
      spellcheck="false"
    ></textarea>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div v-if="table" class="preview">
      <table>
        <thead>
          <tr>
            <th scope="col" class="figures">row</th>
            <th v-for="(column, i) in table.columns" :key="i" scope="col" :class="{ out: !column.field }">
              {{ column.field ? column.label : column.head || '—' }}<small v-if="!column.field">{{ column.label }}</small>
            </th>
            <th scope="col">what happens</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in table.rows" :key="row.line" :class="{ out: !row.isTaken }">
            <td class="figures">{{ row.line }}</td>
            <td v-for="(cell, i) in row.cells" :key="i" :class="{ odd: cell.problem, out: !table.columns[i]?.field }">
              {{ cell.text }}<small v-if="cell.problem">{{ cell.problem }}</small>
            </td>
            <td>{{ row.does }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="table" class="foot">
      <ActButton type="primary" :disabled="!table.edit" :loading="busy" @click="takeAll">
        Take {{ taken }} row{{ taken === 1 ? '' : 's' }}
      </ActButton>
      <span v-if="odd" class="quiet">{{ odd }} cell{{ odd === 1 ? ' is' : 's are' }} not understood and left empty.</span>
      <span v-else class="quiet">All of it is understood. One undo takes it back.</span>
    </div>
  </a-modal>
</template>

<style scoped>
textarea {
  width: 100%;
  white-space: pre;
  font-size: 13px;
}

.preview {
  max-height: 46vh;
  overflow: auto;
  margin-top: 10px;
  border: 1px solid var(--line-strong);
}

table {
  border-collapse: collapse;
  width: 100%;
  background: var(--field);
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
  font-size: 13.5px;
}

th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  font: 600 15px/1.1 var(--heading);
}

.out {
  color: var(--ink-soft);
  background: var(--paper);
}

.odd {
  background: var(--ochre-pale);
  box-shadow: inset 3px 0 0 var(--ochre-mark);
}

small {
  display: block;
  font: 12px/1.3 var(--text);
}
</style>
