<script setup lang="ts">
import { isDark, look } from '../shared/look';

/** From day to night and back; under one's own name it can be left to the system. */
function turn(): void {
  look.value = isDark.value ? 'light' : 'dark';
}
</script>

<template>
  <button
    type="button"
    class="look"
    :aria-label="isDark ? 'Light page' : 'Dark page'"
    :title="isDark ? 'Light page' : 'Dark page, for the shop floor'"
    @click="turn"
  >
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
      <circle cx="9" cy="9" r="7" />
      <path d="M9 2a7 7 0 0 1 0 14Z" />
    </svg>
  </button>
</template>

<style scoped>
.look {
  flex: none;
  align-self: center;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  width: 30px;
  height: 30px;
  color: inherit;
  background: none;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  padding: 0;
  cursor: pointer;
}

.look:hover {
  background: var(--moss-pale);
}

circle {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
}

path {
  fill: currentcolor;
}
</style>
