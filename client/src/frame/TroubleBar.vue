<script setup lang="ts">
import { useDraft, type OpenTrouble } from '../shared/draft';

/** What could not be done as asked: both values where two people met, and nothing lost. */
const draft = useDraft();
const close = (trouble: OpenTrouble): void => draft.settle(trouble, false);
</script>

<template>
  <div class="troubles" role="alert">
    <div v-for="(trouble, index) in draft.troubles" :key="index" class="trouble">
      <p>
        <strong>{{ trouble.title }}</strong> {{ trouble.detail }}
      </p>
      <dl v-if="trouble.theirs !== undefined">
        <dt>Stands now</dt>
        <dd>{{ trouble.theirs || '(empty)' }}</dd>
        <dt>Yours</dt>
        <dd>{{ trouble.yours || '(empty)' }}</dd>
      </dl>
      <div class="choices">
        <template v-if="trouble.theirs !== undefined && trouble.edit">
          <a-button size="small" @click="close(trouble)">Keep what stands</a-button>
          <a-button size="small" type="primary" @click="draft.settle(trouble, true)">Put mine there</a-button>
        </template>
        <a-button v-else size="small" @click="close(trouble)">Understood</a-button>
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
