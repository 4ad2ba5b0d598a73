<script setup lang="ts">
import type { Trouble } from './api/client';

/** What went wrong and what to do, said at once to those who do not see it. */
defineProps<{ trouble: Trouble }>();
</script>

<template>
  <p class="note" role="alert">
    <strong>{{ trouble.title }}</strong> {{ trouble.detail }}
  </p>
</template>

<style scoped>
.note {
  margin: 10px 0;
  padding: 8px 12px;
  background: var(--clay-pale);
  border-left: 4px solid var(--clay);
}
</style>
