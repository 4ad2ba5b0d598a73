<script setup lang="ts">
import { computed } from 'vue';
import RowsTable from './RowsTable.vue';
import { useSettings } from './settings';

/** Hand tools in sets: on Ready they are in hand without a tick. */
const settings = useSettings();
const view = computed(() => settings.view!);
const columns = [
  { key: 'name', label: 'set', example: 'Trolley 1', width: '190px' },
  { key: 'holds', label: 'what is in it', example: 'sockets 8–32 mm, T20–T60 bits, screwdrivers', lines: true, most: 1000 },
] as const;
const addUsual = (): void => void settings.now!.handTools.push({ ...view.value.usualHandTools });
</script>

<template>
  <RowsTable
    v-model="settings.now!.handTools"
    name="Sets of hand tools"
    one="set"
    :columns="[...columns]"
    :fresh="{ name: '', holds: '' }"
    :may-change="view.mayChange"
  >
    <template #empty>
      <p class="empty">
        No set is kept: each socket and ratchet is ticked off on Ready, job by job.
        <template v-if="view.mayChange">Begin from the usual set, and take out what you do not have.</template>
      </p>
    </template>
    <template #acts>
      <button v-if="!settings.now!.handTools.length" type="button" class="link" @click="addUsual">Begin from the usual set</button>
    </template>
  </RowsTable>
  <p class="quiet">
    Write a tool and its sizes, with commas between: <i>sockets 8–32 mm</i>, <i>ratchets or bars 1/4, 3/8, 1/2 in</i>. A tool counts as in
    the set when its kind and its size are.
  </p>
</template>
