<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, take } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import { useDraft } from '../shared/draft';
import CautionPanel from '../shared/CautionPanel.vue';
import FigureShown from '../shared/FigureShown.vue';
import PatternDrawing from '../shared/PatternDrawing.vue';
import { useWalkAs } from '../shared/walkAs';
import { holdUnits } from '../shared/units';
import { warnOf } from '../shared/warns';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';
import TakeOut from './TakeOut.vue';
import PdfButton from './PdfButton.vue';
import BenchCard from './BenchCard.vue';
import PrintChanges from './PrintChanges.vue';
import PrintHead from './PrintHead.vue';

/** The sheet as it prints, on A4 or Letter. */
const walkAs = useWalkAs();
const route = useRoute();
/** The address may say what it prints for and on; what is chosen in the page after that counts. */
const told = ref(typeof route.query.as === 'string' ? route.query.as : null);
const asked = computed(() => told.value ?? walkAs.key);
watch(
  () => walkAs.key,
  (_key, before) => {
    if (before !== '') told.value = null;
  },
);
const { answer: sheet, trouble } = useAsked(
  () => asked.value,
  (id, as) => take(api.GET('/api/revisions/{id}/print', { params: { path: { id }, query: { as } } })),
);
const draft = useDraft();
/** Whether the formats it goes out in are shown. */
const out = ref(false);
const paper = ref<'A4' | 'Letter'>(route.query.paper === 'Letter' ? 'Letter' : 'A4');
/** The sheet whole, or the card that hangs at the bench. */
const layout = ref<'sheet' | 'card'>(route.query.layout === 'card' ? 'card' : 'sheet');
const main = useTemplateRef('main');
/** Told to who prints it unseen: all of it is there, fonts and pictures too, or it never will be. */
const settled = ref<'printed' | 'trouble' | undefined>();
watch([sheet, trouble], async () => {
  settled.value = trouble.value ? 'trouble' : undefined;
  if (!sheet.value || trouble.value) return;
  const of = sheet.value;
  await nextTick();
  const pictures = [...(main.value?.querySelectorAll<HTMLImageElement | SVGImageElement>('img, image') ?? [])];
  try {
    await Promise.all([document.fonts.ready, ...pictures.map((picture) => (picture as HTMLImageElement).decode())]);
    if (sheet.value === of) settled.value = 'printed';
  } catch {
    if (sheet.value === of) settled.value = 'trouble';
  }
});

const warns = computed(() => warnOf(sheet.value?.state));
/** A text in a style sheet: whatever stands in it, it is that text. */
const cssText = (text: string): string =>
  `"${[...text].map((c) => (/[\p{L}\p{N} .,–·]/u.test(c) ? c : `\\${c.codePointAt(0)!.toString(16)} `)).join('')}"`;
/** What every page says: which sheet, which revision, how far it is, which page. */
const pageRule = computed(() => {
  const size = `size: ${paper.value === 'A4' ? 'A4' : 'letter'}; margin: 20mm 14mm 18mm;`;
  if (!sheet.value) return `@page { ${size} }`;
  const { number, title, letter, state } = sheet.value;
  const box = (place: string, content: string): string => `@${place} { content: ${content}; font: 9pt sans-serif; color: #000; }`;
  return `@page { ${size} ${[
    box('top-left', cssText(`${number} ${title}`)),
    box('top-right', cssText(`revision ${letter} · ${state}${warns.value && ` – ${warns.value.toUpperCase()}`}`)),
    sheet.value.bulletins.length ? box('bottom-center', '"BULLETIN: see the first page"') : '',
    box('bottom-left', cssText(sheet.value.as ? `for ${sheet.value.as}` : '')),
    box('bottom-right', '"page " counter(page) " of " counter(pages)'),
  ].join(' ')} }`;
});
const names = computed(() => new Map((sheet.value?.torques ?? []).map((t) => [t.id, t.name])));
const print = (): void => window.print();
// The browser prints by itself: who has the sheet on paper is written down as it does. Without a connection it prints all the same.
useEventListener(window, 'beforeprint', () => {
  const id = draft.revision?.id;
  if (id && !open.value)
    void api.POST('/api/revisions/{id}/held', { params: { path: { id } }, body: { way: 'printed' } }).catch(() => undefined);
});
/** Before the name: behind it, it would read as a size. */
const isCount = (amount: string): boolean => /^\d+$/.test(amount) && amount !== '1';
const lists = computed(() => [
  { title: 'Parts', items: sheet.value?.parts ?? [] },
  {
    title: 'Tools',
    items: (sheet.value?.tools ?? []).map((t) => ({
      what: t.what,
      amount: '',
      for: [t.for.join(', '), t.note].filter(Boolean).join('; '),
    })),
  },
  { title: 'Consumables', items: sheet.value?.consumables ?? [] },
]);
/** Nothing is said of it before it is known. */
const open = computed(() => sheet.value !== null && sheet.value.state !== 'released');
</script>

