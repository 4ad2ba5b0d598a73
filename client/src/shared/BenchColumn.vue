<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { api, NotConnected, Refused, take, type Bench, type BenchLine } from './api/client';
import { useCursor } from './cursor';
import { useDraft } from './draft';
import JointGlyph from './JointGlyph.vue';
import { useWalkAs } from './walkAs';

/** The state of the world after the step under the cursor. */
const draft = useDraft();
const cursor = useCursor();
const walkAs = useWalkAs();
const bench = ref<Bench | null>(null);
const number = computed(() => (cursor.step ? draft.numberOf(cursor.step) : 0));

watchDebounced(
  () => [draft.revision?.id, draft.seq, number.value, walkAs.key] as const,
  async ([id, , step, as]) => {
    if (id === undefined) return;
    try {
      bench.value = await take(api.GET('/api/revisions/{id}/bench', { params: { path: { id }, query: { step, as } } }));
    } catch (error) {
      // The last bench stays; the top bar says that the server is away.
      if (!(error instanceof NotConnected) && !(error instanceof Refused)) throw error;
    }
  },
  { debounce: 40, immediate: true },
);

/** What is read out when the cursor moves: only what this step changes. */
const changes = computed(() => {
  const b = bench.value;
  if (!b || !b.step) return '';
  const changed = [b.vehicle, b.off, b.slack, b.temporary, b.open, b.done].flat().filter((line) => line.changed);
  const says = changed.slice(0, 6).map((line) => (line.id ? `${line.name} ${line.says}` : line.says));
  return `After step ${b.step}: ${says.join('; ') || 'nothing changes'}${changed.length > 6 ? `; and ${changed.length - 6} more` : ''}.`;
});

const groups = computed<{ title: string; mark: string; lines: BenchLine[]; empty: string }[]>(() => {
  const b = bench.value;
  if (!b) return [];
  return [
    { title: 'The vehicle', mark: 'vehicle', lines: b.vehicle, empty: '' },
    { title: 'Off the vehicle', mark: 'off', lines: b.off, empty: 'nothing' },
    { title: 'Loose or hand-tight', mark: 'slack', lines: b.slack, empty: 'nothing' },
    { title: 'Temporary, must come away', mark: 'temporary', lines: b.temporary, empty: 'nothing' },
    { title: 'Open lines and levels', mark: 'open', lines: b.open, empty: 'nothing' },
    { title: 'Tightened', mark: 'done', lines: b.done, empty: 'nothing yet' },
  ];
});
</script>

<template>
  <section class="bench" aria-label="Bench" tabindex="0">
    <p class="visually-hidden" role="status">{{ changes }}</p>
    <h2>
      Bench
      <span class="after"
        >after step <b class="figures">{{ bench?.step ?? number }}</b></span
      >
      <span class="after steps">step</span>
    </h2>
    <div
      v-for="group in groups"
      :key="group.mark"
      class="group"
      :class="[group.mark, { none: group.lines.length === 0 }]"
      :data-group="group.mark"
    >
      <h3>
        {{ group.title }}
        <span v-if="group.lines.length && group.mark !== 'vehicle'" class="figures count">{{ group.lines.length }}</span><span
          v-else-if="!group.lines.length"
          class="nothing"
          >{{ group.empty }}</span
        >
      </h3>
      <ul v-if="group.lines.length">
        <li v-for="line in group.lines" :key="line.id + line.says" :class="{ changed: line.changed }">
          <JointGlyph v-if="line.glyph" :glyph="line.glyph" silent />
          <span v-else class="dot" aria-hidden="true"></span>
          <span class="name"
            ><span v-if="line.id" class="figures id">{{ line.sheetId }}</span> {{ line.id ? line.name : line.says }}</span
          >
          <small v-if="line.id">{{ line.says }}</small>
          <span class="figures since">
            <template v-if="line.since"><span class="visually-hidden">since step</span> {{ line.since }}</template>
          </span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.bench {
  overflow-y: auto;
  padding: 16px 16px 40px;
  background: var(--paper);
}

h2 {
  font-size: 23px;
  margin-bottom: 8px;
}

.after {
  font: 14px var(--text);
  color: var(--ink-soft);
}

.steps {
  float: right;
  font-size: 12px;
  line-height: 30px;
}

.group {
  padding: 7px 0 6px;
  border-top: 1px solid var(--line-strong);
}

.since {
  width: 22px;
  flex: none;
  text-align: right;
  font-size: 12px;
  color: var(--ink-soft);
}

h3 {
  font-size: 17px;
  display: flex;
  align-items: baseline;
  gap: 8px;
}

.count {
  font-size: 14px;
  font-weight: 700;
}

.nothing {
  font: 13.5px var(--text);
  color: var(--ink-soft);
  margin-left: auto;
}

.none h3 {
  color: var(--ink-soft);
  font-weight: 500;
}

ul {
  list-style: none;
  margin: 4px 0 2px;
  padding: 0;
  display: grid;
  gap: 3px;
}

li {
  display: flex;
  gap: 7px;
  padding: 1px 5px;
  margin-left: -5px;
  border-radius: 3px;
  line-height: 1.25;
}

li.changed {
  background: var(--field);
  box-shadow: inset 2px 0 0 var(--moss);
}

.dot {
  flex: none;
  width: 10px;
  height: 10px;
  margin: 4px;
  border: 1.6px solid currentcolor;
  border-radius: 2px;
}

.name {
  flex: 1;
  min-width: 0;
  font-size: 14.5px;
}

.id {
  font-size: 12.5px;
  color: var(--ink-soft);
}

small {
  font-size: 12.5px;
  line-height: 18px;
  max-width: 112px;
  text-align: right;
  color: var(--ink-soft);
}

.slack li,
.temporary li,
.open li {
  color: var(--clay-ink);
}

.slack small,
.temporary small,
.open small {
  color: var(--clay-ink);
}

.done li {
  color: var(--moss-ink);
}

@media (forced-colors: active) {
  li.changed {
    outline: 1px solid Highlight;
  }
}
</style>
