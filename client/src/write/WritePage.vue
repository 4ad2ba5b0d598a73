<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, onBeforeUnmount, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import ActMenu from '../shared/ActMenu.vue';
import type { Act } from '../shared/acts';
import type { PhaseView } from '../shared/api/client';
import { note } from '../shared/address';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import BenchColumn from '../shared/BenchColumn.vue';
import RouteColumn from './RouteColumn.vue';
import JobHeader from './JobHeader.vue';
import HouseWords from './HouseWords.vue';
import FirstMove from './FirstMove.vue';
import NewNames from './NewNames.vue';
import ChosenBar from './ChosenBar.vue';
import PhaseName from './PhaseName.vue';
import StepEditor from './StepEditor.vue';
import StepSlot from './StepSlot.vue';
import { followPlainWords } from './plainWords';
import { followAhead } from './useAhead';

const ArrangeDialog = defineAsyncComponent(() => import('./ArrangeDialog.vue'));
const BlockDialog = defineAsyncComponent(() => import('./BlockDialog.vue'));
const draft = useDraft();
const cursor = useCursor();
const adding = ref(false);
const phaseName = ref('');
const arranging = ref<{ phase: { id: string; name: string }; what: 'refit' | 'sort' | 'mirror' } | null>(null);
const blocksOpen = ref(false);
/** On a narrow page one of the three stands there at a time. */
const parts = [
  { name: 'sheet', label: 'Sheet' },
  { name: 'bench', label: 'Bench' },
  { name: 'route', label: 'Route' },
] as const;
const shown = ref<(typeof parts)[number]['name']>('sheet');
const phaseField = ref<HTMLInputElement | null>(null);

async function askPhase(): Promise<void> {
  adding.value = true;
  await nextTick();
  phaseField.value?.focus();
}

function addPhase(): void {
  const name = phaseName.value.trim();
  if (name) draft.send({ do: 'insertPhase', id: null, after: draft.phases.at(-1)?.id ?? null, name });
  phaseName.value = '';
  adding.value = false;
}

function firstStep(phaseId: string): void {
  cursor.goTo(draft.insertAfter(null, phaseId, ''), 'start');
}

function phaseActs(phase: PhaseView): Act[] {
  const at = draft.phases.findIndex((p) => p.id === phase.id);
  const written = phase.steps.some((id) => draft.textOf(id));
  const arrange = (what: 'refit' | 'sort' | 'mirror') => (): void => {
    arranging.value = { phase: { id: phase.id, name: phase.name }, what };
  };
  const go = (after: string | null) => (): void => void draft.send({ do: 'movePhase', id: phase.id, after });
  return [
    { label: 'Propose the refit, in reverse', disabled: !written, does: arrange('refit') },
    { label: 'Sort what comes off', disabled: phase.steps.length < 2, does: arrange('sort') },
    { label: 'Write it for the other side', disabled: !written, does: arrange('mirror') },
    { label: 'Move the phase up', disabled: at < 1, does: go(draft.phases[at - 2]?.id ?? null) },
    { label: 'Move the phase down', disabled: at + 1 >= draft.phases.length, does: go(draft.phases[at + 1]?.id ?? null) },
    {
      label: at > 0 ? `Join it with “${draft.phases[at - 1]!.name}”` : 'Join it with the one before',
      disabled: at < 1,
      does: () => void draft.send({ do: 'joinPhase', id: phase.id }),
    },
    {
      label: 'Delete this empty phase',
      grave: true,
      disabled: phase.steps.length > 0 || draft.phases.length < 2,
      does: () => void draft.send({ do: 'removePhase', id: phase.id }),
    },
  ];
}

followAhead();
followPlainWords();

/** From here on, what is out of sight is drawn as its text alone. */
const longFrom = 150;
const isLong = computed(() => draft.order.length >= longFrom);

// The address says which step one is at: a reload, a link and the way back lead there.
const route = useRoute();
const router = useRouter();
let telling: ReturnType<typeof setTimeout> | undefined;
watch(
  () => cursor.step,
  (step) => {
    clearTimeout(telling);
    telling = setTimeout(() => {
      if (route.name === 'write' && step && route.query.step !== step) note(router, { ...route.query, step });
    }, 200);
  },
);
onBeforeUnmount(() => clearTimeout(telling));
watch(
  () => route.query.step,
  (step) => {
    if (typeof step === 'string' && step !== cursor.step && draft.order.includes(step)) cursor.goTo(step);
  },
);

