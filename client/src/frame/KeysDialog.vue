<script setup lang="ts">
import JointGlyph from '../shared/JointGlyph.vue';
import { allGlyphs, glyphName } from '../shared/glyphNames';
import { useEscape } from '../shared/escape';

const open = defineModel<boolean>('open', { required: true });
const keys: [string, string][] = [
  ['Enter', 'new step, or the text behind the cursor into a new one'],
  ['Shift + Enter', 'new line in the step'],
  ['→ at the end of a text', 'take the words offered; Esc puts them away'],
  ['/ in an empty step', 'insert a block of the workshop'],
  ['Backspace in an empty step', 'delete it'],
  ['↑ ↓ at the edge of a step', 'to the step before or behind'],
  ['Tab, Shift + Tab', 'on through the step: what was read, answers, minutes, findings; then to the next'],
  ['Esc', 'from the text to the step as a whole; Enter goes back into it'],
  ['Alt + ↑ ↓', 'move the step, or all that are chosen'],
  ['Alt + Shift + ↑ ↓', 'into the phase before, or the next one'],
  ['Ctrl + M', 'all that can be done to the step: duplicate, new phase from here, link'],
  ['Shift + ↑ ↓', 'from the text’s beginning or end on: choose more steps; Delete takes them away'],
  ['Alt + 1 … 9', 'answer the first question of the step'],
  ['Alt + Enter', 'mend what was read nearest the cursor; then a digit, or 0 to say it in full'],
  ['F8, Shift + F8', 'next finding, the one before'],
  ['F9', 'comment on the words that are chosen, or on the step; T on a comment takes what it suggests'],
  ['Ctrl + .', 'apply its fix, or go to its answers'],
  ['Ctrl + Z, Ctrl + Y', 'undo, redo, also after a reload'],
  ['Ctrl + K', 'go anywhere'],
  ['Chart: arrows, N, P, Enter', 'cell to cell, to the next and the last change, to the step'],
  ['Joints: Enter, ↑ ↓', 'down and up the column'],
  ['Joints: Alt + →, Alt + ←', 'to the panel beside the row, and back'],
  ['?', 'this list'],
];
useEscape(
  () => open.value,
  () => (open.value = false),
);
</script>

<template>
  <a-modal v-model:open="open" title="Keys and glyphs" :footer="null" :width="780">
    <div class="columns">
      <dl>
        <template v-for="[key, what] in keys" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ what }}</dd>
        </template>
      </dl>
      <ul aria-label="Glyphs of a joint">
        <li v-for="glyph in allGlyphs" :key="glyphName(glyph)"><JointGlyph :glyph="glyph" silent /> {{ glyphName(glyph) }}</li>
      </ul>
    </div>
  </a-modal>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 190px;
  gap: 30px;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 5px 14px;
  margin: 0;
}

dd {
  margin: 0;
}

kbd {
  font: 13px var(--figures);
  white-space: nowrap;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 5px;
  align-content: start;
}
</style>
