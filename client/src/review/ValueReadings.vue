<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { api, take, type Trouble, type ValueView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useAsked } from '../shared/asked';
import { useDraft } from '../shared/draft';
import PageShown from '../shared/PageShown.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import ValueMark from '../shared/ValueMark.vue';
import { day } from '../shared/when';
import ReadingForm from './ReadingForm.vue';

/**
 * The values of the sheet, each read a second time from its source: the author's entry is not shown here, so that who reads
 * the source reads the source.
 */
const draft = useDraft();
const {
  answer: values,
  trouble: unasked,
  again,
} = useAsked(
  () => draft.revision!.state,
  (id) => take(api.GET('/api/revisions/{id}/values', { params: { path: { id } } })),
);
const read = ref<Record<string, string>>({});
/** Why a value is read again by somebody who has read another one. */
const reasons = ref<Record<string, string>>({});
const trouble = ref<{ seal: string; trouble: Trouble } | null>(null);
const root = ref<HTMLElement | null>(null);
/** The page somebody reads a value from. */
const page = ref<ValueView | null>(null);

const mayRead = computed(() => draft.revision!.may.judge);
const verified = computed(() => values.value?.filter((v) => v.standing === 'verified').length ?? 0);

/** Goes on with the table, where the next value is, and where it is said if this one cannot be meant. */
function keepFromPage(value: ValueView): void {
  if (!(read.value[value.seal] ?? '').trim()) return;
  page.value = null;
  void nextTick(() =>
    keep(
      value,
      values.value!.findIndex((v) => v.seal === value.seal),
    ),
  );
}

async function keep(value: ValueView, row: number): Promise<void> {
  const text = (read.value[value.seal] ?? '').trim();
  if (!text) return;
  trouble.value = null;
  // On at once to the next that is still to be read, below if there is one: what is typed while this one is on its way is not lost with its field.
  const others = [...(root.value?.querySelectorAll<HTMLInputElement>('input[data-row]') ?? [])].filter(
    (f) => Number(f.dataset.row) !== row,
  );
  (others.find((f) => Number(f.dataset.row) > row) ?? others[0])?.focus();
  try {
    await take(
      api.POST('/api/revisions/{id}/values', {
        params: { path: { id: draft.revision!.id } },
        body: { seal: value.seal, read: text, reason: reasons.value[value.seal] },
      }),
    );
    delete read.value[value.seal];
    delete reasons.value[value.seal];
    await Promise.all([draft.refresh(), again()]);
  } catch (error) {
    trouble.value = { seal: value.seal, trouble: troubleOf(error) };
  }
}
</script>

<template>
  <section v-if="values?.length || unasked" ref="root" class="values" aria-labelledby="values">
    <h2 id="values">
      Values <span v-if="values" class="figures count">{{ verified }} of {{ values.length }} verified</span>
    </h2>
    <TroubleNote v-if="unasked" :trouble="unasked" />
    <p v-if="mayRead && verified < (values?.length ?? 0)" class="quiet">
      Open the source, and write each value as it stands there. What the author wrote is not shown here on purpose.
    </p>
    <!-- Once all are verified they are folded away: who read which is looked up seldom. -->
    <details v-if="values" :open="mayRead || verified < values.length">
      <summary>Who read which value, and where</summary>
      <table>
        <tbody>
          <tr v-for="(value, row) in values" :key="value.seal">
            <th scope="row">
              <span class="figures id">{{ value.tag }}</span> {{ value.name }}
              <span class="computed">{{ value.about }}</span>
            </th>
            <td class="source">
              {{ value.source }}
              <button v-if="value.page" type="button" class="link" :aria-label="`See the page: ${value.source}`" @click="page = value">
                see the page
              </button>
            </td>
            <td class="said">
              <p v-for="reading in value.readings" :key="reading.at" :class="{ past: reading !== value.readings.at(-1) }">
                <ValueMark :standing="reading.agrees ? 'verified' : 'differs'" />
                <template v-if="reading.agrees">{{ reading.who }}, {{ day(reading.at) }}</template>
                <template v-else
                  >{{ reading.who }} reads <b class="figures">{{ reading.read }}</b></template
                >
              </p>
              <p v-if="!value.readings.length && !mayRead"><ValueMark standing="unverified" /> still to be read</p>
              <ReadingForm
                v-if="mayRead && value.standing !== 'verified'"
                v-model:read="read[value.seal]"
                v-model:reason="reasons[value.seal]"
                :value="value"
                :row="row"
                @keep="keep(value, row)"
              />
              <TroubleNote v-if="trouble?.seal === value.seal" :trouble="trouble.trouble" />
            </td>
          </tr>
        </tbody>
      </table>
    </details>
    <PageShown v-if="page?.page" :open="true" :source="page.source" :picture="page.page" @update:open="page = null">
      <!-- What is read off a page is written beside it, not from memory. -->
      <template v-if="mayRead && page.standing !== 'verified'">
        <p>
          {{ page.tag }} {{ page.name }}<template v-if="page.about">, {{ page.about }}</template
          >, as it stands here
        </p>
        <ReadingForm
          v-model:read="read[page.seal]"
          v-model:reason="reasons[page.seal]"
          :value="page"
          beside-page
          @keep="keepFromPage(page)"
        />
      </template>
    </PageShown>
  </section>
</template>

<style scoped>
.values {
  margin-bottom: 26px;
}

.count {
  font-size: 15px;
  font-weight: 400;
}

table {
  width: 100%;
  table-layout: fixed;
  border-collapse: collapse;
  border-top: 1px solid var(--line-strong);
  margin-top: 8px;
}

th,
td {
  text-align: left;
  vertical-align: top;
  font-weight: 400;
  font-size: 14px;
  line-height: 1.35;
  padding: 6px 10px 6px 0;
  border-bottom: 1px solid var(--line);
}

th {
  width: 31%;
}

.source {
  width: 31%;
}

summary {
  color: var(--moss);
  cursor: pointer;
  width: max-content;
}

.id {
  font-size: 12.5px;
  color: var(--ink-soft);
}

.computed {
  display: block;
  font-size: 12.5px;
  color: var(--ink-soft);
}

.said p {
  margin: 0 0 3px;
}

.said b {
  white-space: nowrap;
}

.past {
  text-decoration: line-through;
}
</style>
