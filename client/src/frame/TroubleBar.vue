<script setup lang="ts">
import type { Waiting } from '../outbox/waiting';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import ActButton from '../shared/ActButton.vue';

/** What could not be done as asked: both values where two people met, and nothing lost. */
const draft = useDraft();
const cursor = useCursor();
/** The number of the step a waiting text is of; 0 where it is of none, or of one that is gone. */
const stepOf = (w: Waiting): number => (w.edit?.do === 'writeStep' ? draft.numberOf(w.edit.id) : 0);
const reload = (): void => location.reload();
</script>

<template>
  <div class="troubles" role="alert">
    <div v-if="draft.otherPerson" class="trouble">
      <p>
        <strong>{{ draft.otherPerson }} is signed in in this browser now.</strong> What {{ draft.person?.name }} has typed here waits until
        {{ draft.person?.name }} signs in again.
      </p>
      <div class="choices">
        <ActButton size="small" @click="reload">Open it as {{ draft.otherPerson }}</ActButton>
      </div>
    </div>
    <div v-for="trouble in draft.troubles" :key="trouble.waiting.clientId" class="trouble">
      <p>
        <button v-if="stepOf(trouble.waiting)" type="button" class="step" @click="cursor.goToNumber(stepOf(trouble.waiting))">
          Step {{ stepOf(trouble.waiting) }}
        </button>
        <strong>{{ trouble.title }}</strong> {{ trouble.detail }}
      </p>
      <dl v-if="trouble.theirs !== undefined">
        <dt>Stands now</dt>
        <dd>{{ trouble.theirs || '(empty)' }}</dd>
        <dt>Yours</dt>
        <dd>{{ trouble.yours || '(empty)' }}</dd>
      </dl>
      <div class="choices">
        <template v-if="trouble.theirs !== undefined">
          <ActButton size="small" @click="draft.settle(trouble.waiting, false)">Keep what stands</ActButton>
          <ActButton size="small" type="primary" @click="draft.settle(trouble.waiting, true)">Put mine there</ActButton>
        </template>
        <ActButton v-else size="small" @click="draft.settle(trouble.waiting, false)">Understood</ActButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.trouble {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  padding: 7px 16px;
  background: var(--clay-pale);
  border-bottom: 1px solid var(--clay);
}

.step {
  font: 13px var(--figures);
  color: inherit;
  background: none;
  border: 0;
  padding: 0 6px 0 0;
  text-decoration: underline;
  cursor: pointer;
}

p,
dl,
dd {
  margin: 0;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 8px;
}

dt {
  font-weight: 600;
}

.choices {
  margin-left: auto;
  display: flex;
  gap: 8px;
}

@media print {
  .troubles {
    display: none;
  }
}
</style>
