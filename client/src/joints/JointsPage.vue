<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import type { Finding, JointView, ThingView } from '../shared/api/client';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { askFields, useFields } from '../shared/fields';
import JointGlyph from '../shared/JointGlyph.vue';
import SeverityMark from '../shared/SeverityMark.vue';
import ValueMark from '../shared/ValueMark.vue';
import { day } from '../shared/when';
import Cell from './Cell.vue';
import { examples } from './examples';
import JointPanel from './JointPanel.vue';
import Scrolls from '../shared/Scrolls.vue';
import PasteDialog from './PasteDialog.vue';
import PreloadBar from './PreloadBar.vue';
import ThingsTable from './ThingsTable.vue';
import ToolList from './ToolList.vue';
import ActButton from '../shared/ActButton.vue';

/** The fastener and torque sheet: one row a joint, edited in the row, with all that is known of the one under the cursor beside it. */
const draft = useDraft();
const cursor = useCursor();
const fields = useFields();
const adding = ref('');
const root = ref<HTMLElement | null>(null);
const pasting = ref(false);

onMounted(askFields);

const columns = [
  { name: 'name', label: 'Joint', width: '150px' },
  { name: 'count', label: 'No.', width: '34px' },
  { name: 'fastener', label: 'Fastener', width: '206px' },
  { name: 'torque', label: 'Torque, other unit', width: '118px' },
] as const;
const after = [{ name: 'source', label: 'Source of the value', width: '' }] as const;

const joints = computed(() => draft.things.filter((t) => t.kind === 'joint'));
const computedOf = (id: string): JointView | undefined => draft.joints.find((j) => j.id === id);
const checkOf = (id: string): JointView['check'] => computedOf(id)?.check ?? null;

/** Whether somebody besides the author has read the value from its source. */
function checkSays(id: string): string {
  const check = checkOf(id);
  if (!check || check.standing === 'unverified') return 'unverified';
  return check.standing === 'verified' ? `${check.who}, ${day(check.at ?? '')}` : `${check.who} reads another value`;
}
const findingsOf = (id: string): Finding[] => draft.findings.filter((f) => f.thing === id);
const choices = (name: string): string[] => fields.value.joint?.find((f) => f.name === name)?.choices ?? [];

/** What goes with the fastener, in one line under it. */
const goesWith = (joint: ThingView): string =>
  [
    joint.fields.stack,
    joint.fields.treatment,
    joint.fields.reuse === 'renew' ? 'renew' : '',
    joint.fields.locking,
    joint.fields.mark === 'yes' ? 'mark' : '',
    joint.fields.tell,
  ]
    .filter((text) => text && text !== 'none')
    .join(' · ');

type Order = 'sheet' | 'part' | 'phase' | 'wrench';
const order = ref<Order>('sheet');
const orders: { value: Order; label: string }[] = [
  { value: 'sheet', label: 'as on the sheet' },
  { value: 'part', label: 'by part' },
  { value: 'phase', label: 'by phase' },
  { value: 'wrench', label: 'by wrench' },
];
const foundOnly = ref(false);
const rule = ref('');
/** The rules that found something about a joint, for the filter. */
const rules = computed(() => [...new Map(draft.findings.filter((f) => f.thing?.startsWith('J')).map((f) => [f.rule, f.title])).entries()]);

function groupOf(joint: ThingView): string {
  if (order.value === 'part') {
    const held = (joint.fields.holds ?? '').split(', ')[0];
    return held ? (draft.thing(held)?.name ?? held) : 'no part named';
  }
  if (order.value === 'phase') {
    const step = joint.steps.at(-1);
    return step === undefined ? 'no step uses it' : (draft.phaseOf(draft.order[step - 1] ?? '')?.name ?? '');
  }
  const choice = computedOf(joint.id)?.wrench;
  return choice ? choice.name || 'none in the crib' : 'no value, or the crib is empty';
}

const groups = computed(() => {
  const shown = joints.value.filter(
    (j) => (!foundOnly.value || findingsOf(j.id).length > 0) && (!rule.value || findingsOf(j.id).some((f) => f.rule === rule.value)),
  );
  if (order.value === 'sheet') return [{ name: '', joints: shown }];
  const names = [...new Set(shown.map(groupOf))];
  if (order.value !== 'phase') names.sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  return names.map((name) => ({ name, joints: shown.filter((j) => groupOf(j) === name) }));
});
/** Rows as they stand, for the way of the arrow keys. */
const rowOf = computed(() => new Map(groups.value.flatMap((g) => g.joints).map((j, i) => [j.id, i])));

const chosen = ref<string | null>(null);
watch(
  () => cursor.finding?.thing,
  (thing) => {
    if (thing?.startsWith('J')) chosen.value = thing;
  },
  { immediate: true },
);
const looked = computed<ThingView | undefined>(() => joints.value.find((j) => j.id === chosen.value) ?? groups.value[0]?.joints[0]);

