<script setup lang="ts">
import type { PrintView } from '../shared/api/client';

/** What is other than in the revision people worked from before. Who knows that one reads this first. */
defineProps<{ changes: NonNullable<PrintView['changes']>; marked: boolean }>();

/** A sheet written anew differs in everything: more than this nobody reads on paper. */
const MOST = 24;
</script>

<template>
  <section class="changes">
    <h2>Changed since revision {{ changes.letter }}</h2>
    <p v-if="changes.why" class="why">{{ changes.why }}</p>
    <ul>
      <li v-for="(line, i) in changes.says.slice(0, MOST)" :key="i">{{ line }}</li>
      <li v-if="changes.says.length > MOST">and {{ changes.says.length - MOST }} more, told under Review</li>
    </ul>
    <p v-if="marked">A bar in the margin marks the steps and values it touches.</p>
  </section>
</template>

<style scoped>
.changes {
  margin: 0 0 12px;
  padding: 4px 12px 8px;
  border-left: 1.2mm solid #000;
  font-size: 13px;
}

h2 {
  font-size: 17px;
  break-after: avoid;
}

ul {
  margin: 2px 0 4px;
  padding-left: 16px;
}

li {
  break-inside: avoid;
}

p {
  margin: 0;
  color: #333;
}

.why {
  color: #000;
  font-weight: 600;
}
</style>
