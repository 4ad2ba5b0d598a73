<script setup lang="ts">
import { ref } from 'vue';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import { useWalkAs } from '../shared/walkAs';

/** Walking as: which variant, which side, and how steps turn out that can turn out otherwise. All faces follow. */
const draft = useDraft();
const walkAs = useWalkAs();
const open = ref(false);
useEscape(
  () => open.value,
  () => (open.value = false),
);
</script>

<template>
  <a-popover v-model:open="open" trigger="click" placement="bottomRight">
    <template #content>
      <div class="choices">
        <fieldset v-for="factor in draft.factors" :key="factor.name">
          <legend>{{ factor.name }}</legend>
          <label v-for="option in factor.options" :key="option">
            <input
              type="radio"
              :name="`as-${factor.name}`"
              :checked="walkAs.optionOf(factor) === option"
              @change="walkAs.choose(factor.name, option)"
            />
            {{ option }}
          </label>
        </fieldset>
        <fieldset v-for="step in walkAs.turning" :key="step.id">
          <legend>step {{ draft.numberOf(step.id) }}</legend>
          <label>
            <input type="radio" :name="`turn-${step.id}`" :checked="!walkAs.turned[step.id]" @change="walkAs.turn(step.id, '')" />
            as planned
          </label>
          <label v-for="branch in step.branches" :key="branch.key">
            <input
              type="radio"
              :name="`turn-${step.id}`"
              :checked="walkAs.turned[step.id] === branch.key"
              @change="walkAs.turn(step.id, branch.key)"
            />
            {{ branch.says }}
          </label>
        </fieldset>
        <p class="quiet">Findings are of every combination; the Bench, the Chart, Ready and Print show this one.</p>
      </div>
    </template>
    <button type="button" class="as" :title="`Walking as: ${walkAs.says}`">
      <span class="visually-hidden">Walking as</span>
      <svg width="15" height="15" viewBox="0 0 16 16" aria-hidden="true">
        <path d="M8 15V9M8 9 3 2M8 9l5-7" fill="none" stroke="currentColor" stroke-width="1.8" stroke-linecap="round" />
      </svg>
      <span class="says">{{ walkAs.says }}</span>
    </button>
  </a-popover>
</template>

<style scoped>
.as {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  height: 30px;
  max-width: 168px;
  padding: 0 9px;
  font: inherit;
  font-size: 14px;
  color: var(--moss);
  background: none;
  border: 1px solid var(--moss);
  border-radius: 3px;
  cursor: pointer;
}

.as:hover {
  background: var(--moss-pale);
}

.as svg {
  flex: none;
}

.says {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.choices {
  max-width: 340px;
  display: grid;
  gap: 10px;
}

fieldset {
  border: 0;
  margin: 0;
  padding: 0;
}

legend {
  font: 600 16px var(--heading);
}

label {
  display: block;
  padding: 2px 0;
}

.choices p {
  margin: 0;
  font-size: 13px;
}
</style>
