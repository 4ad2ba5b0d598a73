<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type ReadyItem } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useAsked } from '../shared/asked';
import { useDraft } from '../shared/draft';
import { useWalkAs } from '../shared/walkAs';
import DayField from './DayField.vue';
import TimeChain from './TimeChain.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';
import { holdUnits } from '../shared/units';

/** What must be in hand before the first bolt is undone; what is missing stops the job. */
const draft = useDraft();
const walkAs = useWalkAs();
const wanted = ref('');
const crew = ref<number | null>(null);

const {
  answer: ready,
  trouble,
  again,
} = useAsked(
  () => [walkAs.key, wanted.value, crew.value].join('\n'),
  (id) =>
    take(
      api.GET('/api/revisions/{id}/ready', {
        params: { path: { id }, query: { as: walkAs.key, wanted: wanted.value || undefined, crew: crew.value || undefined } },
      }),
    ),
);

async function tick(items: ReadyItem[], inHand: boolean): Promise<void> {
  const id = draft.revision?.id;
  if (id === undefined) return;
  try {
    for (const item of items)
      await take(api.PUT('/api/revisions/{id}/ready', { params: { path: { id } }, body: { key: item.key, inHand } }));
    await again();
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

const titles: Record<ReadyItem['group'], string> = {
  parts: 'Parts',
  hardware: 'Hardware that is new each time, or from the kit',
  spares: 'Spares advised',
  tools: 'Tools',
  consumables: 'Consumables and fluids',
  people: 'Helpers',
};
const groups = computed(() =>
  (Object.keys(titles) as ReadyItem['group'][])
    .map((group) => ({ group, title: titles[group], items: (ready.value?.items ?? []).filter((i) => i.group === group) }))
    .filter((g) => g.items.length > 0),
);
const hours = (minutes: number): string => {
  const whole = Math.round(minutes);
  const [days, rest] = [Math.floor(whole / 1440), whole % 1440];
  const [h, m] = [Math.floor(rest / 60), rest % 60];
  return [days ? `${days} d` : '', h ? `${h} h` : '', m && !days ? `${m} min` : ''].filter(Boolean).join(' ') || '0 min';
};
const missingOf = (items: ReadyItem[]): ReadyItem[] => items.filter((i) => !i.inHand && !i.optional);
const day = (iso: string): string =>
  new Date(`${iso}T12:00:00`).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
const print = (): void => window.print();
</script>

<template>
  <main id="main" class="ready" aria-label="Ready">
    <h1 class="visually-hidden">{{ draft.revision?.title }}: ready</h1>
    <TroubleNote v-if="trouble && !ready" :trouble="trouble" />
    <template v-if="ready">
      <section class="verdict" :class="{ go: ready.go }" aria-label="Verdict">
        <p class="word">{{ ready.go ? 'Go' : 'Not yet' }}</p>
        <p class="why">
          <template v-if="ready.go">Everything is in hand. The first bolt may be undone.</template>
          <template v-else
            >{{ ready.missing }} of {{ ready.items.filter((i) => !i.optional).length }} are not in hand. Do not undo the first bolt before
            they are.</template
          >
          <span v-if="draft.factors.length" class="for">For {{ walkAs.says }}.</span>
        </p>
        <dl>
          <div>
            <dt>People</dt>
            <dd class="figures">{{ ready.people }}</dd>
          </div>
          <div>
            <dt>Hands-on</dt>
            <dd class="figures">{{ hours(ready.plan.handsOnMinutes) }}</dd>
          </div>
          <div>
            <dt>From first bolt to use</dt>
            <dd class="figures">{{ hours(ready.plan.elapsedMinutes) }}</dd>
          </div>
        </dl>
        <form class="dates" @submit.prevent>
          <DayField v-model="wanted" label="Wanted on" />
          <label
            >Crew <input v-model.number="crew" type="number" min="1" max="12" class="plain figures" :placeholder="String(ready.plan.crew)"
          /></label>
          <ActButton class="print" @click="print">Print the pick list</ActButton>
        </form>
        <p v-if="ready.begin" class="begin">
          Begin on <strong>{{ day(ready.begin) }}</strong> at the latest.
        </p>
        <ul v-if="ready.late.length" class="late">
          <li v-for="line in ready.late" :key="line">{{ line }}</li>
        </ul>
      </section>
      <div class="lists" tabindex="0" role="region" aria-label="What must be in hand">
        <TroubleNote v-if="trouble" :trouble="trouble" />
        <p class="paper-only">{{ draft.revision?.number }} {{ draft.revision?.title }}, revision {{ draft.revision?.letter }}: pick list</p>
        <section v-for="group in groups" :key="group.group">
          <h2>
            {{ group.title }}
            <button v-if="missingOf(group.items).length > 1" type="button" class="link all" @click="tick(missingOf(group.items), true)">
              all {{ missingOf(group.items).length }} in hand
            </button>
          </h2>
          <ul>
            <li v-for="item in group.items" :key="item.key" :class="{ missing: !item.inHand && !item.optional }">
              <label>
                <input
                  type="checkbox"
                  :checked="item.inHand"
                  :disabled="item.inCrib"
                  :aria-label="`${item.what} in hand`"
                  @change="tick([item], !item.inHand)"
                />
                <span class="what"
                  >{{ holdUnits(item.what)
                  }}<b v-if="item.amount && item.amount !== '1'" class="figures">
                    {{ /^\d+$/.test(item.amount) ? `×\u00a0${item.amount}` : item.amount }}</b
                  ></span
                >
              </label>
              <span class="note"
                ><template v-if="item.inCrib">at hand</template>
                <template v-if="item.note">{{ item.inCrib ? ': ' : '' }}{{ item.note }}</template>
                <template v-if="item.leadDays && !item.inHand">
                  · {{ item.leadDays }} day{{ item.leadDays === 1 ? '' : 's' }} to get</template
                >
                <strong v-if="item.orderBy"> · order by {{ day(item.orderBy) }}</strong></span
              >
              <span class="figures steps">{{
                item.steps.length ? `step ${item.steps.slice(0, 4).join(', ')}${item.steps.length > 4 ? ' …' : ''}` : ''
              }}</span>
            </li>
          </ul>
        </section>
        <TimeChain :plan="ready.plan" />
      </div>
    </template>
  </main>
</template>

<style scoped>
.ready {
  flex: 1;
  min-height: 0;
  overflow: hidden;
  display: grid;
  grid-template: minmax(0, 1fr) / 300px minmax(0, 1fr);
}

.verdict {
  overflow: auto;
  padding: 20px 22px 30px;
  background: var(--clay-pale);
  border-right: 1px solid var(--line-strong);
}

.verdict.go {
  background: var(--moss-pale);
}

.word {
  margin: 0;
  font: 600 58px/1 var(--heading);
  color: var(--clay);
}

.go .word {
  color: var(--moss);
}

.why {
  margin: 8px 0 14px;
}

.for {
  display: block;
  margin-top: 4px;
  font-weight: 600;
}

dl {
  margin: 0 0 14px;
}

dl div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 4px 0;
  border-top: 1px solid var(--line-strong);
}

dd {
  margin: 0;
  font-size: 19px;
  white-space: nowrap;
}

.dates {
  display: grid;
  gap: 8px;
}

.dates label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}