// The step under the cursor may have been taken away.
watch(
  () => draft.order,
  (order) => {
    if (cursor.step === null || !order.includes(cursor.step)) cursor.step = order[0] ?? null;
  },
);
</script>

<template>
  <main id="main" class="write" aria-label="Write" :data-shown="shown">
    <h1 class="visually-hidden">{{ draft.revision?.title }}: write</h1>
    <div class="parts" role="group" aria-label="What is shown">
      <button v-for="part in parts" :key="part.name" type="button" :aria-pressed="shown === part.name" @click="shown = part.name">
        {{ part.label }}
      </button>
    </div>
    <RouteColumn />
    <section class="sheet" aria-label="Sheet" tabindex="0">
      <JobHeader />
      <NewNames />
      <HouseWords />
      <FirstMove @block="blocksOpen = true" />
      <div v-for="phase in draft.phases" :key="phase.id" class="phase">
        <h2>
          <PhaseName v-if="draft.canEdit" :phase="phase" />
          <template v-else>{{ phase.name }}</template>
          <ActMenu
            v-if="draft.canEdit"
            :acts="() => phaseActs(phase)"
            :label="`This phase …: refit, sort, mirror, move ${phase.name}`"
            class="phase-acts"
            >This phase …</ActMenu
          >
        </h2>
        <component :is="isLong ? StepSlot : StepEditor" v-for="id in phase.steps" :id="id" :key="id" @block="blocksOpen = true" />
        <button v-if="draft.canEdit && phase.steps.length === 0" type="button" class="first" @click="firstStep(phase.id)">
          Write the first step of this phase
        </button>
      </div>
      <form v-if="adding" class="add" @submit.prevent="addPhase">
        <input
          ref="phaseField"
          v-model="phaseName"
          class="plain"
          aria-label="Name of the new phase"
          placeholder="Inspect and clean"
          maxlength="80"
          @blur="addPhase"
          @keydown.esc="adding = false"
        />
      </form>
      <button v-else-if="draft.canEdit" type="button" class="add first" @click="askPhase">New phase</button>
      <ChosenBar />
    </section>
    <BenchColumn />
    <ArrangeDialog v-if="arranging" :phase="arranging.phase" :what="arranging.what" @close="arranging = null" />
    <BlockDialog v-if="blocksOpen" v-model:open="blocksOpen" />
  </main>
</template>

<style scoped>
.write {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 186px minmax(0, 1fr) 296px;
}

.parts {
  display: none;
}

@media (width <= 1180px) {
  .write {
    grid-template-columns: 120px minmax(0, 1fr) 250px;
  }
}

@media (width <= 980px) {
  .write {
    grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  }

  .parts {
    display: flex;
    gap: 2px;
    padding: 4px 8px 0;
    border-bottom: 1px solid var(--line-strong);
  }

  .parts button {
    min-height: 32px;
    padding: 0 16px;
    font: 600 16px var(--heading);
    color: var(--ink);
    background: none;
    border: 0;
    border-bottom: 4px solid transparent;
    cursor: pointer;
  }

  .parts [aria-pressed='true'] {
    border-bottom-color: var(--moss);
    color: var(--moss);
  }

  .write[data-shown='sheet'] > :is(.bench, .route),
  .write[data-shown='bench'] > :is(.sheet, .route),
  .write[data-shown='route'] > :is(.sheet, .bench) {
    display: none;
  }
}

.sheet {
  overflow-y: auto;
  background: var(--sheet);
  border-left: 1px solid var(--line-strong);
  border-right: 1px solid var(--line-strong);
  padding: 18px 26px 120px 14px;
  scroll-padding: 80px;
}

.phase + .phase {
  margin-top: 22px;
}

h2 {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin: 0 0 6px 44px;
  font-size: 23px;
}

.first {
  font: 14px var(--text);
  color: var(--moss);
  background: none;
  border: 0;
  padding: 4px 0;
  text-decoration: underline;
  cursor: pointer;
}

.first {
  margin-left: 44px;
}

h2 :deep(.phase-acts) {
  font: 14px var(--text);
  color: var(--moss);
  background: none;
  border: 0;
  border-radius: 3px;
  padding: 4px 6px;
  cursor: pointer;
}

h2 :deep(.phase-acts:hover) {
  background: var(--moss-pale);
}

.add {
  margin: 18px 0 0 44px;
}

@media (width <= 980px) {
  .sheet {
    border: 0;
  }
}

@media (width <= 620px) {
  .sheet {
    padding: 12px 10px 120px 2px;
  }

  h2 {
    margin-left: 34px;
  }
}
</style>
