<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, nextTick, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, take } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import CautionPanel from '../shared/CautionPanel.vue';
import ChangeList from '../shared/ChangeList.vue';
import { useDraft } from '../shared/draft';
import FigureShown from '../shared/FigureShown.vue';
import PatternDrawing from '../shared/PatternDrawing.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import { warnOf } from '../shared/warns';
import { useWalkAs } from '../shared/walkAs';
import BenchColumn from '../shared/BenchColumn.vue';
import { useCursor } from '../shared/cursor';

/** The sheet to work from: a step at a time in large type, or whole; cautions first, the torque beside the step, the Bench of that step. */
const draft = useDraft();
const cursor = useCursor();
const walkAs = useWalkAs();
const route = useRoute();
const router = useRouter();
const { answer: sheet, trouble } = useAsked(
  () => walkAs.key,
  (id, as) => take(api.GET('/api/revisions/{id}/print', { params: { path: { id }, query: { as } } })),
);

const steps = computed(() => (sheet.value?.phases ?? []).flatMap((phase) => phase.steps.map((step) => ({ ...step, phase: phase.name }))));
const torques = computed(() => new Map((sheet.value?.torques ?? []).map((row) => [row.id, row])));
const patterns = computed(() => new Map((sheet.value?.patterns ?? []).map((p) => [p.id, p])));
const whole = useLocalStorage('wornpath-follow-whole', false);
const heading = ref<HTMLElement | null>(null);

/** The step one is at stands in the address, so that a reload, or the phone taken up again, comes back to it. */
const at = computed(() => {
  const asked = Number(route.query.at);
  const index = steps.value.findIndex((s) => s.number === asked);
  return index < 0 ? 0 : index;
});
const step = computed(() => steps.value[at.value]);
/** What is drawn beside its torque below is not drawn twice. */
const figures = computed(() =>
  (step.value?.figures ?? []).filter((f) => !f.pattern || !step.value?.tightens.some((t) => t.joint === f.pattern!.id)),
);
/** What is wrong on the sheet stands at its step, too, where it is worked on. */
const bulletins = computed(() => (draft.revision?.bulletins ?? []).filter((b) => b.step !== null && b.step === cursor.step));
/** Who worked from the revision before is told at the step what is new in it, before doing it from memory. */
const changed = computed(() => new Set(sheet.value?.changes?.joints ?? []));
const isNew = (line: { changed: boolean; tightens: { joint: string }[] }): boolean =>
  line.changed || line.tightens.some((t) => changed.value.has(t.joint));
const open = computed(() => sheet.value !== null && sheet.value.state !== 'released');

watch(
  () => step.value?.number,
  (number) => {
    if (number !== undefined) cursor.step = draft.order[number - 1] ?? null;
  },
  { immediate: true },
);

async function go(by: -1 | 1): Promise<void> {
  const next = steps.value[at.value + by];
  if (!next) return;
  await router.replace({ query: { ...route.query, at: next.number } });
  await nextTick();
  heading.value?.focus();
}

function key(event: KeyboardEvent): void {
  if (event.altKey || event.ctrlKey || event.metaKey || event.target instanceof HTMLInputElement) return;
  if (event.key === 'ArrowRight') void go(1);
  else if (event.key === 'ArrowLeft') void go(-1);
  else return;
  event.preventDefault();
}

const changesOf = (number: number): string => (number === 1 ? '1 change' : `${number} changes`);

const cautionsOf = (number: number): string => (number === 1 ? '1 caution' : `${number} cautions`);
</script>

