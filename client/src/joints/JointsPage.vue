<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue';
import { api, take, type FieldView, type Finding, type JointView, type ThingKind, type ThingView } from '../shared/api/client';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import JointGlyph from '../shared/JointGlyph.vue';
import SeverityMark from '../shared/SeverityMark.vue';
import FindingLine from '../shared/FindingLine.vue';
import Cell from './Cell.vue';
import PreloadBar from './PreloadBar.vue';
import ThingsTable from './ThingsTable.vue';

/** The fastener and torque sheet: one row a joint, edited in the row; below it the other things of the sheet. */
const draft = useDraft();
const cursor = useCursor();
const fields = ref<Partial<Record<ThingKind, FieldView[]>>>({});
const adding = ref('');
const root = ref<HTMLElement | null>(null);

onMounted(async () => {
  const kinds = await take(api.GET('/api/fields'));
  fields.value = Object.fromEntries(kinds.map((k) => [k.kind, k.fields]));
});

const columns = [
  { name: 'name', label: 'Joint', width: '15%' },
  { name: 'count', label: 'No.', width: '3.4%' },
  { name: 'fastener', label: 'Fastener', width: '23%' },
  { name: 'torque', label: 'Torque, other unit', width: '9.6%' },
] as const;
const after = [
  { name: 'source', label: 'Source of the value', width: '19.6%' },
  { name: 'treatment', label: 'Treatment', width: '7.4%' },
  { name: 'reuse', label: 'Reuse', width: '4.6%' },
  { name: 'locking', label: 'Lock', width: '7%' },
  { name: 'mark', label: 'Mark', width: '3.6%' },
  { name: 'holds', label: 'Holds', width: '5.2%' },
] as const;

const joints = computed(() => draft.things.filter((t) => t.kind === 'joint'));
const computedOf = (id: string): JointView | undefined => draft.joints.find((j) => j.id === id);
const findingsOf = (id: string): Finding[] => draft.findings.filter((f) => f.thing === id);
const chosen = ref<string | null>(null);
const looked = computed<ThingView | undefined>(
  () => joints.value.find((j) => j.id === (cursor.finding?.thing ?? chosen.value)) ?? joints.value.find((j) => j.id === chosen.value),
);
const choices = (name: string): string[] => fields.value.joint?.find((f) => f.name === name)?.choices ?? [];

async function add(): Promise<void> {
  const name = adding.value.trim();
  if (!name) return;
  await draft.sendAndSettle({ do: 'addThing', kind: 'joint', name, fromKit: false });
  if (draft.things.some((t) => t.kind === 'joint' && t.name === name)) adding.value = '';
  await nextTick();
}

/** Enter and the arrow keys go through the table as through paper: down and up in the column. */
function go(event: KeyboardEvent): void {
  const by = event.key === 'Enter' ? (event.shiftKey ? -1 : 1) : event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-row]');
  if (by === 0 || !cell || (event.target instanceof HTMLSelectElement && event.key !== 'Enter')) return;
  const next = root.value?.querySelector<HTMLElement>(
    `[data-row="${Number(cell.dataset.row) + by}"][data-column="${cell.dataset.column}"] :is(input, select)`,
  );
  if (!next) return;
  event.preventDefault();
  next.focus();
  if (next instanceof HTMLInputElement) next.select();
}
</script>

