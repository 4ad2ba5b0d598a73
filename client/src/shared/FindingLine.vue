<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue';
import { api, take, type Finding } from './api/client';
import { troubleOf } from './api/trouble';
import { useCursor } from './cursor';
import { useDraft } from './draft';
import SeverityMark from './SeverityMark.vue';

/** A finding: what is wrong, its fixes, and the page that explains it. */
defineProps<{ finding: Finding }>();
const RulePage = defineAsyncComponent(() => import('./RulePage.vue'));
const draft = useDraft();
const cursor = useCursor();
const page = ref<{ title: string; html: string } | null>(null);

async function explain(rule: string): Promise<void> {
  try {
    page.value = await take(api.GET('/api/findings/{rule}', { params: { path: { rule } } }));
  } catch (error) {
    const trouble = troubleOf(error);
    page.value = { title: trouble.title, html: '' };
  }
}
</script>

<template>
  <div class="finding" :class="finding.severity">
    <SeverityMark :severity="finding.severity" />
    <div class="body">
      <p>
        {{ finding.message }}
        <span v-if="finding.for" class="for">{{ finding.for }}</span>
        <button type="button" class="why" :aria-label="`${finding.rule}: why? ${finding.title}`" @click="explain(finding.rule)">
          {{ finding.rule }}
        </button>
      </p>
      <p v-if="finding.waiver" class="waived">Waived by {{ finding.waiver.who }}: {{ finding.waiver.why }}</p>
      <p v-if="draft.canEdit && finding.fixes?.length" class="fixes">
        <button v-for="fix in finding.fixes" :key="fix.title" type="button" class="fix" @click="cursor.fixWith(fix.edit, finding.step)">
          {{ fix.title }}
        </button>
      </p>
    </div>
    <RulePage v-if="page" :page="page" @close="page = null" />
  </div>
</template>

<style scoped>
.finding {
  display: flex;
  gap: 8px;
  font-size: 14px;
  line-height: 1.4;
}

.finding > svg {
  margin-top: 2px;
}

p {
  margin: 0;
}

.why {
  font: 12px var(--figures);
  color: var(--ink-soft);
  background: none;
  border: 0;
  padding: 0 2px;
  text-decoration: underline dotted;
  cursor: help;
}

.for {
  padding: 0 6px;
  font-size: 12.5px;
  font-weight: 600;
  color: var(--moss);
  border: 1px solid var(--moss);
  border-radius: 9px;
  white-space: nowrap;
}

.waived {
  font-style: italic;
}

.fixes {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 4px;
}

.fix {
  font: inherit;
  font-size: 13px;
  font-weight: 600;
  color: var(--moss);
  background: var(--sheet);
  border: 1px solid var(--moss);
  border-radius: 3px;
  padding: 1px 9px;
  text-align: left;
  cursor: pointer;
}

.fix:hover {
  background: var(--moss);
  color: var(--on-mark);
}
</style>