<template>
  <main id="main" ref="main" class="print" :data-settled="settled" tabindex="0" aria-label="Print">
    <component :is="'style'">{{ pageRule }}</component>
    <div class="tools">
      <fieldset>
        <legend class="visually-hidden">Paper</legend>
        <label v-for="size in ['A4', 'Letter'] as const" :key="size"
          ><input v-model="paper" type="radio" name="paper" :value="size" /> {{ size }}</label
        >
      </fieldset>
      <fieldset>
        <legend class="visually-hidden">What is printed</legend>
        <label><input v-model="layout" type="radio" name="layout" value="sheet" /> Sheet</label>
        <label><input v-model="layout" type="radio" name="layout" value="card" /> Bench card</label>
      </fieldset>
      <PdfButton v-if="draft.revision" :revision="draft.revision.id" :walk-as="asked" :paper="paper" :layout="layout" />
      <ActButton @click="print">Print</ActButton>
      <ActButton v-if="!draft.revision?.may.blind" :aria-expanded="out" @click="out = !out">Take it out …</ActButton>
      <span v-if="open" class="quiet">It is {{ warns }}: every page says so.</span>
    </div>
    <TakeOut v-if="out && draft.revision" :revision="draft.revision.id" :walk-as="asked" />
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="open" class="across" aria-hidden="true">{{ sheet!.state.toUpperCase() }}</p>
    <article v-if="sheet" class="paper" :class="paper.toLowerCase()">
      <BenchCard v-if="layout === 'card'" :sheet="sheet" :open="open" :warns="warns" />
      <template v-else>
        <PrintHead :sheet="sheet" :open="open" :warns="warns" />
        <p class="defer">The vehicle maker’s manual, local codes and licensed practice come before this sheet. Stop where they differ.</p>
        <dl v-if="sheet.header.purpose || sheet.header.fits || sheet.header.entryCheck" class="about">
          <template v-if="sheet.header.purpose"
            ><dt>Purpose</dt>
            <dd>{{ sheet.header.purpose }}</dd></template
          >
          <template v-if="sheet.header.fits"
            ><dt>Fits</dt>
            <dd>{{ sheet.header.fits }}</dd></template
          >
          <template v-if="sheet.header.entryCheck"
            ><dt>Is it this job?</dt>
            <dd>{{ sheet.header.entryCheck }}</dd></template
          >
          <template v-if="sheet.as"
            ><dt>Printed for</dt>
            <dd>
              <strong>{{ sheet.as }}</strong>
            </dd></template
          >
          <dt>People</dt>
          <dd>
            {{ sheet.header.people }}<template v-if="sheet.header.difficulty">, difficulty {{ sheet.header.difficulty }} of 5</template>
          </dd>
        </dl>
        <PrintChanges
          v-if="sheet.changes"
          :changes="sheet.changes"
          :marked="sheet.phases.some((phase) => phase.steps.some((step) => step.changed))"
        />
        <section class="hand" aria-label="To have in hand">
          <div v-for="list in lists" :key="list.title">
            <h2>{{ list.title }}</h2>
            <ul v-if="list.items.length">
              <li v-for="item in list.items" :key="item.what">
                <span class="box" aria-hidden="true"></span>
                <span
                  ><template v-if="isCount(item.amount)">{{ item.amount }} × </template>{{ holdUnits(item.what)
                  }}<template v-if="item.amount && !/^\d+$/.test(item.amount)">, {{ item.amount }}</template
                  ><small v-if="item.for"> {{ holdUnits(item.for) }}</small></span
                >
              </li>
            </ul>
            <p v-else class="quiet">none known</p>
          </div>
        </section>
        <section v-for="phase in sheet.phases" :key="phase.name" class="phase">
          <h2>{{ phase.name }}</h2>
          <div v-for="step in phase.steps" :key="step.number" class="step" :class="{ changed: step.changed }">
            <CautionPanel v-for="caution in step.cautions" :key="caution.hazard" :caution="caution" />
            <div class="line">
              <span class="number figures">{{ step.number }}<span v-if="step.changed" class="visually-hidden"> (changed)</span></span>
              <div class="text">
                <!-- eslint-disable-next-line vue/no-v-html -- Markdown made HTML and sanitised by the server -->
                <div v-html="step.html"></div>
                <p v-for="one in step.tightens" :key="one.joint + one.value" class="tightens">
                  <span
                    ><span class="figures">{{ one.joint }}</span> {{ names.get(one.joint)
                    }}<template v-if="one.pass">, pass {{ one.pass }}</template></span
                  >
                  <strong class="figures">{{ holdUnits(one.value) || 'no value' }}</strong>
                  <span class="reading">set to <span class="blank" aria-hidden="true"></span></span>
                </p>
              </div>
              <div v-if="step.figures.length && draft.revision" class="shows">
                <FigureShown v-for="figure in step.figures" :key="figure.number" :figure="figure" :revision="draft.revision.id" />
              </div>
              <span v-if="step.people && step.people > 1" class="crew">{{ step.people }} people</span>
              <span class="box" aria-hidden="true"></span>
            </div>
          </div>
          <p v-if="phase.owed.length" class="owed">
            <strong>Still to torque:</strong>
            <span v-for="owed in phase.owed" :key="owed.id"
              ><span class="box" aria-hidden="true"></span
              >{{ [owed.id, owed.name, owed.value, owed.due ? `(step ${owed.due})` : '(no step does it)'].filter(Boolean).join(' ') }}</span
            >
          </p>
        </section>
        <section v-if="sheet.later.length" class="later">
          <h2>After first use</h2>
          <p>To stay with the vehicle.</p>
          <ul>
            <li v-for="one in sheet.later" :key="one.joint + one.when">
              <span class="box" aria-hidden="true"></span>
              <span
                ><strong>{{ one.when }}</strong
                >: {{ one.what
                }}<template v-if="one.value"
                  >, <strong class="figures">{{ one.value }}</strong></template
                >
                ({{ one.joint }}, step {{ one.step }})</span
              >
              <span class="reading"
                >done <span class="blank" aria-hidden="true"></span> by <span class="blank" aria-hidden="true"></span
              ></span>
            </li>
          </ul>
        </section>
        <section v-if="sheet.practice.length" class="practice">
          <h2>House practice</h2>
          <ul>
            <li v-for="line in sheet.practice" :key="line">{{ line }}</li>
          </ul>
        </section>
        <section class="torques" tabindex="0" aria-label="Torque table">
          <h2>Torque table</h2>
          <table v-if="sheet.torques.length">
            <colgroup>
              <col v-for="(share, n) in [5, 13, 15, 20, 9, 15, 8, 15]" :key="n" :style="{ width: `${share}%` }" />
            </colgroup>
            <thead>
              <tr>
                <th scope="col">No.</th>
                <th scope="col">Joint</th>
                <th scope="col">Fastener</th>
                <th scope="col">Torque</th>
                <th scope="col">Wrench</th>
                <th scope="col">Treatment, after, how</th>
                <th scope="col">Steps</th>
                <th scope="col">Source</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in sheet.torques" :key="row.id" :class="{ changed: sheet.changes?.joints.includes(row.id) }">
                <td class="figures">
                  {{ row.id }}<span v-if="sheet.changes?.joints.includes(row.id)" class="visually-hidden"> (changed)</span>
                </td>
                <td>{{ row.count > 1 ? `${row.count} × ` : '' }}{{ row.name }}</td>
                <td>{{ holdUnits(row.fastener) }}</td>
                <td class="figures">
                  <strong class="value">{{ holdUnits(row.value) || 'no value' }}</strong><br v-if="row.counterpart" />{{
                    holdUnits(row.counterpart)
                  }}
                </td>
                <td>{{ holdUnits(row.setting) }}</td>
                <td>{{ [row.treatment, row.after, row.note].filter(Boolean).join('; ') }}</td>
                <td>{{ row.steps.join(', ') }}</td>
                <td>{{ row.source }}</td>
              </tr>
            </tbody>
          </table>
          <p v-else class="quiet">No joint stands on this sheet.</p>
          <p v-if="sheet.torques.length" class="judged">{{ sheet.notJudged }}</p>
        </section>
        <section v-if="sheet.patterns.length" class="patterns">
          <h2>Patterns</h2>
          <p>The large figure is the order, the small one the position; the first one is filled.</p>
          <div class="drawn">
            <figure v-for="pattern in sheet.patterns" :key="pattern.id">
              <PatternDrawing :places="pattern.places" :order="pattern.order" :size="150" :name="pattern.name" />
              <figcaption>
                <strong>{{ pattern.id }} {{ pattern.name }}</strong>
                <ol>
                  <li v-for="pass in pattern.passes" :key="pass">{{ pass }}</li>
                </ol>
                <span v-if="pattern.because">This order because {{ pattern.because }}.</span>
              </figcaption>
            </figure>
          </div>
        </section>
        <footer>
          {{ sheet.number }} revision {{ sheet.letter }}, {{ sheet.state }}. The program judged order, closure and the preload of single
          values by the short torque form; it did not see the vehicle.
        </footer>
      </template>
    </article>
  </main>