<template>
  <main id="main" class="follow" tabindex="-1" aria-label="Work from the sheet" @keydown="key">
    <h1 class="visually-hidden">{{ draft.revision?.title }}, step by step</h1>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="open" class="stamp" role="note">
      <strong>{{ sheet?.state.toUpperCase() }} – {{ warnOf(sheet?.state).toUpperCase() }}.</strong> Not for use on a vehicle.
    </p>
    <p v-if="sheet && steps.length === 0" class="empty">No step is written yet.</p>
    <template v-if="sheet && step">
      <div class="ways">
        <p class="defer">The vehicle maker’s manual, local codes and licensed practice come before this sheet.</p>
        <label><input v-model="whole" type="checkbox" /> the whole sheet</label>
      </div>
      <details v-if="sheet.changes" class="since">
        <summary>Changed since revision {{ sheet.changes.letter }}: {{ changesOf(sheet.changes.says.length) }}</summary>
        <ChangeList :changes="sheet.changes" />
      </details>
      <div v-if="!whole" class="sides">
        <article class="one" :aria-label="`Step ${step.number}`">
          <p class="phase">{{ step.phase }}</p>
          <h2 ref="heading" tabindex="-1">
            Step <span class="figures">{{ step.number }}</span> <small>of {{ steps.at(-1)?.number }}</small>
            <small v-if="step.people && step.people > 1" class="crew">{{ step.people }} people</small>
          </h2>
          <p v-if="sheet.changes && isNew(step)" class="news">
            <strong>Changed</strong> since revision {{ sheet.changes.letter }}: read it, and do not go by memory.
          </p>
          <p v-for="one in bulletins" :key="one.id" class="bulletin" role="note">
            <strong>Bulletin</strong> <template v-if="one.place">{{ one.place }}: </template>{{ one.text }}
          </p>
          <p v-if="step.cautions.length" class="visually-hidden">{{ cautionsOf(step.cautions.length) }} first:</p>
          <CautionPanel v-for="caution in step.cautions" :key="caution.hazard" :caution="caution" class="large" />
          <!-- eslint-disable-next-line vue/no-v-html -- Markdown made HTML and sanitised by the server -->
          <div class="text" v-html="step.html"></div>
          <div v-if="figures.length && draft.revision" class="shows">
            <FigureShown v-for="figure in figures" :key="figure.number" :figure="figure" :revision="draft.revision.id" />
          </div>
          <div v-for="{ joint: id, value, pass } in step.tightens" :key="id + value" class="torque">
            <template v-if="torques.get(id)">
              <PatternDrawing
                v-if="patterns.get(id)"
                :places="patterns.get(id)!.places"
                :order="patterns.get(id)!.order"
                :size="132"
                :name="patterns.get(id)!.name"
              />
              <div>
                <p class="value figures">
                  {{ value || 'no value' }} <small v-if="changed.has(id)" class="news">changed since {{ sheet.changes?.letter }}</small>
                </p>
                <p v-if="pass" class="pass">
                  <strong>Pass {{ pass }}.</strong> The full value, {{ torques.get(id)!.value }}, comes later.
                </p>
                <p v-else class="figures">{{ torques.get(id)!.counterpart }}</p>
                <p>
                  <b class="figures">{{ id }}</b> {{ torques.get(id)!.count > 1 ? `${torques.get(id)!.count} × ` : ''
                  }}{{ torques.get(id)!.name }}<template v-if="torques.get(id)!.fastener">, {{ torques.get(id)!.fastener }}</template>
                </p>
                <p v-if="torques.get(id)!.setting && !pass">{{ torques.get(id)!.setting }}</p>
                <p v-if="torques.get(id)!.treatment || torques.get(id)!.note">
                  {{ [torques.get(id)!.treatment, torques.get(id)!.note].filter(Boolean).join('; ') }}
                </p>
                <ol v-if="patterns.get(id) && patterns.get(id)!.passes.length > 1">
                  <li v-for="line in patterns.get(id)!.passes" :key="line">{{ line }}</li>
                </ol>
                <p v-if="torques.get(id)!.source" class="quiet">{{ torques.get(id)!.source }}</p>
              </div>
            </template>
          </div>
        </article>
        <details class="world" open>
          <summary>Bench after this step</summary>
          <BenchColumn />
        </details>
      </div>
      <div v-else class="all">
        <section v-for="phase in sheet.phases" :key="phase.name">
          <h2>{{ phase.name }}</h2>
          <div v-for="line in phase.steps" :key="line.number" class="step" :class="{ changed: isNew(line) }">
            <CautionPanel v-for="caution in line.cautions" :key="caution.hazard" :caution="caution" class="large" />
            <div class="row">
              <span class="number figures">{{ line.number }}<span v-if="isNew(line)" class="visually-hidden"> (changed)</span></span>
              <!-- eslint-disable-next-line vue/no-v-html -- as above -->
              <div class="text" v-html="line.html"></div>
              <p v-if="line.tightens.length" class="beside">
                <span v-for="one in line.tightens" :key="one.joint + one.value" class="figures"
                  ><b>{{ one.value || 'no value' }}</b> {{ one.joint }}{{ one.pass ? `, pass ${one.pass}` : '' }}</span
                >
              </p>
            </div>
            <div v-if="line.figures.length && draft.revision" class="shows">
              <FigureShown v-for="figure in line.figures" :key="figure.number" :figure="figure" :revision="draft.revision.id" />
            </div>
          </div>
        </section>
      </div>
    </template>
  </main>
  <nav v-if="sheet && step && !whole" class="walk" aria-label="Steps">
    <button type="button" :disabled="at === 0" @click="go(-1)"><span aria-hidden="true">←</span> Before</button>
    <span class="figures" aria-hidden="true">{{ step.number }} / {{ steps.at(-1)?.number }}</span>
    <button type="button" class="next" :disabled="at === steps.length - 1" @click="go(1)">Next <span aria-hidden="true">→</span></button>
  </nav>
