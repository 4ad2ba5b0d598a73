<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, nextTick, ref, watch } from 'vue';
import { wordsAhead } from '../shared/wordsAhead';
import { offerFor } from './ahead';
import { aheadFor, usualWords } from './useAhead';

/** The words offered behind what is typed, in the line itself: → takes them, whatever else is typed passes them by, Esc puts them away. */
const props = defineProps<{ id: string; text: string; area: HTMLTextAreaElement | null }>();
const atEnd = ref(false);
const putAway = ref<string | null>(null);

function look(): void {
  const area = props.area;
  atEnd.value =
    !!area && document.activeElement === area && area.selectionStart === area.value.length && area.selectionEnd === area.value.length;
}

useEventListener(document, 'selectionchange', look);
useEventListener(document, 'focusin', look);
watch(
  () => [props.area, props.text],
  () => void nextTick(look),
  { immediate: true },
);

const offer = computed(() =>
  wordsAhead.value && atEnd.value && putAway.value !== props.text ? offerFor(props.text, aheadFor(props.id), usualWords()) : null,
);

/** Writes what is offered as if it were typed; false where nothing is. */
function takeIt(): boolean {
  if (!offer.value || !props.area) return false;
  props.area.focus();
  // So that the browser's own undo knows it, too.
  document.execCommand('insertText', false, offer.value.rest);
  return true;
}

/** Offers nothing more until something is typed; false where nothing was offered. */
function putItAway(): boolean {
  if (!offer.value) return false;
  putAway.value = props.text;
  return true;
}

defineExpose({ takeIt, putItAway, offer });
</script>

<template>
  <div v-if="offer" class="ghost" aria-hidden="true" data-testid="ahead">
    <span class="typed">{{ text }}</span><span class="rest">{{ offer.rest }}</span
    ><span v-if="offer.source" class="source"> ({{ offer.source }})</span>
    <button type="button" tabindex="-1" title="Take it (→)" @mousedown.prevent @click.stop="takeIt">→</button>
  </div>
</template>

<style scoped>
.ghost {
  font: 17px/25px var(--text);
  white-space: pre-wrap;
  overflow-wrap: break-word;
  pointer-events: none;
}

.typed {
  visibility: hidden;
}

.rest,
.source {
  color: var(--ink-soft);
}

.source {
  font-size: 13px;
}

button {
  min-width: 24px;
  height: 24px;
  margin-left: 4px;
  padding: 0;
  font: 14px/22px var(--figures);
  color: var(--ink-soft);
  background: none;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  cursor: pointer;
  pointer-events: auto;
}
</style>
