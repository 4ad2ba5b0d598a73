<script setup lang="ts">
/** Holds a table that may be wider than the page: it scrolls in itself, by keys too, and the page does not. */
defineProps<{ name: string }>();
</script>

<template>
  <div class="scrolls" tabindex="0" role="region" :aria-label="name">
    <slot />
  </div>
</template>

<style scoped>
.scrolls {
  position: relative;
  overflow-x: auto;
}
</style>
