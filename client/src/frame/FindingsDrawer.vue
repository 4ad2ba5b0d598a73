<script setup lang="ts">
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import FindingLine from '../shared/FindingLine.vue';
import type { Finding } from '../shared/api/client';

const open = defineModel<boolean>('open', { required: true });
const draft = useDraft();
const cursor = useCursor();

function go(finding: Finding): void {
  open.value = false;
  void cursor.show(finding);
}
</script>

<template>
  <a-drawer v-model:open="open" :title="`Findings (${draft.findings.length})`" :width="520" placement="right">
    <p v-if="draft.findings.length === 0">
      The walk found nothing: every joint is tight, every part where it belongs, the vehicle on the ground.
    </p>
    <ol v-else class="list">
      <li v-for="finding in draft.findings" :key="finding.waiverKey + finding.message">
        <button type="button" class="place figures" :disabled="!finding.step && !finding.thing" @click="go(finding)">
          {{ finding.stepNumber ? `Step ${finding.stepNumber}` : 'Sheet' }}
        </button>
        <FindingLine :finding="finding" />
      </li>
    </ol>
  </a-drawer>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 14px;
}

.place {
  font-size: 13px;
  color: var(--moss);
  text-decoration: underline;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}
</style>
