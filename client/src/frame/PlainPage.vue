<script setup lang="ts">
import PlainBar from './PlainBar.vue';

/** A page that stands beside the procedures: the plain bar, and what the page has to show. */
defineProps<{ name: string }>();
</script>

<template>
  <div class="page">
    <PlainBar />
    <main id="main" tabindex="0" :aria-label="name">
      <slot />
    </main>
  </div>
</template>

<style scoped>
.page {
  height: 100%;
  display: flex;
  flex-direction: column;
}

main {
  position: relative;
  flex: 1;
  overflow: auto;
  padding: 26px 40px 60px;
}

@media (width <= 700px) {
  main {
    padding: 16px 14px 40px;
  }
}

@media (width <= 1000px) {
  main :deep(.head),
  main :deep(.line) {
    flex-wrap: wrap;
  }
}
</style>
