<script setup lang="ts">
import { computed } from 'vue';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import FindingLine from '../shared/FindingLine.vue';
import type { Finding, Severity } from '../shared/api/client';
import { weights } from '../shared/weights';
import { useEscape } from '../shared/escape';

const open = defineModel<boolean>('open', { required: true });
const draft = useDraft();
const cursor = useCursor();

const names: Record<Severity, { one: string; many: string; means: string }> = {
  stop: { one: '1 Stop', many: 'Stops', means: 'Not released before it is settled.' },
  warn: { one: '1 warning', many: 'warnings', means: 'Mend it, or a reviewer says why it may stand.' },
  hint: { one: '1 hint', many: 'hints', means: 'How it would read or go better.' },
};
/** What weighs most comes first, each in the order of the steps. */
const groups = computed(() =>
  weights
    .map((severity) => ({ severity, ...names[severity], findings: draft.findings.filter((f) => f.severity === severity) }))
    .filter((group) => group.findings.length > 0),
);

function go(finding: Finding): void {
  open.value = false;
  void cursor.show(finding);
}
useEscape(
  () => open.value,
  () => (open.value = false),
);
</script>

<template>
  <a-drawer v-model:open="open" :title="`Findings (${draft.findings.length})`" :width="520" placement="right">
    <p v-if="draft.findings.length === 0">
      The walk found nothing: every joint is tight, every part where it belongs, the vehicle on the ground.
    </p>
    <section v-for="group in groups" :key="group.severity" :aria-label="group.many">
      <h2>
        {{ group.findings.length === 1 ? group.one : `${group.findings.length} ${group.many}` }} <small>{{ group.means }}</small>
      </h2>
      <ol class="list">
        <li v-for="finding in group.findings" :key="finding.waiverKey + finding.message">
          <button type="button" class="place figures" :disabled="!finding.step && !finding.thing" @click="go(finding)">
            {{ finding.stepNumber ? `Step ${finding.stepNumber}` : 'Sheet' }}
          </button>
          <FindingLine :finding="finding" />
        </li>
      </ol>
    </section>
  </a-drawer>
</template>

<style scoped>
h2 {
  margin: 0 0 10px;
  padding-bottom: 4px;
  font: 600 19px/1.3 var(--heading);
  border-bottom: 1px solid var(--line-strong);
}

section + section {
  margin-top: 26px;
}

small {
  margin-left: 8px;
  font: 13px var(--text);
  color: var(--ink-soft);
}

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