.dates input {
  width: 160px;
}

.dates input[type='number'] {
  width: 74px;
}

.begin {
  margin: 12px 0 0;
}

.late {
  margin: 8px 0 0;
  padding-left: 18px;
  color: var(--clay);
  font-weight: 600;
}

.lists {
  overflow: auto;
  padding: 16px 26px 60px;
}

.lists > * {
  max-width: 950px;
}

.lists section + section {
  margin-top: 22px;
}

h2 {
  display: flex;
  align-items: baseline;
  gap: 16px;
}

ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: minmax(240px, 5fr) minmax(0, 4fr) 170px;
  gap: 14px;
  align-items: baseline;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}

.late li {
  display: list-item;
  border: 0;
  list-style: disc;
}

li label {
  display: flex;
  gap: 10px;
  align-items: baseline;
  cursor: pointer;
}

.what b {
  margin-left: 8px;
}

.missing .what {
  color: var(--clay);
  font-weight: 600;
}

.note {
  font-size: 14px;
  color: var(--ink-soft);
}

.steps {
  font-size: 12.5px;
  color: var(--ink-soft);
  text-align: right;
}

.paper-only {
  display: none;
}

@media (width <= 980px) {
  .ready {
    display: block;
    overflow: auto;
  }

  .verdict,
  .lists {
    overflow: visible;
  }
}

@media (width <= 620px) {
  .verdict,
  .lists {
    padding: 16px 14px 30px;
  }

  li {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 10px;
    padding: 8px 0;
  }

  .note:not(:empty) {
    grid-column: 1 / -1;
    grid-row: 2;
    padding-left: 26px;
  }

  li label {
    min-height: 28px;
  }

  input[type='checkbox'] {
    width: 20px;
    height: 20px;
  }
}

@media print {
  .ready {
    display: block;
    overflow: visible;
  }

  .verdict,
  .all,
  .chain {
    display: none;
  }

  .paper-only {
    display: block;
    font-size: 22px;
  }

  .lists {
    overflow: visible;
    padding: 0;
    max-width: none;
    color: #000;
  }
}
</style>
