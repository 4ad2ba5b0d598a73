<script setup lang="ts">
import type { PrintView } from '../shared/api/client';
import ChangeList from '../shared/ChangeList.vue';

/** What is other than in the revision people worked from before. Who knows that one reads this first. */
defineProps<{ changes: NonNullable<PrintView['changes']>; marked: boolean }>();
</script>

<template>
  <section class="changes">
    <h2>Changed since revision {{ changes.letter }}</h2>
    <ChangeList :changes="changes" />
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

p {
  margin: 0;
  color: #333;
}
</style>
