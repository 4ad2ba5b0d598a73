<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { watchDebounced } from '@vueuse/core';
import { api, take, type MomentView, type RecordLine, type RecordView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { several } from '../shared/several';
import { dayAndTime } from '../shared/when';
import TroubleNote from '../shared/TroubleNote.vue';
import { happened } from './happened';

/** Everything that was done to the procedure, edit by edit, whether the chain of hashes over it holds, and the sheet as it was at any of it. */
const draft = useDraft();
const record = ref<RecordView | null>(null);
const trouble = ref<Trouble | null>(null);
const shown = ref(50);
/** The line behind which the sheet is shown; 0 for none. */
const line = ref(0);
const moment = ref<MomentView | null>(null);
const path = computed(() => `/api/revisions/${draft.revision!.id}/record`);

async function open(event: Event): Promise<void> {
  if (!(event.target as HTMLDetailsElement).open) return;
  trouble.value = null;
  try {
    record.value = await take(api.GET('/api/revisions/{id}/record', { params: { path: { id: draft.revision!.id } } }));
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

// Slid on meanwhile: only the last answer counts.
watchDebounced(
  line,
  async (number) => {
    if (number === 0) return;
    try {
      const was = await take(api.GET('/api/revisions/{id}/record/{line}', { params: { path: { id: draft.revision!.id, line: number } } }));
      if (line.value !== number) return;
      moment.value = was;
      trouble.value = null;
    } catch (error) {
      if (line.value === number) trouble.value = troubleOf(error);
    }
  },
  { debounce: 120 },
);
watch(line, (number) => number === 0 && (moment.value = null));

// The newest first: that is what one looks for.
const lines = computed(() => [...(record.value?.lines ?? [])].reverse());
const verbs: Record<string, string> = { edit: '', undo: 'took back:', redo: 'did again:' };
const says = (what: string): string => verbs[what] ?? happened[what as keyof typeof happened] ?? what;
const whoDid = (one: RecordLine): string => record.value?.people[one.by] ?? one.by;
const numbered = computed(() => {
  let number = 0;
  return (moment.value?.phases ?? []).map((phase) => ({
    name: phase.name,
    steps: phase.steps.map((text) => ({ number: text.length > 0 ? ++number : null, text })),
  }));
});
</script>

<template>
  <details @toggle="open">
    <summary>The record, edit by edit</summary>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="record">
      <p v-if="record.broken" class="broken" role="alert">{{ record.broken }}</p>
      <p v-else class="quiet">
        {{ several(record.lines.length, 'line') }} of {{ record.number }}, each linked to the one before by its hash: none was changed or
        taken out. <a :href="path" :download="`${record.number}-record.json`">Save the record</a>
      </p>
      <div v-if="!record.broken" class="then">
        <label for="then">The sheet as it was</label>
        <input
          id="then"
          type="range"
          min="1"
          :max="record.lines.length"
          :value="line || record.lines.length"
          :aria-valuetext="moment ? `behind line ${moment.line.number}, ${dayAndTime(moment.line.at)}` : 'as it is'"
          @input="line = Number(($event.target as HTMLInputElement).value)"
        />
        <button v-if="line" type="button" class="link" @click="line = 0">close</button>
      </div>
      <section v-if="moment" class="moment" aria-live="polite" aria-label="The sheet as it was">
        <h3>
          Revision {{ moment.line.revision }} behind line {{ moment.line.number }}
          <span class="figures when">{{ dayAndTime(moment.line.at) }}</span>
        </h3>
        <p class="quiet">{{ whoDid(moment.line) }} {{ says(moment.line.what) }} {{ moment.line.what in verbs ? moment.line.text : '' }}</p>
        <template v-for="phase in numbered" :key="phase.name">
          <h4 v-if="phase.steps.some((s) => s.number)">{{ phase.name }}</h4>
          <ol>
            <li v-for="step in phase.steps.filter((s) => s.number)" :key="step.number!" :value="step.number!">{{ step.text }}</li>
          </ol>
        </template>
        <table v-if="moment.joints.length" class="plain">
          <caption class="visually-hidden">
            Joints as they were
          </caption>
          <tbody>
            <tr v-for="joint in moment.joints" :key="joint.name">
              <th scope="row">{{ joint.name }}</th>
              <td class="figures">{{ joint.count > 1 ? `× ${joint.count}` : '' }}</td>
              <td class="figures">{{ joint.fastener }}</td>
              <td class="figures">{{ joint.torque }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <ol class="lines">
        <li v-for="one in lines.slice(0, shown)" :key="one.number" :class="{ now: one.number === line }">
          <button type="button" class="link figures when" :disabled="!!record.broken" @click="line = one.number">
            {{ dayAndTime(one.at) }}
          </button>
          <span
            ><span class="figures letter">{{ one.revision }}</span> <strong>{{ whoDid(one) }}</strong> {{ says(one.what) }}
            <template v-if="one.what in verbs"
              >{{ one.text }}<span v-if="record.details[one.number]" class="quiet">: {{ record.details[one.number] }}</span></template
            ><q v-else-if="one.text">{{ one.text }}</q></span
          >
        </li>
      </ol>
      <button v-if="lines.length > shown" type="button" class="link" @click="shown += 200">
        Show {{ Math.min(200, lines.length - shown) }} more
      </button>
    </template>
    <p v-else-if="!trouble" class="quiet" role="status">Looking …</p>
  </details>
</template>

<style scoped>
details {
  margin: 8px 0 16px;
}

summary {
  cursor: pointer;
  min-height: 24px;
}

.broken {
  padding: 6px 12px;
  border-left: 4px solid var(--rust);
  background: var(--field);
}

.then {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  margin: 6px 0 10px;
}

.then input {
  flex: 1;
  min-width: 160px;
  min-height: 24px;
  accent-color: var(--moss);
}

.moment {
  margin-bottom: 12px;
  padding: 8px 14px 10px;
  background: var(--field);
  border-left: 3px solid var(--line-strong);
}

.moment h3,
.moment h4,
.moment p {
  margin: 0 0 4px;
}

.moment ol {
  margin: 0 0 8px;
  padding-left: 28px;
}

.moment th {
  text-align: left;
  font-weight: 400;
}

.moment td,
.moment th {
  padding: 1px 14px 1px 0;
}

.lines {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}

.lines li {
  display: grid;
  grid-template-columns: 158px minmax(0, 1fr);
  gap: 10px;
  padding: 3px 0;
}

.lines li.now {
  background: var(--field);
}

.when {
  font-size: 13.5px;
  color: var(--ink-soft);
  text-align: left;
}

.letter {
  display: inline-block;
  min-width: 16px;
  font-weight: 600;
}

@media (max-width: 600px) {
  .lines li {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
}
</style>