async function add(): Promise<void> {
  const name = adding.value.trim();
  if (!name) return;
  const taken = await draft.sendAndSettle({ do: 'addThing', kind: 'joint', name, fromKit: false });
  if (taken && adding.value.trim() === name) adding.value = '';
  await nextTick();
}

/** Enter and the arrow keys go through the table as through paper: down and up in the column; Alt+→ to what stands beside the row. */
function go(event: KeyboardEvent): void {
  if (event.altKey && event.key === 'ArrowRight') {
    event.preventDefault();
    root.value?.querySelector<HTMLElement>('.panel :is(textarea, select)')?.focus();
    return;
  }
  const by = event.key === 'Enter' ? (event.shiftKey ? -1 : 1) : event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-row]');
  if (by === 0 || !cell || (event.target instanceof HTMLSelectElement && event.key !== 'Enter')) return;
  const next = root.value?.querySelector<HTMLElement>(
    `[data-row="${Number(cell.dataset.row) + by}"][data-column="${cell.dataset.column}"] :is(textarea, select)`,
  );
  if (!next) return;
  event.preventDefault();
  next.focus();
  if (next instanceof HTMLTextAreaElement) next.select();
}

/** Back from what stands beside the row to the row. */
function back(event: KeyboardEvent): void {
  if (!event.altKey || event.key !== 'ArrowLeft' || !looked.value) return;
  event.preventDefault();
  root.value?.querySelector<HTMLElement>(`[data-row="${rowOf.value.get(looked.value.id)}"] :is(textarea, select)`)?.focus();
}
</script>

<template>
  <main id="main" ref="root" class="joints" tabindex="0" aria-label="Joints">
    <div class="head">
      <h1>Joints</h1>
      <label
        >Order
        <select v-model="order" class="plain">
          <option v-for="o in orders" :key="o.value" :value="o.value">{{ o.label }}</option>
        </select></label
      >
      <label
        >Found
        <select v-model="rule" class="plain">
          <option value="">all</option>
          <option v-for="[id, title] in rules" :key="id" :value="id">{{ title }}</option>
        </select></label
      >
      <label><input v-model="foundOnly" type="checkbox" /> only rows with findings</label>
      <ActButton v-if="draft.canEdit" class="paste" @click="pasting = true">Paste a table</ActButton>
    </div>
    <div class="sides">
      <div class="rows">
        <Scrolls v-if="joints.length" name="Table of joints">
          <table @keydown="go">
            <thead>
              <tr>
                <th scope="col" class="glyph-column"><span class="visually-hidden">State at the end</span></th>
                <th v-for="column in columns" :key="column.name" scope="col" :style="{ width: column.width }">{{ column.label }}</th>
                <th scope="col" style="width: 80px">Of proof load</th>
                <th scope="col" style="width: 84px">Wrench, setting</th>
                <th v-for="column in after" :key="column.name" scope="col" :style="{ width: column.width }">{{ column.label }}</th>
              </tr>
            </thead>
            <tbody v-for="group in groups" :key="group.name">
              <tr v-if="group.name" class="group">
                <th colspan="8" scope="colgroup">{{ group.name }}</th>
              </tr>
              <tr
                v-for="joint in group.joints"
                :key="joint.id"
                :class="{ looked: looked?.id === joint.id }"
                @focusin="chosen = joint.id"
                @click="chosen = joint.id"
              >
                <td class="glyph-column">
                  <SeverityMark v-if="findingsOf(joint.id).length" :severity="findingsOf(joint.id)[0]?.severity ?? 'hint'" />
                  <JointGlyph v-else :glyph="computedOf(joint.id)?.end ?? { stage: 'tight', pass: 0, of: 0, some: false }" />
                </td>
                <td v-for="column in columns" :key="column.name" :data-row="rowOf.get(joint.id)" :data-column="column.name">
                  <span v-if="column.name === 'name'" class="id figures">{{ joint.id }}</span>
                  <Cell
                    :thing="joint"
                    :field="column.name"
                    :label="`${column.label} of ${joint.id}`"
                    :choices="choices(column.name)"
                    :hint="looked?.id === joint.id ? examples[column.name] : ''"
                  />
                  <span v-if="column.name === 'fastener' && goesWith(joint)" class="computed">{{ goesWith(joint) }}</span>
                  <span v-if="column.name === 'torque'" class="figures computed" :title="computedOf(joint.id)?.counterpart">{{
                    computedOf(joint.id)?.counterpart
                  }}</span>
                </td>
                <td class="load"><PreloadBar :joint="computedOf(joint.id)" /></td>
                <td class="wrench">
                  <template v-if="computedOf(joint.id)?.wrench?.name"
                    >{{ computedOf(joint.id)?.wrench?.name
                    }}<span class="figures">{{ computedOf(joint.id)?.wrench?.setting }}</span></template
                  >
                  <strong
                    v-else-if="computedOf(joint.id)?.wrench"
                    class="uncovered"
                    :title="computedOf(joint.id)?.wrench?.whyNot.join('; ')"
                    >▲ none covers</strong
                  >
                  <span v-else class="quiet">—</span>
                </td>
                <td v-for="column in after" :key="column.name" :data-row="rowOf.get(joint.id)" :data-column="column.name">
                  <Cell
                    :thing="joint"
                    :field="column.name"
                    :label="`${column.label} of ${joint.id}`"
                    :choices="choices(column.name)"
                    :hint="looked?.id === joint.id ? examples[column.name] : ''"
                  />
                  <span v-if="checkOf(joint.id)" class="computed"
                    ><ValueMark :standing="checkOf(joint.id)!.standing" />{{ checkSays(joint.id) }}</span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </Scrolls>
        <p v-else class="empty">
          No joint stands here yet. Write “Remove the caliper bolts” in a step and say that they are a new joint, name one below, or paste
          the table from your spreadsheet.
        </p>
        <p v-if="joints.length && !rowOf.size" class="empty">No joint has such a finding.</p>
        <form v-if="draft.canEdit" class="add" @submit.prevent="add">
          <input v-model="adding" class="plain" aria-label="Name of a new joint" placeholder="Name of a new joint" maxlength="80" />
          <ActButton html-type="submit">Add joint</ActButton>
          <p class="quiet">
            Write a torque as its source has it: 95 N·m, 22–28 N·m, 40 N·m + 90°, 60 N·m + next slot, seat 50 N·m, back 60°, set 8 N·m,
            snug. Enter goes down, Tab across, Alt+→ to the panel.
          </p>
        </form>
        <ToolList />
        <ThingsTable :fields="fields" />
      </div>
      <JointPanel
        v-if="looked"
        :key="looked.id"
        :joint="looked"
        :facts="computedOf(looked.id)"
        :fields="fields.joint ?? []"
        @keydown="back"
      />
    </div>
    <PasteDialog v-model:open="pasting" />
  </main>
