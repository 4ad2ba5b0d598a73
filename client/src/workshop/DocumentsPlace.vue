<script setup lang="ts">
import FormerEditions from './FormerEditions.vue';
import { useSession } from '../shared/session';
import PagesKept from './PagesKept.vue';
import RowsTable from './RowsTable.vue';
import { useSettings } from './settings';

/** The documents values are taken from, each with the edition in force. */
const settings = useSettings();
const session = useSession();
</script>

<template>
  <RowsTable
    v-model="settings.now!.documents"
    name="Source documents"
    one="document"
    :columns="[
      { key: 'name', label: 'document, as sources cite it', example: 'Service manual T28', most: 120 },
      { key: 'edition', label: 'edition in force', example: '3rd ed., rev. B', width: '220px', most: 40 },
      { key: 'dated', label: 'dated', example: '2026-03', width: '110px', most: 10 },
    ]"
    :fresh="{ name: '', edition: '', dated: '' }"
    :may-change="settings.view!.mayChange"
  >
    <template #empty><p class="empty">No document is kept: a value’s edition is held against the others on its sheet alone.</p></template>
  </RowsTable>
  <PagesKept v-if="!session.isReader" />
  <FormerEditions v-if="!session.isReader" kind="source" :version="settings.view!.version" />
</template>
