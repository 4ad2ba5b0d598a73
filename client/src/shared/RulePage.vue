<script setup lang="ts">
import { useEscape } from './escape';

/** The page of a rule: what it asks for, and what it rests on. */
defineProps<{ page: { title: string; html: string } }>();
const emit = defineEmits<{ close: [] }>();
useEscape(
  () => true,
  () => emit('close'),
);
</script>

<template>
  <a-modal :open="true" :title="page.title" :footer="null" :width="640" @cancel="emit('close')">
    <!-- eslint-disable-next-line vue/no-v-html -- sanitised by the server, which made it from its own pages -->
    <div class="page" v-html="page.html"></div>
  </a-modal>
</template>

<style scoped>
.page :deep(h1) {
  display: none;
}

.page :deep(h2) {
  font-size: 18px;
  margin: 14px 0 4px;
}

.page :deep(p) {
  margin: 0 0 8px;
}
</style>