</template>

<style scoped>
.print {
  position: relative;
  flex: 1;
  overflow: auto;
  padding: 16px 20px 60px;
}

.tools {
  display: flex;
  align-items: center;
  gap: 16px;
  flex-wrap: wrap;
  max-width: 210mm;
  margin: 0 auto 14px;
}

.tools label {
  white-space: nowrap;
}

fieldset {
  display: flex;
  gap: 14px;
  border: 0;
  padding: 0;
  margin: 0;
}

fieldset + fieldset {
  padding-left: 16px;
  border-left: 1px solid var(--line-strong);
}

.paper {
  color-scheme: light;
  background: #fff;
  color: #000;
  margin: 0 auto;
  padding: 14mm;
  border: 1px solid var(--line-strong);
  font-size: 14px;
}

.a4 {
  width: 210mm;
}

.owed {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 8px 0 0;
  padding: 6px 8px;
  border: 1.5px dashed #000;
  break-inside: avoid;
}

.crew {
  font-size: 12.5px;
  font-weight: 700;
  white-space: nowrap;
}

.practice {
  margin-top: 16px;
}

.practice ul {
  margin: 4px 0 0;
  padding-left: 18px;
}

.letter {
  width: 8.5in;
}

.later {
  margin-top: 16px;
  padding: 4px 12px 10px;
  border: 1.5px solid #000;
  break-inside: avoid;
}

