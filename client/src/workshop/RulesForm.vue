<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type HouseRules, type TouchedView, type Trouble, type WorkshopView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import SchoolRules from './SchoolRules.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';

/** The house rules, each with the reason of its default beside it; and which drafts a change would touch. */
const props = defineProps<{ workshop: WorkshopView }>();
const mayChange = computed(() => props.workshop.mayChange);
/** The server always sends all of them; the schema lets a writer leave some out. */
type Whole = Required<Omit<HouseRules, 'nutFactors'>> & { nutFactors: Required<NonNullable<HouseRules['nutFactors']>> };
const emit = defineEmits<{ keep: [rules: HouseRules] }>();
const copy = (rules: HouseRules): Whole => JSON.parse(JSON.stringify(rules)) as Whole;
const now = ref(copy(props.workshop.rules));
const few = ref('');
const many = ref('');

function begin(): void {
  now.value = copy(props.workshop.rules);
  few.value = now.value.fewPasses.join(', ');
  many.value = now.value.manyPasses.join(', ');
}

watch(() => props.workshop.rules, begin, { immediate: true });

const percents = (text: string): number[] =>
  text
    .split(/[,;\s]+/)
    .filter(Boolean)
    .map(Number);
const written = computed<HouseRules>(() => ({ ...now.value, fewPasses: percents(few.value), manyPasses: percents(many.value) }));
const changed = computed(() => JSON.stringify(written.value) !== JSON.stringify(props.workshop.rules));
const touched = ref<TouchedView[] | null>(null);
const trouble = ref<Trouble | null>(null);
watch(written, () => (touched.value = null));

async function look(): Promise<void> {
  try {
    touched.value = await take(
      api.POST('/api/workshop/rules/touched', { body: { version: props.workshop.version, rules: written.value } }),
    );
    trouble.value = null;
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

const factors = [
  ['asReceived', 'as received'],
  ['oiled', 'oiled, or wet compound'],
  ['greased', 'greased'],
  ['antiSeize', 'anti-seize'],
] as const;
</script>

<template>
  <section aria-labelledby="rules" class="rules">
    <h2 id="rules">House rules</h2>
    <p class="quiet">A revision keeps the rules it was released under; drafts and sheets in review are judged by these.</p>
    <fieldset :disabled="!mayChange">
      <legend class="visually-hidden">House rules</legend>
      <div class="rule">
        <label for="target">Target inside a range</label>
        <select id="target" v-model="now.target" class="plain">
          <option value="middle">middle</option>
          <option value="low end">low end</option>
          <option value="high end">high end</option>
        </select>
        <p>The middle leaves equal room for the wrench’s error on both sides.</p>
      </div>
      <div class="rule">
        <label for="treated">Dry value on a treated thread</label>
        <select id="treated" v-model="now.treated" class="plain">
          <option value="keep the value">keep the value, flag it</option>
          <option value="reduce by the ratio">reduce by the ratio of K</option>
        </select>
        <p>The maker may have meant it so. A reduced value is printed as such, never silently.</p>
      </div>
      <div class="rule">
        <span class="label">Nut factors K</span>
        <span class="cells">
          <label v-for="[key, name] in factors" :key="key"
            ><input v-model.number="now.nutFactors[key]" type="number" step="0.01" min="0.05" max="0.6" class="plain figures" />{{
              name
            }}</label
          >
        </span>
        <p>Shigley, table 8–15, and NASA RP-1228. Put measured ones here where you have them.</p>
      </div>
      <div class="rule">
        <label for="scatter">Scatter of a hand wrench</label>
        <input id="scatter" v-model.number="now.scatter" type="number" step="0.01" min="0.02" max="0.6" class="plain figures" />
        <p>As a part of the preload: ±25 % (NASA RP-1228).</p>
      </div>
      <div class="rule">
        <label for="few">Passes</label>
        <span class="cells">
          <label
            >up to
            <input v-model.number="now.few" type="number" min="2" max="40" class="plain figures" aria-label="Up to how many fasteners"
          /></label>
          <label><input id="few" v-model="few" class="plain figures wide" aria-label="Percent of each pass, a few" /> %</label>
          <label>above <input v-model="many" class="plain figures wide" aria-label="Percent of each pass, many" /> %</label>
        </span>
        <p>Then once round at 100 % until nothing moves (ASME PCC-1, legacy method).</p>
      </div>
      <div class="rule">
        <label for="celsius">Shop temperature</label>
        <span class="cells"
          ><label><input id="celsius" v-model.number="now.shopCelsius" type="number" class="plain figures" /> °C</label></span
        >
        <p>Cures are reckoned at it: four times as long at 5 °C as at 22 °C.</p>
      </div>
      <div class="rule">
        <label for="months">Calibration</label>
        <span class="cells">
          <label><input id="months" v-model.number="now.calibrationMonths" type="number" class="plain figures" /> months</label>
          <label
            >or
            <input
              v-model.number="now.calibrationCycles"
              type="number"
              class="plain figures wide"
              aria-label="Cycles between calibrations"
            />
            cycles</label
          >
        </span>
        <p>Whichever is first (ISO 6789-1).</p>
      </div>
      <SchoolRules :workshop="workshop" :rules="now" @update:rules="now = $event as Whole" />
    </fieldset>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div v-if="touched" class="touched" role="status">
      <p v-if="!touched.length">No draft and no sheet in review would be judged otherwise.</p>
      <ul v-else>
        <li v-for="one in touched" :key="one.revisionId">
          <router-link :to="{ name: 'write', params: { id: one.revisionId } }"
            >{{ one.number }} {{ one.title }}, {{ one.letter }}</router-link
          ><template v-if="one.comes.length">: found besides {{ one.comes.join('; ') }}</template
          ><template v-if="one.goes.length">{{ one.comes.length ? '; ' : ': ' }}no longer found {{ one.goes.join('; ') }}</template>
        </li>
      </ul>
    </div>
    <div v-if="mayChange" class="acts">
      <ActButton :disabled="!changed" @click="look">Which drafts does it touch?</ActButton>
      <ActButton type="primary" :disabled="!changed" @click="emit('keep', written)">Keep the rules</ActButton>
    </div>
  </section>
</template>

<style scoped>
.rules {
  margin-top: 34px;
}

fieldset {
  border: 0;
  padding: 0;
  margin: 8px 0 12px;
}

.rule {
  display: grid;
  grid-template-columns: 210px 420px 1fr;
  gap: 16px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}

@media (width <= 1060px) {
  .rule {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }

  .rule :deep(select) {
    max-width: 100%;
  }
}

.rule > label,
.label {
  font-weight: 600;
}

.rule p {
  margin: 0;
  font-size: 14px;
  color: var(--ink-soft);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 14px;
}

.touched {
  margin: 10px 0;
  padding: 8px 12px;
  background: var(--slate-pale);
  border-left: 4px solid var(--slate);
}

.touched p,
.touched ul {
  margin: 0;
}

.cells {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
}

.cells label {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 14px;
}

input {
  width: 84px;
}

input.wide {
  width: 120px;
}

select {
  width: 260px;
}
</style>
