<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Caution } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import StepField from './StepField.vue';
import ActButton from '../shared/ActButton.vue';
import { vFocus } from '../shared/focus';

/** What stands beside a step's words: its minutes and people, and its cautions, written anew or taken off with a reason. */
const props = defineProps<{ id: string }>();
const draft = useDraft();
const step = computed(() => draft.steps.get(props.id));
const signals: Caution['signal'][] = ['DANGER', 'WARNING', 'CAUTION', 'NOTICE'];
/** The caution being written, and the hazard of the one it replaces; null where none is. */
const writing = ref<{ of: string; caution: Caution } | null>(null);
const dropping = ref<{ hazard: string; reason: string } | null>(null);

const begin = (caution?: Caution): void => {
  writing.value = caution
    ? { of: caution.hazard, caution: { ...caution } }
    : { of: '', caution: { signal: 'CAUTION', hazard: '', consequence: '', avoid: '' } };
};

async function write(): Promise<void> {
  if (!writing.value) return;
  if (await draft.sendAndSettle({ do: 'writeCaution', step: props.id, hazard: writing.value.of, caution: writing.value.caution }))
    writing.value = null;
}

async function drop(): Promise<void> {
  if (!dropping.value) return;
  if (await draft.sendAndSettle({ do: 'dropCaution', step: props.id, hazard: dropping.value.hazard, reason: dropping.value.reason }))
    dropping.value = null;
}
</script>

<template>
  <div class="extras">
    <div class="line">
      <StepField :id="id" name="minutes" hint="reckoned" mode="decimal" :longest="8" />
      <StepField :id="id" name="people" hint="as the job" mode="numeric" :longest="2" />
      <StepField v-if="step?.measures" :id="id" name="source" hint="of the limits: document, edition, page" mode="text" :longest="300" />
      <template v-for="caution in step?.cautions ?? []" :key="caution.hazard">
        <span class="caution"
          >{{ caution.signal }}:
          <button type="button" :aria-label="`Change: ${caution.hazard}`" @click="begin(caution)">change</button>
          <button type="button" :aria-label="`Take off: ${caution.hazard}`" @click="dropping = { hazard: caution.hazard, reason: '' }">
            take off
          </button>
        </span>
      </template>
      <button type="button" @click="begin()">add a caution</button>
    </div>
    <p v-for="gone in step?.dropped ?? []" :key="gone.hazard" class="gone">
      Taken off: {{ gone.hazard }} <i v-if="gone.reason">{{ gone.reason }}</i>
      <button type="button" @click="draft.send({ do: 'bringCautionBack', step: id, hazard: gone.hazard })">bring back</button>
    </p>
    <form v-if="dropping" class="form" @submit.prevent="drop">
      <label :for="`why-${id}`">Why does “{{ dropping.hazard }}” not hold here?</label>
      <input :id="`why-${id}`" v-model="dropping.reason" v-focus class="plain" maxlength="300" />
      <span class="acts"
        ><ActButton size="small" type="primary" html-type="submit">Take it off</ActButton
        ><ActButton size="small" @click="dropping = null">Not now</ActButton></span
      >
    </form>
    <form v-if="writing" class="form" @submit.prevent="write">
      <select v-model="writing.caution.signal" class="plain" aria-label="Signal word">
        <option v-for="signal in signals" :key="signal">{{ signal }}</option>
      </select>
      <input
        v-model="writing.caution.hazard"
        class="plain"
        maxlength="300"
        aria-label="Hazard"
        placeholder="The hazard: The spring is under load."
      />
      <input
        v-model="writing.caution.consequence"
        class="plain"
        maxlength="300"
        aria-label="Consequence"
        placeholder="What it does: It flies out and injures."
      />
      <input
        v-model="writing.caution.avoid"
        class="plain"
        maxlength="300"
        aria-label="How to avoid it"
        placeholder="How to avoid it: Hold it down until the bolt is in."
      />
      <span class="acts"
        ><ActButton size="small" type="primary" html-type="submit">Write it before the step</ActButton
        ><ActButton size="small" @click="writing = null">Not now</ActButton></span
      >
    </form>
  </div>
</template>

<style scoped>
.extras {
  margin-top: 5px;
  font-size: 13px;
  color: var(--ink-soft);
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
}

.line :deep(input) {
  width: 92px;
  font-size: 12.5px;
  color: var(--ink);
  background: none;
  border: 0;
  border-bottom: 1px dashed var(--line-strong);
  padding: 0 2px;
}

.line :deep(input.long) {
  width: min(320px, 60vw);
}

.line input::placeholder {
  color: var(--ink-soft);
  font-family: var(--text);
}

button:not([class]) {
  font: inherit;
  color: var(--moss);
  background: none;
  border: 0;
  padding: 0 2px;
  text-decoration: underline;
  cursor: pointer;
}

.gone {
  margin: 4px 0 0;
}

.form {
  display: grid;
  gap: 5px;
  margin-top: 6px;
  padding: 8px;
  border-left: 3px solid var(--ochre-mark);
  background: var(--sheet);
}

.form select {
  width: 140px;
}

.acts {
  display: flex;
  gap: 8px;
}
</style>
