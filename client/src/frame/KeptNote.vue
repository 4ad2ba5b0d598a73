<script setup lang="ts">
import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import { useDraft } from '../shared/draft';

/** Says quietly that everything is kept, or that it waits for the connection. */
const draft = useDraft();
const now = useNow({ interval: 1000 });
const text = computed(() => {
  if (draft.signedOut) return `signed out: ${draft.waiting} edit${draft.waiting === 1 ? '' : 's'} wait here`;
  if (!draft.connected)
    return draft.waiting > 0 ? `not connected: ${draft.waiting} edit${draft.waiting === 1 ? '' : 's'} wait here` : 'not connected';
  if (draft.waiting > 0) return 'keeping …';
  if (draft.keptAt === null) return '';
  const seconds = Math.max(0, Math.round((now.value.getTime() - draft.keptAt) / 1000));
  if (seconds < 60) return `kept ${seconds} s ago`;
  return `kept ${Math.round(seconds / 60)} min ago`;
});
</script>

<template>
  <span class="kept" :class="{ lost: !draft.connected }" data-testid="kept">{{ text }}</span>
  <router-link v-if="draft.signedOut" :to="{ name: 'sign-in', query: { to: $route.fullPath } }">Sign in again</router-link>
  <span v-if="!draft.connected" class="visually-hidden" role="status"
    >Not connected. What you type is kept in this browser and sent when the server is back.</span
  >
</template>

<style scoped>
.kept {
  font-size: 13px;
  color: var(--ink-soft);
  white-space: nowrap;
}

.lost {
  color: var(--clay);
  font-weight: 600;
}
</style>