</template>

<style scoped>
.follow {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 12px 28px 30px;
  background: var(--sheet);
}

.stamp {
  margin: 0 0 10px;
  padding: 6px 12px;
  border: 2px solid var(--clay);
}

.ways {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 20px;
  font-size: 14px;
}

.defer {
  margin: 0;
  color: var(--ink-soft);
}

.since {
  margin-top: 10px;
  max-width: 1240px;
  padding: 8px 14px;
  background: var(--field);
  border-left: 5px solid var(--ink);
}

.since summary {
  font-weight: 600;
  cursor: pointer;
}

.news {
  margin: 0 0 12px;
  font-size: 17px;
}

p.news {
  padding: 6px 14px;
  border-left: 5px solid var(--ink);
}

.step.changed {
  margin-left: -14px;
  padding-left: 9px;
  border-left: 5px solid var(--ink);
}

.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 34px;
  max-width: 1240px;
}

.phase {
  margin: 18px 0 0;
  font: 600 18px/1.2 var(--heading);
  color: var(--moss);
}

.one h2 {
  font-size: 34px;
  margin-bottom: 10px;
}

.one h2:focus-visible {
  outline-offset: 4px;
}

h2 small {
  font: 16px var(--text);
  color: var(--ink-soft);
}

.crew {
  float: right;
  font-weight: 700;
}

.text {
  font-size: 24px;
  line-height: 1.4;
  overflow-wrap: anywhere;
}

.text :deep(p) {
  margin: 0 0 8px;
}

.text :deep(table) {
  border-collapse: collapse;
}

.text :deep(td),
.text :deep(th) {
  padding: 3px 14px 3px 6px;
  border: 1px solid var(--line-strong);
  text-align: left;
}

.shows {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
  gap: 14px;
  margin: 12px 0;
  max-width: 760px;
  font-size: 17px;
}

.shows :deep(.figure-drawing) {
  max-height: 54vh;
}

.caution.large {
  margin: 0 0 12px;
  font-size: 17px;
}

.torque {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  margin-top: 16px;
  padding: 14px 18px;
  background: var(--field);
  border: 1px solid var(--line-strong);
  border-left: 6px solid var(--moss);
}

.torque p {
  margin: 0;
}

.torque ol {
  margin: 6px 0 0;
  padding-left: 20px;
}

.value {
  font-size: 34px;
  font-weight: 700;
  line-height: 1.15;
}

.world summary {
  padding: 18px 0 0 16px;
  color: var(--ink-soft);
  cursor: pointer;
}

.world :deep(.bench) {
  background: none;
}

.world :deep(.bench h2) {
  display: none;
}

.all {
  max-width: 900px;
}

.all h2 {
  margin: 16px 0 6px;
}

.all .text {
  flex: 1;
  min-width: 0;
  font-size: 19px;
}

.row {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}

.number {
  flex: 0 0 34px;
  font-weight: 700;
  line-height: 27px;
  text-align: right;
}

.beside {
  margin: 0;
  display: grid;
  text-align: right;
  line-height: 27px;
}

.walk {
  flex: none;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 10px 28px;
  background: var(--paper);
  border-top: 2px solid var(--ink);
}

.walk button {
  min-width: 130px;
  min-height: 48px;
  font: 600 22px var(--heading);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ink-soft);
  border-radius: 3px;
  cursor: pointer;
}

.walk .next {
  color: var(--on-mark);
  background: var(--moss);
  border-color: var(--moss);
}

.walk button:disabled {
  color: var(--ink-soft);
  background: none;
  border-style: dashed;
  cursor: default;
}

@media (width <= 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }

  .follow {
    padding: 10px 16px 20px;
  }

  .walk {
    padding: 8px 16px;
  }

  .world summary {
    padding-left: 0;
  }

  .world :deep(.bench) {
    padding-inline: 0;
  }
}

@media (width <= 520px) {
  .row {
    flex-wrap: wrap;
  }

  .beside {
    flex: 1 0 100%;
    padding-left: 46px;
    text-align: left;
  }
}
.bulletin {
  margin: 0 0 12px;
  padding: 10px 14px;
  font-size: 19px;
  background: var(--ochre-pale);
  border-left: 5px solid var(--ochre);
}
</style>
