<script setup lang="ts">
import type { FigurePicture } from './api/client';
import { useEscape } from './escape';
import { pageAt } from './figure';

/** A page of a source document, as large as there is room, so that a value is read from it and from nowhere else. */
defineProps<{ source: string; picture: FigurePicture }>();
const open = defineModel<boolean>('open', { required: true });
useEscape(
  () => open.value,
  () => (open.value = false),
);
</script>

<template>
  <a-modal :open="open" :title="source" :width="980" :footer="null" destroy-on-close @cancel="open = false">
    <div class="page" tabindex="0" role="region" :aria-label="`The page: ${source}`">
      <img :src="pageAt(picture.key)" :width="picture.width" :height="picture.height" :alt="`Page of ${source}`" />
    </div>
    <slot />
    <p><a :href="pageAt(picture.key)" target="_blank" rel="noopener">Open it by itself</a>, to see it larger.</p>
  </a-modal>
</template>

<style scoped>
.page {
  max-height: 70vh;
  overflow: auto;
  background: var(--field);
  border: 1px solid var(--line-strong);
}

img {
  display: block;
  width: 100%;
  height: auto;
}

p {
  margin: 8px 0 0;
}
</style>
