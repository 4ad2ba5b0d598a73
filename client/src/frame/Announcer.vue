<script setup lang="ts">
import { ref, watch } from 'vue';
import { said } from '../shared/say';

/** One line at the foot of the page that says what was just done; read out once, gone after some seconds. */
const shown = ref('');
let timer: ReturnType<typeof setTimeout> | undefined;

watch(said, ({ text }) => {
  shown.value = '';
  clearTimeout(timer);
  // The same words twice are said twice.
  requestAnimationFrame(() => (shown.value = text));
  timer = setTimeout(() => (shown.value = ''), 6000);
});
</script>

<template>
  <div role="status" class="announcer" :class="{ shown }" data-testid="said">{{ shown }}</div>
</template>

<style scoped>
.announcer {
  position: fixed;
  left: 50%;
  bottom: 14px;
  z-index: 900;
  max-width: min(92vw, 640px);
  transform: translateX(-50%);
  pointer-events: none;
}

.shown {
  padding: 7px 14px;
  font-size: 14px;
  color: var(--on-dark);
  background: var(--dark);
  border-radius: 3px;
}

@media print {
  .announcer {
    display: none;
  }
}
</style>
