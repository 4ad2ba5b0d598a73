<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type WorkshopView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { day } from '../shared/when';
import CribReach from './CribReach.vue';
import RowsTable from './RowsTable.vue';
import { useSettings } from './settings';

const settings = useSettings();
const view = computed(() => settings.view!);
const file = ref<HTMLInputElement | null>(null);
const columns = computed(() =>
  view.value.columns.map((c) => ({
    key: c,
    label: c,
    width: c === 'name' ? '120px' : c === 'calibrated' ? '112px' : undefined,
    example: c === 'calibrated' ? 'yyyy-mm-dd' : c === 'name' ? 'TW-5' : undefined,
  })),
);
const fresh = computed<Record<string, string>>(() => ({
  ...Object.fromEntries(view.value.columns.map((c) => [c, ''])),
  unit: 'N·m',
  step: '1',
  drive: '1/2 in',
  cycles: '0',
}));
const about = (row: Record<string, string>): WorkshopView['crib'][number] | undefined =>
  view.value.crib.find((w) => w.cells.name === row.name);

const dueOf = (row: Record<string, string>): string => {
  const due = about(row)?.due;
  return due ? day(`${due}T12:00:00`) : '';
};

/** A file is read into the rows; it is kept like anything else that is written here. */
async function readFile(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement;
  const chosen = field.files?.[0];
  if (!chosen) return;
  const csv = await chosen.text();
  field.value = '';
  try {
    settings.now!.crib = (await take(api.POST('/api/workshop/crib.csv', { body: { csv } }))) as Record<string, string>[];
    delete settings.troubles.crib;
  } catch (error) {
    settings.troubles.crib = troubleOf(error);
  }
}
</script>

<template>
  <CribReach :crib="view.crib" />
  <RowsTable
    v-model="settings.now!.crib"
    name="Torque tools of the crib"
    one="tool"
    :columns="columns"
    :fresh="fresh"
    :may-change="view.mayChange"
  >
    <template #heads>
      <th scope="col">used from</th>
      <th scope="col">calibrate by</th>
    </template>
    <template #cells="{ row }">
      <td class="figures quiet">{{ about(row)?.usedFrom }}</td>
      <td class="figures" :class="{ overdue: about(row)?.overdue }" :title="about(row)?.overdue">
        {{ about(row)?.overdue ? '▲ ' : '' }}{{ dueOf(row) }}
      </td>
    </template>
    <template #empty>
      <p class="empty">
        The crib is empty: no value is held against it.
        <template v-if="view.mayChange">Add the torque tools you own, or read a CSV.</template>
      </p>
    </template>
    <template #acts>
      <a class="link" href="/api/workshop/crib.csv" download="crib.csv">Save as CSV</a>
      <button type="button" class="link" @click="file?.click()">Read a CSV in its place</button>
      <input
        ref="file"
        type="file"
        accept=".csv,text/csv"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Crib as CSV"
        @change="readFile"
      />
    </template>
  </RowsTable>
</template>

<style scoped>
td.figures {
  font-size: 13px;
  white-space: nowrap;
}

th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 5px;
  border-bottom: 1.5px solid var(--ink);
}

.overdue {
  color: var(--clay);
  font-weight: 700;
}
</style>