</template>

<style scoped>
.joints {
  position: relative;
  flex: 1;
  overflow: auto;
  padding: 14px 16px 60px;
}

.head {
  display: flex;
  align-items: center;
  gap: 20px;
  margin-bottom: 8px;
  font-size: 14px;
}

.head h1 {
  margin-right: 6px;
}

.head label {
  display: flex;
  align-items: center;
  gap: 6px;
}

@media (width <= 1180px) {
  .head {
    flex-wrap: wrap;
    gap: 6px 16px;
  }

  .rows :deep(.scrolls > table) {
    min-width: 860px;
  }
}

.head select {
  padding: 3px 6px;
  max-width: 210px;
}

.paste {
  margin-left: auto;
}

.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
  gap: 16px;
}

@media (width <= 1180px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }

  .joints {
    padding-inline: 12px;
  }
}

@media (width <= 620px) {
  .add {
    flex-wrap: wrap;
  }

  .add p {
    flex: 1 0 100%;
    margin: 0;
  }
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

.group th {
  padding: 12px 6px 3px;
  font-size: 17px;
  background: var(--paper);
  border-bottom: 1px solid var(--line-strong);
}

td {
  padding: 4px 2px 3px;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
  position: relative;
}

.glyph-column {
  width: 28px;
  padding-top: 7px;
  text-align: center;
}

tr.looked td {
  background: var(--field);
}

tr.looked td:first-child {
  box-shadow: inset 3px 0 0 var(--moss);
}

.id {
  position: absolute;
  left: 4px;
  top: 8px;
  font-size: 12px;
  color: var(--ink-soft);
}

td[data-column='name'] :deep(textarea),
td[data-column='name'] :deep(.still) {
  padding-left: 32px;
}

/* One line through the row, whatever stands under it. */
td :deep(textarea),
td :deep(.still) {
  min-height: 25px;
  padding-block: 3px;
}

.computed {
  display: block;
  min-height: 17px;
  padding: 0 5px 3px;
  font-size: 11.5px;
  line-height: 14px;
  color: var(--ink-soft);
}

.load {
  padding-top: 9px;
}

.wrench {
  padding-top: 7px;
  font-size: 13px;
  line-height: 1.25;
}

.wrench .figures {
  display: block;
  font-size: 11.5px;
}

.uncovered {
  color: var(--clay);
  font-size: 12.5px;
}

.empty {
  padding: 22px 0;
  font-size: 16px;
}

.add {
  display: flex;
  gap: 8px;
  margin-top: 10px;
  align-items: center;
}

.add p {
  flex: 1;
  margin: 0 0 0 10px;
  font-size: 13px;
  line-height: 1.35;
}
</style>
