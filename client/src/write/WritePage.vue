<script setup lang="ts">
import { nextTick, ref, watch } from 'vue';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import BenchColumn from './BenchColumn.vue';
import RouteColumn from './RouteColumn.vue';
import BlockDialog from './BlockDialog.vue';
import JobHeader from './JobHeader.vue';
import HouseWords from './HouseWords.vue';
import NewNames from './NewNames.vue';
import ArrangeDialog from './ArrangeDialog.vue';
import PhaseName from './PhaseName.vue';
import StepEditor from './StepEditor.vue';

const draft = useDraft();
const cursor = useCursor();
const adding = ref(false);
const phaseName = ref('');
const arranging = ref<{ phase: { id: string; name: string }; what: 'refit' | 'sort' | 'mirror' } | null>(null);
const blocksOpen = ref(false);
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

// The step under the cursor may have been taken away.
watch(
  () => draft.order,
  (order) => {
    if (cursor.step === null || !order.includes(cursor.step)) cursor.step = order[0] ?? null;
  },
);
</script>

<template>
  <main class="write">
    <RouteColumn />
    <section class="sheet" aria-label="Sheet" tabindex="0">
      <JobHeader />
      <NewNames />
      <HouseWords />
      <div v-for="phase in draft.phases" :key="phase.id" class="phase">
        <h2>
          <PhaseName v-if="draft.canEdit" :phase="phase" />
          <template v-else>{{ phase.name }}</template>
          <button
            v-if="draft.canEdit && phase.steps.length === 0 && draft.phases.length > 1"
            type="button"
            class="drop"
            @click="draft.send({ do: 'removePhase', id: phase.id })"
          >
            delete this empty phase
          </button>
          <button
            v-if="draft.canEdit && phase.steps.some((id) => draft.textOf(id))"
            type="button"
            class="drop reverse"
            :aria-label="`Propose the refit of ${phase.name}`"
            @click="arranging = { phase: { id: phase.id, name: phase.name }, what: 'refit' }"
          >
            propose the refit
          </button>
          <button
            v-if="draft.canEdit && phase.steps.length > 1"
            type="button"
            class="drop reverse"
            :aria-label="`Sort the removal of ${phase.name}`"
            @click="arranging = { phase: { id: phase.id, name: phase.name }, what: 'sort' }"
          >
            sort
          </button>
          <button
            v-if="draft.canEdit && phase.steps.length > 0"
            type="button"
            class="drop reverse"
            :aria-label="`Write ${phase.name} for the other side`"
            @click="arranging = { phase: { id: phase.id, name: phase.name }, what: 'mirror' }"
          >
            mirror
          </button>
        </h2>
        <StepEditor v-for="id in phase.steps" :id="id" :key="id" @block="blocksOpen = true" />
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

.drop,
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

.reverse {
  margin-left: 14px;
  opacity: 0;
}

.phase:hover .reverse,
.phase:focus-within .reverse,
.reverse:focus-visible {
  opacity: 1;
}

.add {
  margin: 18px 0 0 44px;
}
</style>
