<script setup lang="ts">
import { refDebounced, useNow } from '@vueuse/core';
import { computed } from 'vue';
import { useOutbox } from '../outbox/useOutbox';
import { useDraft } from '../shared/draft';
import { clock } from '../shared/when';

/** Says quietly that everything is kept, or what it waits for. "Kept" is what the server has acknowledged. */
const draft = useDraft();
const outbox = useOutbox();
const now = useNow({ interval: 1000 });
const edits = computed(() => `${draft.waiting} edit${draft.waiting === 1 ? ' waits' : 's wait'} here`);
const trouble = computed(() => outbox.standing.trouble);
const lost = computed(() => !draft.connected || draft.signedOut || trouble.value !== null || outbox.unkept);
/** Many steps pasted at once take the server a while to read: after half a second that is said. */
const slow = refDebounced(
  computed(() => draft.connected && draft.reading >= 20),
  500,
);
const many = computed(() => slow.value && draft.reading >= 20);
const text = computed(() => {
  if (outbox.unkept && draft.waiting > 0) return `${edits.value}, and this browser keeps nothing: do not close the page`;
  if (draft.signedOut) return draft.waiting > 0 ? `signed out: ${edits.value}` : 'signed out';
  if (!draft.connected) {
    const since = draft.asOf === null ? '' : `, as of ${clock(draft.asOf)}`;
    return draft.waiting > 0 ? `not connected${since}: ${edits.value}` : `not connected${since}`;
  }
  if (trouble.value && draft.waiting > 0) return `${trouble.value.title.replace(/\.$/, '')}: ${edits.value}`;
  if (many.value) return `reading ${draft.reading.toLocaleString('en-GB')} steps …`;
  if (draft.waiting > 0) return 'keeping …';
  if (draft.keptAt === null) return '';
  const seconds = Math.max(0, Math.round((now.value.getTime() - draft.keptAt) / 1000));
  if (seconds < 60) return `kept ${seconds} s ago`;
  return `kept ${Math.round(seconds / 60)} min ago`;
});
</script>

<template>
  <span class="kept" :class="{ lost }" data-testid="kept" :title="text">{{ text }}</span>
  <router-link v-if="draft.signedOut" :to="{ name: 'sign-in', query: { to: $route.fullPath } }">Sign in again</router-link>
  <template v-if="many">
    <progress aria-hidden="true"></progress>
    <span class="visually-hidden" role="status">{{ text }}</span>
  </template>
  <span v-if="lost" class="visually-hidden" role="status"
    >{{ text }}. What you type is kept in this browser and sent when the server takes it.</span
  >
</template>

<style scoped>
.kept {
  max-width: 340px;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 13px;
  color: var(--ink-soft);
  white-space: nowrap;
}

progress {
  width: 60px;
  height: 6px;
  accent-color: var(--moss);
}

.lost {
  color: var(--clay);
  font-weight: 600;
}
</style>
