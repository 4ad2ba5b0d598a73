<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { defineAsyncComponent, onBeforeUnmount, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import type { Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useCursor } from '../shared/cursor';
import { useComments } from '../shared/comments';
import { useLive } from '../shared/live';
import { singleKeys } from '../shared/singleKeys';
import TopBar from './TopBar.vue';
import StandingBar from './StandingBar.vue';
import TroubleBar from './TroubleBar.vue';

const route = useRoute();
const draft = useDraft();
const cursor = useCursor();
const failure = ref<Trouble | null>(null);
// Fetched when first opened; the worker has them where there is no connection.
const FindingsDrawer = defineAsyncComponent(() => import('./FindingsDrawer.vue'));
const GoAnywhere = defineAsyncComponent(() => import('./GoAnywhere.vue'));
const CommentsDrawer = defineAsyncComponent(() => import('./CommentsDrawer.vue'));
const KeysDialog = defineAsyncComponent(() => import('./KeysDialog.vue'));
const findingsOpen = ref(false);
const keysOpen = ref(false);
const goOpen = ref(false);
const comments = useComments();
const wanted = ref(new Set<string>());
watch([findingsOpen, keysOpen, goOpen], ([findings, keys, go]) => {
  if (findings) wanted.value.add('findings');
  if (keys) wanted.value.add('keys');
  if (go) wanted.value.add('go');
});
watch(
  () => comments.open,
  (open) => open && wanted.value.add('comments'),
);

watch(
  () => route.params.id,
  async (id) => {
    if (typeof id !== 'string') return;
    failure.value = null;
    try {
      await draft.open(Number(id));
      const { step } = route.query;
      const first = draft.order[0] ?? null;
      cursor.reset(typeof step === 'string' && draft.order.includes(step) ? step : first);
      // A blank sheet is there to be written on; a link to a step leads into it.
      if (
        cursor.step !== null &&
        draft.canEdit &&
        (cursor.step !== first || (draft.order.length === 1 && draft.textOf(cursor.step) === ''))
      )
        cursor.goTo(cursor.step);
    } catch (error) {
      failure.value = troubleOf(error);
    }
  },
  { immediate: true },
);

// Which sheet, and which face of it: also for who has several open.
watch(
  () => [draft.revision, route.meta.title] as const,
  ([revision, face]) => {
    if (revision) document.title = `${revision.number} ${revision.title}: ${String(face ?? '')} · Worn Path`;
  },
  { flush: 'post' },
);

const { here } = useLive();
onBeforeUnmount(() => draft.close());

const inText = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;

// A file that is dropped beside what takes it would be opened in place of the page.
for (const name of ['dragover', 'drop'] as const)
  useEventListener(window, name, (event: DragEvent) => {
    if (event.dataTransfer?.types.includes('Files')) event.preventDefault();
  });

// Who goes on typing while the comments come does not write into the step.
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    if (!comments.opening || (event.target as HTMLElement | null)?.id === 'comment' || event.ctrlKey || event.metaKey) return;
    if (event.key.length === 1) comments.type('new', comments.textOf('new') + event.key);
    if (event.key.length > 1 && !['Enter', 'Backspace', 'Delete'].includes(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
  },
  { capture: true },
);

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const ctrl = event.ctrlKey || event.metaKey;
  if (event.key === 'F8') {
    event.preventDefault();
    draft.flushAll();
    cursor.toFinding(event.shiftKey ? -1 : 1);
  } else if (event.key === 'F9') {
    event.preventDefault();
    if (comments.open) comments.open = false;
    else comments.write(null, true);
  } else if (ctrl && event.key === '.') {
    event.preventDefault();
    cursor.applyFix();
  } else if (ctrl && event.key.toLowerCase() === 'k') {
    event.preventDefault();
    goOpen.value = true;
  } else if (ctrl && event.key.toLowerCase() === 'z' && draft.canEdit) {
    event.preventDefault();
    draft.back(event.shiftKey ? 'redo' : 'undo');
  } else if (ctrl && event.key.toLowerCase() === 'y' && draft.canEdit) {
    event.preventDefault();
    draft.back('redo');
  } else if (event.key === '?' && singleKeys.value && !inText(event.target)) {
    event.preventDefault();
    keysOpen.value = true;
  }
});
</script>

<template>
  <div class="procedure">
    <TopBar :here="here" @findings="findingsOpen = true" @keys="keysOpen = true" @go="goOpen = true" />
    <TroubleBar />
    <StandingBar />
    <main v-if="failure" class="failure">
      <h1>{{ failure.title }}</h1>
      <p>{{ failure.detail }}</p>
      <router-link to="/">To the shelf</router-link>
    </main>
    <p v-else-if="!draft.revision" class="failure quiet" role="status">Opening …</p>
    <router-view v-else />
    <FindingsDrawer v-if="wanted.has('findings')" v-model:open="findingsOpen" />
    <CommentsDrawer v-if="wanted.has('comments')" />
    <KeysDialog v-if="wanted.has('keys')" v-model:open="keysOpen" />
    <GoAnywhere v-if="wanted.has('go')" v-model:open="goOpen" />
  </div>
</template>

<style scoped>
.procedure {
  height: 100%;
  display: flex;
  flex-direction: column;
}

.failure {
  padding: 60px;
}

@media print {
  .procedure {
    height: auto;
    display: block;
  }
}
</style>