.later p {
  margin: 0 0 4px;
  font-size: 13px;
}

.later ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.later li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 3px 0;
}

.later li > span:nth-child(2) {
  flex: 1 1 60%;
}

.defer {
  margin: 8px 0;
  font-weight: 600;
}

.about {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 3px 10px;
  margin: 0 0 12px;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0;
}

.hand {
  display: grid;
  grid-template-columns: 1fr 2fr;
  grid-template-rows: auto 1fr;
  gap: 10px 18px;
  border-top: 1px solid #000;
  border-bottom: 1px solid #000;
  padding: 8px 0;
  font-size: 13px;
}

/* Most of it is tools: two columns of them beside parts and consumables. */
.hand > :nth-child(2) {
  grid-area: 1 / 2 / span 2;
}

.hand > :nth-child(2) ul {
  columns: 2;
  column-gap: 18px;
}

.hand li {
  break-inside: avoid;
}

.hand ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

.hand li {
  display: flex;
  gap: 7px;
  margin-bottom: 3px;
  line-height: 1.3;
}

.hand p {
  margin: 4px 0 0;
}

.box {
  flex: none;
  width: 12px;
  height: 12px;
  margin-top: 3px;
  border: 1.3px solid #000;
}

small {
  margin-left: 5px;
  color: #444;
}

h2 {
  font-size: 20px;
}

.phase {
  margin-top: 14px;
}

.phase h2 {
  border-bottom: 1px solid #000;
  margin-bottom: 4px;
  break-after: avoid;
}

