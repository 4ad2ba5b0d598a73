<script setup lang="ts">
import type { Trouble } from './api/client';

/** Why a field's text was not taken, right under it. */
defineProps<{ id: string; trouble: Trouble | undefined }>();
</script>

<template>
  <span v-if="trouble" :id="id" class="refusal" role="alert"
    ><strong>{{ trouble.title }}</strong> {{ trouble.detail }}</span
  >
</template>

<style scoped>
.refusal {
  position: relative;
  z-index: 1;
  display: block;
  width: max-content;
  max-width: min(330px, 80vw);
  margin: 2px 0 4px;
  padding: 2px 5px;
  font: 13px/1.35 var(--text);
  background: var(--clay-pale);
  border-left: 3px solid var(--clay);
}
</style>
