<script setup lang="ts">
import { computed, ref } from 'vue';
import { useDraft } from '../shared/draft';
import JobField from './JobField.vue';

/** What the job is: what it achieves, what it fits, how to tell, and the ways in which the vehicles differ. */
const draft = useDraft();
const open = ref(false);
const fields: { name: string; label: string; hint: string; long: boolean }[] = [
  { name: 'purpose', label: 'What it achieves', hint: 'Replace the outer bearing of the front hub.', long: true },
  { name: 'fits', label: 'What it fits', hint: 'Platform, years, options', long: true },
  { name: 'entryCheck', label: 'Is it this job?', hint: 'A symptom or a quick test, and what the answer means', long: true },
  { name: 'variants', label: 'Variants and sides', hint: 'wheels: steel wheels, cast wheels; side: left, right', long: true },
  { name: 'difficulty', label: 'Difficulty, 1 to 5', hint: '1–5', long: false },
  { name: 'people', label: 'People', hint: '1', long: false },
];
const shown = computed(() => fields.filter((f) => draft.canEdit || draft.header[f.name]));
const short = computed(
  () =>
    [draft.header.purpose, draft.header.variants].filter(Boolean).join(' · ') ||
    (draft.canEdit ? 'What the job is, what it fits, how to tell: write it here' : 'Nobody has written what the job is yet'),
);
</script>

<template>
  <section class="job" :class="{ open }" aria-label="The job">
    <button type="button" class="fold" :aria-expanded="open" @click="open = !open">
      <svg width="10" height="10" viewBox="0 0 10 10" aria-hidden="true"><path d="M2 1l5 4-5 4z" fill="currentColor" /></svg>
      <b>The job</b> <span v-if="!open" class="short">{{ short }}</span>
    </button>
    <dl v-if="open">
      <template v-for="field in shown" :key="field.name">
        <dt>
          <label :for="`job-${field.name}`">{{ field.label }}</label>
        </dt>
        <dd>
          <template v-if="!draft.canEdit">{{ draft.header[field.name] }}</template>
          <JobField v-else :name="field.name" :hint="field.hint" :long="field.long" />
          <p v-if="field.name === 'variants' && draft.canEdit" class="quiet">
            A sentence for some alone opens with them: <i>Left: unplug the sensor lead.</i> Every combination is walked.
          </p>
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.job {
  margin: 0 0 14px 44px;
  border-bottom: 1px solid var(--line-strong);
}

.fold {
  display: flex;
  align-items: baseline;
  gap: 8px;
  width: 100%;
  padding: 2px 0 6px;
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  cursor: pointer;
}

.fold b {
  font: 600 18px var(--heading);
  white-space: nowrap;
}

.open .fold svg {
  transform: rotate(90deg);
}

.short {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 14px;
  color: var(--ink-soft);
}

dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 6px 12px;
  margin: 0 0 12px;
}

dt {
  padding-top: 5px;
  font-size: 14px;
}

dd {
  margin: 0;
}

.quiet {
  margin: 3px 0 0;
  font-size: 13px;
}
</style>