.step {
  break-inside: avoid;
  padding: 3px 0;
}

/* A bar in the margin: other than in the revision before. */
.changed {
  position: relative;
}

.step.changed::before,
tr.changed td:first-child::before {
  content: '';
  position: absolute;
  left: 0;
  top: 2px;
  bottom: 2px;
  border-left: 1.2mm solid #000;
}

.step .caution {
  margin: 4px 0;
}

.line {
  display: flex;
  gap: 8px;
  padding-right: 2px;
  align-items: start;
}

.number {
  flex: 0 0 30px;
  text-align: right;
  font-weight: 700;
}

.text {
  flex: 1;
  min-width: 0;
}

/* Beside the words; a picture taller than wide gets no more than a third of a page. */
.shows {
  flex: 0 0 46%;
  display: grid;
  gap: 10px;
  padding-bottom: 6px;
}

.shows :deep(svg) {
  max-height: 85mm;
}

.text :deep(p) {
  margin: 0 0 2px;
}

.text :deep(table) {
  width: auto;
  margin: 4px 0;
}

.text :deep(td),
.text :deep(th) {
  padding: 2px 14px 2px 6px;
  border: 1px solid #000;
  text-align: left;
}

.owed .box {
  display: inline-block;
  margin: 0 4px 0 0;
  vertical-align: -1px;
}

.torques {
  margin-top: 18px;
  break-before: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
  margin-top: 4px;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 3px 6px 3px 0;
  border-bottom: 1px solid #999;
}

th {
  border-bottom-color: #000;
}

tr {
  break-inside: avoid;
}

.value {
  font-size: 13px;
}

.judged {
  margin: 6px 0 0;
  font-size: 11.5px;
}

.patterns {
  margin-top: 18px;
}

.patterns p {
  margin: 2px 0 6px;
  font-size: 12px;
}

.drawn {
  display: grid;
  grid-template-columns: repeat(2, 1fr);
  gap: 12px 20px;
}

.drawn figure {
  display: flex;
  gap: 12px;
  margin: 0;
  break-inside: avoid;
}

.drawn figure svg {
  flex: none;
}

.drawn figcaption {
  font-size: 12px;
}

.drawn figcaption ol {
  margin: 3px 0;
  padding-left: 18px;
}

footer {
  margin-top: 14px;
  font-size: 11.5px;
  color: #333;
}

/* On a narrow screen the sheet flows, in larger type; on paper it is as ever. */
@media screen and (width <= 900px) {
  .print {
    padding: 10px 0 40px;
  }

  .tools {
    flex-wrap: wrap;
    padding: 0 12px;
  }

  .paper {
    width: auto;
    padding: 18px 14px;
    border-inline: 0;
    font-size: 17px;
  }

  .hand,
  .drawn {
    grid-template-columns: minmax(0, 1fr);
    font-size: 16px;
  }

  .hand > :nth-child(2) {
    grid-area: auto;
  }

  .hand > :nth-child(2) ul {
    columns: auto;
  }

  .about {
    grid-template-columns: minmax(0, 1fr);
  }

  .step .line {
    flex-wrap: wrap;
  }

  .shows {
    flex: 1 0 100%;
  }

  .torques {
    overflow-x: auto;
  }

  .torques table {
    min-width: 640px;
    font-size: 14px;
  }
}

.tightens {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
  margin: 3px 0 0;
  padding: 2px 8px;
  border-left: 3px solid #000;
  background: #f2f2f2;
}

.reading {
  margin-left: auto;
  font-size: 12px;
}

.blank {
  display: inline-block;
  width: 70px;
  border-bottom: 1px solid #000;
}

.across {
  display: none;
}

h2 {
  break-after: avoid;
}

tr {
  break-inside: avoid;
}

@media print {
  .print {
    padding: 0;
    overflow: visible;
  }

  /* Stands still while the pages go by: each of them has it. */
  .across {
    display: block;
    position: fixed;
    inset: 42% 0 auto;
    margin: 0;
    text-align: center;
    font: 600 100px/1 var(--heading);
    letter-spacing: 0.06em;
    color: rgb(0 0 0 / 12%);
    transform: rotate(-24deg);
  }

  .tools {
    display: none;
  }

  .paper {
    width: auto;
    padding: 0;
    border: 0;
  }
}
</style>
