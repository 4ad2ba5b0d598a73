<script setup lang="ts">
import { ref } from 'vue';
import type { FormerDocument } from '../shared/api/client';
import { useSession } from '../shared/session';
import { several } from '../shared/several';
import FormerEditions from './FormerEditions.vue';
import RowsTable from './RowsTable.vue';
import { useSettings } from './settings';

/** The torque values kept once for all sheets, and the sheets that have a former version of one. */
const settings = useSettings();
const session = useSession();
const used = ref<FormerDocument[]>([]);
const choices = settings.view!.valueChoices;
const keptOf = (row: Record<string, string>): { version: number; sheets: number } | null => {
  const kept = settings.view!.values.find((v) => v.cells.name?.toLowerCase() === row.name?.trim().toLowerCase());
  return kept ? { version: kept.version, sheets: used.value.find((u) => u.name === kept.cells.name)?.sheets ?? 0 } : null;
};
</script>

<template>
  <RowsTable
    v-model="settings.now!.values"
    name="Values"
    one="value"
    :columns="[
      { key: 'name', label: 'name', example: 'T28 wheel nuts', most: 80, lines: true, width: '140px' },
      { key: 'torque', label: 'torque', example: '95 N·m, or 40 N·m + 90°', most: 200, lines: true, width: '118px' },
      { key: 'source', label: 'source', example: 'Service manual T28, 3rd ed., p. 88', most: 300, lines: true, width: '180px' },
      { key: 'stated', label: 'stated for', choices: choices.stated, width: '92px' },
      { key: 'condition', label: 'torqued with', choices: choices.condition, width: '124px' },
      { key: 'variants', label: 'other values', example: 'left: 40 N·m', most: 500, lines: true, width: '128px' },
    ]"
    :fresh="{ name: '', torque: '', source: '', stated: choices.stated![0]!, condition: choices.condition![0]!, variants: '' }"
    :may-change="settings.view!.mayChange"
  >
    <template #heads><th scope="col" class="on">kept</th></template>
    <template #cells="{ row }">
      <td class="on">
        <template v-if="keptOf(row) !== null">
          version {{ keptOf(row)!.version
          }}<template v-if="keptOf(row)!.sheets"
            >, on
            <router-link :to="{ name: 'uses', query: { kind: 'value', q: row.name } }">{{
              several(keptOf(row)!.sheets, 'sheet')
            }}</router-link></template
          >
        </template>
        <span v-else class="quiet">new</span>
      </td>
    </template>
    <template #empty
      ><p class="empty">
        No value is kept yet. A value kept here is written once, with its source; joints take it, and when it changes every sheet that has
        it is listed below and its owner told.
      </p></template
    >
  </RowsTable>
  <FormerEditions v-if="!session.isReader" kind="value" :version="settings.view!.version" @loaded="used = $event" />
</template>

<style scoped>
.on {
  width: 100px;
}

td.on {
  font-size: 13.5px;
}
</style>