<template>
  <main ref="root" class="joints" tabindex="0" aria-label="Joints">
    <div class="head">
      <h1>Joints</h1>
      <p class="quiet">
        Write a torque as it stands in the source: 95 N·m, 70 lb-ft, 22–28 N·m, 40 N·m + 90°, or snug. A fastener in one line: M12×1.25×40
        10.9 bolt, 17 mm. Enter goes down, Tab across.
      </p>
    </div>
    <table v-if="joints.length" @keydown="go">
      <thead>
        <tr>
          <th scope="col" class="glyph-column"><span class="visually-hidden">State at the end</span></th>
          <th v-for="column in columns" :key="column.name" scope="col" :style="{ width: column.width }">{{ column.label }}</th>
          <th scope="col" style="width: 8%">Of proof load</th>
          <th v-for="column in after" :key="column.name" scope="col" :style="{ width: column.width }">{{ column.label }}</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(joint, row) in joints"
          :key="joint.id"
          :class="{ looked: looked?.id === joint.id }"
          @focusin="chosen = joint.id"
          @click="chosen = joint.id"
        >
          <td class="glyph-column">
            <SeverityMark v-if="findingsOf(joint.id).length" :severity="findingsOf(joint.id)[0]?.severity ?? 'hint'" />
            <JointGlyph v-else :glyph="computedOf(joint.id)?.end ?? { stage: 'tight', pass: 0, of: 0 }" />
          </td>
          <td v-for="column in columns" :key="column.name" :data-row="row" :data-column="column.name">
            <span v-if="column.name === 'name'" class="id figures">{{ joint.id }}</span>
            <Cell :thing="joint" :field="column.name" :label="`${column.label} of ${joint.id}`" :choices="choices(column.name)" />
            <span v-if="column.name === 'torque'" class="figures computed">{{ computedOf(joint.id)?.counterpart }}</span>
          </td>
          <td><PreloadBar :joint="computedOf(joint.id)" /></td>
          <td v-for="column in after" :key="column.name" :data-row="row" :data-column="column.name">
            <Cell :thing="joint" :field="column.name" :label="`${column.label} of ${joint.id}`" :choices="choices(column.name)" />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="empty">
      No joint stands here yet. Write “Remove the caliper bolts” in a step and say that they are a new joint, or name one below.
    </p>
    <form v-if="draft.canEdit" class="add" @submit.prevent="add">
      <input v-model="adding" class="plain" aria-label="Name of a new joint" placeholder="Name of a new joint" maxlength="80" />
      <a-button html-type="submit">Add joint</a-button>
    </form>
    <section v-if="looked" class="slip" :aria-label="`About ${looked.id}`">
      <h2>
        <span class="figures">{{ looked.id }}</span> {{ looked.name }}
      </h2>
      <p class="quiet">
        <template v-if="looked.steps.length">Used in step{{ looked.steps.length > 1 ? 's' : '' }} {{ looked.steps.join(', ') }}.</template
        ><template v-else>No step uses it.</template>
        <template v-if="computedOf(looked.id)?.proofKn">
          Proof load of one fastener {{ computedOf(looked.id)?.proofKn?.toFixed(1) }} kN.</template
        >
        <template v-if="!computedOf(looked.id)?.preload"> Thread, class and torque together let the preload be judged.</template>
      </p>
      <FindingLine v-for="finding in findingsOf(looked.id)" :key="finding.key ?? ''" :finding="finding" />
      <button
        v-if="draft.canEdit && looked.steps.length === 0"
        type="button"
        class="drop"
        @click="draft.send({ do: 'removeThing', id: looked.id })"
      >
        Delete {{ looked.id }}
      </button>
    </section>
    <ThingsTable :fields="fields" />
  </main>
</template>

<style scoped>
.joints {
  flex: 1;
  overflow: auto;
  padding: 18px 20px 60px;
}

.head {
  display: flex;
  align-items: baseline;
  gap: 22px;
  margin-bottom: 10px;
}

.head p {
  margin: 0;
  font-size: 14px;
}

table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  background: var(--sheet);
}

th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 6px 4px;
  border-bottom: 1.5px solid var(--ink);
  vertical-align: bottom;
}

td {
  padding: 0 2px;
  border-bottom: 1px solid var(--line);
  vertical-align: middle;
  position: relative;
}

.glyph-column {
  width: 28px;
  text-align: center;
}

tr.looked td {
  background: #fff;
}

tr.looked td:first-child {
  box-shadow: inset 3px 0 0 var(--moss);
}

.id {
  position: absolute;
  left: 5px;
  top: 9px;
  font-size: 12px;
  color: var(--ink-soft);
}

td[data-column='name'] :deep(input),
td[data-column='name'] :deep(.still) {
  padding-left: 30px;
}

td[data-column='torque'] :deep(input) {
  height: 25px;
  margin-top: 2px;
}

td[data-column='torque'] :deep(input:focus) {
  outline-offset: -2px;
}

.computed {
  display: block;
  height: 17px;
  padding: 0 5px 3px;
  font-size: 11.5px;
  line-height: 14px;
  white-space: nowrap;
  color: var(--ink-soft);
}

.empty {
  padding: 22px 0;
  font-size: 16px;
}

.add {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}

.slip {
  margin-top: 16px;
  padding: 10px 14px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-left: 4px solid var(--moss);
  display: grid;
  gap: 6px;
}

.slip p {
  margin: 0;
}

.drop {
  justify-self: start;
  font: inherit;
  font-size: 14px;
  color: var(--clay);
  background: none;
  border: 0;
  padding: 0;
  text-decoration: underline;
  cursor: pointer;
}
</style>
