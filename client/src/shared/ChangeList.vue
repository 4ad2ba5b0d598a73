<script setup lang="ts">
import type { PrintView } from './api/client';

/** What is other than in the revision people worked from before: why, and what, a line a change. */
defineProps<{ changes: NonNullable<PrintView['changes']> }>();

/** A sheet written anew differs in everything: more than this nobody reads. */
const MOST = 24;
</script>

<template>
  <p v-if="changes.why" class="why">{{ changes.why }}</p>
  <ul>
    <li v-for="(line, i) in changes.says.slice(0, MOST)" :key="i">{{ line }}</li>
    <li v-if="changes.says.length > MOST">and {{ changes.says.length - MOST }} more, told under Review</li>
  </ul>
</template>

<style scoped>
ul {
  margin: 2px 0 4px;
  padding-left: 16px;
}

li {
  break-inside: avoid;
}

.why {
  margin: 0;
  font-weight: 600;
}
</style>
