<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api, take, type BuildingBlock, type HouseRules, type SourceDocument, type Trouble, type WorkshopView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import PlainPage from '../frame/PlainPage.vue';
import { useSession } from '../shared/session';
import BackupForm from './BackupForm.vue';
import BlocksForm from './BlocksForm.vue';
import DocumentsForm from './DocumentsForm.vue';
import RulesForm from './RulesForm.vue';
import WordsForm from './WordsForm.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import Scrolls from '../shared/Scrolls.vue';
import ActButton from '../shared/ActButton.vue';

/** The workshop: the wrench crib every value is held against, the house rules, the source documents, and the blocks. */
const session = useSession();
const workshop = ref<WorkshopView | null>(null);
const rows = ref<Record<string, string>[]>([]);
const trouble = ref<Trouble | null>(null);
const said = ref('');
const file = ref<HTMLInputElement | null>(null);

function show(view: WorkshopView): void {
  workshop.value = view;
  rows.value = view.crib.map((w) => ({ ...w.cells }));
}

async function attempt(work: () => Promise<WorkshopView>, done: string): Promise<void> {
  trouble.value = null;
  said.value = '';
  try {
    show(await work());
    said.value = done;
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

onMounted(() => attempt(() => take(api.GET('/api/workshop')), ''));
const version = computed(() => workshop.value?.version ?? 0);
const columns = computed(() => workshop.value?.columns ?? []);
const changed = computed(() => JSON.stringify(rows.value) !== JSON.stringify(workshop.value?.crib.map((w) => w.cells) ?? []));
const about = (row: Record<string, string>): { usedFrom: string; due: string; overdue: string } | undefined =>
  workshop.value?.crib.find((w) => w.cells.name === row.name);

const keep = (): Promise<void> =>
  attempt(() => take(api.PUT('/api/workshop/crib', { body: { version: version.value, wrenches: rows.value } })), 'The crib is kept.');
const keepRules = (rules: HouseRules): Promise<void> =>
  attempt(() => take(api.PUT('/api/workshop/rules', { body: { version: version.value, rules } })), 'The house rules are kept.');

const keepBlocks = (blocks: BuildingBlock[]): Promise<void> =>
  attempt(() => take(api.PUT('/api/workshop/blocks', { body: { version: version.value, blocks } })), 'The blocks are kept.');

const keepDocuments = (documents: SourceDocument[]): Promise<void> =>
  attempt(
    () => take(api.PUT('/api/workshop/documents', { body: { version: version.value, documents } })),
    'The source documents are kept.',
  );

const takeWordBack = (word: string): Promise<void> =>
  attempt(() => take(api.DELETE('/api/workshop/words/{word}', { params: { path: { word } } })), `“${word}” is taken back.`);

function add(): void {
  rows.value.push({ ...Object.fromEntries(columns.value.map((c) => [c, ''])), unit: 'N·m', step: '1', drive: '1/2 in', cycles: '0' });
}

async function readFile(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement;
  const chosen = field.files?.[0];
  if (!chosen) return;
  const csv = await chosen.text();
  field.value = '';
  await attempt(
    () => take(api.PUT('/api/workshop/crib.csv', { body: { version: version.value, csv } })),
    `${chosen.name} is the crib now.`,
  );
}
</script>

<template>
  <PlainPage name="Workshop">
    <div class="head">
      <h1>Workshop</h1>
      <p class="quiet">Every value of every sheet is held against these torque tools and judged by these rules.</p>
    </div>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="said" role="status" class="said">{{ said }}</p>
    <template v-if="workshop">
      <section aria-labelledby="crib">
        <div class="line">
          <h2 id="crib">Wrench crib</h2>
          <a class="quiet" href="/api/workshop/crib.csv" download="crib.csv">Save as CSV</a>
          <template v-if="workshop.mayChange">
            <button type="button" class="link" @click="file?.click()">Put a CSV in its place</button>
            <input
              ref="file"
              type="file"
              accept=".csv,text/csv"
              class="visually-hidden"
              tabindex="-1"
              aria-label="Crib as CSV"
              @change="readFile"
            />
          </template>
        </div>
        <Scrolls v-if="rows.length" name="Torque tools of the crib">
          <table>
            <thead>
              <tr>
                <th v-for="column in columns" :key="column" scope="col">{{ column }}</th>
                <th scope="col">used from</th>
                <th scope="col">calibrate by</th>
                <th v-if="workshop.mayChange" scope="col"><span class="visually-hidden">Take away</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, i) in rows" :key="i">
                <td v-for="column in columns" :key="column" :class="{ name: column === 'name' }">
                  <input
                    v-if="workshop.mayChange"
                    v-model="row[column]"
                    :aria-label="`${column} of ${row.name || `tool ${i + 1}`}`"
                    :placeholder="column === 'calibrated' ? 'yyyy-mm-dd' : undefined"
                    maxlength="60"
                  />
                  <template v-else>{{ row[column] }}</template>
                </td>
                <td class="figures quiet">{{ about(row)?.usedFrom }}</td>
                <td class="figures" :class="{ overdue: about(row)?.overdue }" :title="about(row)?.overdue">
                  {{ about(row)?.overdue ? '▲ ' : '' }}{{ about(row)?.due }}
                </td>
                <td v-if="workshop.mayChange">
                  <button type="button" class="link" :aria-label="`take out ${row.name || 'tool'}`" @click="rows.splice(i, 1)">
                    take out
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </Scrolls>
        <p v-else class="empty">
          The crib is empty: no value is held against it.
          <template v-if="workshop.mayChange">Add the torque tools you own, or put a CSV in its place.</template>
        </p>
        <div v-if="workshop.mayChange" class="line under">
          <ActButton @click="add">Add a tool</ActButton>
          <ActButton type="primary" :disabled="!changed" @click="keep">Keep the crib</ActButton>
          <span v-if="changed" class="quiet">Not kept yet.</span>
        </div>
        <p v-else class="quiet">An approver or administrator keeps the crib.</p>
      </section>
      <RulesForm :workshop="workshop" @keep="keepRules" />
      <DocumentsForm :workshop="workshop" @keep="keepDocuments" />
      <WordsForm :workshop="workshop" :may-take-back="workshop.mayChange || session.is('author')" @take-back="takeWordBack" />
      <BlocksForm :workshop="workshop" @keep="keepBlocks" />
      <BackupForm v-if="session.is('administrator')" />
    </template>
  </PlainPage>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 22px;
  margin-bottom: 14px;
}

.head p {
  margin: 0;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 18px;
  margin-bottom: 6px;
}

.under {
  margin-top: 12px;
}

table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
}

th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 5px;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 2px 5px;
  height: 36px;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}

td.figures {
  font-size: 13px;
  white-space: nowrap;
}

td.name {
  min-width: 110px;
}

td input {
  width: 100%;
  min-width: 36px;
  height: 30px;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  padding: 0 3px;
}

td input:hover {
  border-color: var(--line-strong);
}

td input:focus {
  background: var(--field);
  border-color: var(--ink);
}

.overdue {
  color: var(--clay);
  font-weight: 700;
}

.said {
  padding: 8px 12px;
  background: var(--moss-pale);
  border-left: 4px solid var(--moss);
}

.empty {
  padding: 14px 0;
}
</style>
