<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, take, type Difference, type DifferencesView, type StepSideBySide, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import TroubleNote from '../shared/TroubleNote.vue';

/** What differs from another revision of the procedure: in the trade's words, and the steps side by side. */
const draft = useDraft();
const cursor = useCursor();
const router = useRouter();
const view = ref<DifferencesView | null>(null);
const trouble = ref<Trouble | null>(null);
const since = ref<number | null>(null);

const GROUPS: Record<Difference['group'], string> = {
  safety: 'Safety',
  values: 'Values',
  'what is done': 'What is done, and when',
  'parts and tools': 'Parts, tools and what it fits',
  states: 'How it stands at the end of a phase',
  wording: 'Words and pictures alone',
};

// Held against what the draft is now: it is asked for again with each change that is written.
watch(
  () => [draft.revision?.id, draft.seq, since.value] as const,
  async ([id]) => {
    if (!id) return;
    try {
      const query = since.value ? { since: since.value } : {};
      const told = await take(api.GET('/api/revisions/{id}/differences', { params: { path: { id }, query } }));
      if (draft.revision?.id !== id) return;
      view.value = told;
      trouble.value = null;
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
  { immediate: true },
);

const against = computed(() => view.value?.since ?? null);
const groups = computed(() =>
  (Object.keys(GROUPS) as Difference['group'][])
    .map((group) => ({ group, name: GROUPS[group], lines: view.value?.lines.filter((line) => line.group === group) ?? [] }))
    .filter((g) => g.lines.length > 0),
);

const isHere = (line: Difference): boolean => Boolean(line.step && draft.order.includes(line.step));
async function goTo(line: Difference): Promise<void> {
  if (line.step && isHere(line)) await cursor.goToNumber(draft.order.indexOf(line.step) + 1);
  else if (line.thing) await router.push({ name: 'joints', params: router.currentRoute.value.params });
}

const place = (step: StepSideBySide): string => {
  if (step.before == null) return `Step ${step.after}, new`;
  if (step.after == null) return `Step ${step.before} of ${against.value?.letter}, gone`;
  return step.moved || step.before !== step.after ? `Step ${step.after}, was ${step.before}` : `Step ${step.after}`;
};
</script>

<template>
  <section v-if="trouble || (view && view.others.length > 0)" class="differences" aria-labelledby="differences">
    <h2 id="differences">
      <label for="since">What has changed since revision</label>
      <select id="since" class="plain" :value="against?.id ?? ''" @change="since = Number(($event.target as HTMLSelectElement).value)">
        <option v-if="!against" value="" disabled>none</option>
        <option v-for="other in view?.others" :key="other.id" :value="other.id">{{ other.letter }}, {{ other.state }}</option>
      </select>
    </h2>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="against && view?.lines.length === 0" class="quiet">
      Nothing: what is done, its values and its words are those of revision {{ against.letter }}.
    </p>
    <div v-for="group in groups" :key="group.group" class="group" :class="group.group.replaceAll(' ', '-')">
      <h3>
        {{ group.name }} <span class="figures">{{ group.lines.length }}</span>
      </h3>
      <ul>
        <li v-for="(line, i) in group.lines" :key="i">
          <button v-if="isHere(line) || line.thing" type="button" class="link" @click="goTo(line)">{{ line.says }}</button>
          <template v-else>{{ line.says }}</template>
        </li>
      </ul>
    </div>
    <details v-if="view?.steps.length">
      <summary>The steps side by side</summary>
      <div class="scroll" tabindex="0" role="region" aria-label="The steps side by side">
        <table>
          <thead>
            <tr>
              <th scope="col">Step</th>
              <th scope="col">{{ against?.letter }}</th>
              <th scope="col">{{ draft.revision?.letter }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="step in view.steps" :key="step.id">
              <th scope="row" class="figures">{{ place(step) }}</th>
              <td>
                <template v-for="(words, i) in step.words" :key="i">
                  <del v-if="words.mark === 'gone'">{{ words.text }}</del>
                  <template v-else-if="words.mark === 'same'">{{ words.text }}</template>
                </template>
              </td>
              <td>
                <template v-for="(words, i) in step.words" :key="i">
                  <ins v-if="words.mark === 'new'">{{ words.text }}</ins>
                  <template v-else-if="words.mark === 'same'">{{ words.text }}</template>
                </template>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </section>
</template>

<style scoped>
.differences {
  margin-bottom: 26px;
}

h2 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px;
}

h2 select {
  font: 15px/1.3 var(--text);
}

h3 {
  font-size: 17px;
}

h3 .figures {
  font-size: 13px;
  color: var(--ink-soft);
}

.group {
  margin: 12px 0 0;
  padding: 0 0 0 12px;
  border-left: 3px solid var(--line-strong);
}

.group.safety {
  border-left-color: var(--clay);
}

.group.values {
  border-left-color: var(--slate);
}

.group ul {
  list-style: none;
  margin: 3px 0 0;
  padding: 0;
}

.group li {
  padding: 2px 0;
  line-height: 1.45;
}

.group .link {
  color: var(--ink);
  text-align: left;
  text-decoration: underline;
  text-decoration-color: var(--line-strong);
  text-underline-offset: 3px;
}

details {
  margin-top: 14px;
}

summary {
  cursor: pointer;
  color: var(--moss);
}

.scroll {
  overflow-x: auto;
}

table {
  margin-top: 8px;
  border-collapse: collapse;
  min-width: 480px;
  width: 100%;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 10px 6px 0;
  border-bottom: 1px solid var(--line);
  white-space: pre-line;
  width: 42%;
}

th:first-child {
  width: 96px;
  font-weight: 600;
  font-size: 13px;
}
</style>
