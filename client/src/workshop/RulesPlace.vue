<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api, take } from '../shared/api/client';
import ExampleLine from './ExampleLine.vue';
import { useSettings } from './settings';

/** How values are set and reckoned, each with the reason of its default and what it does on a sheet. */
const settings = useSettings();
const now = computed(() => settings.now!.rules.rules);
/** What the key the workshop signs with is known by. Where it cannot be fetched the place is left out: nothing here depends on it. */
const signingKey = ref('');
onMounted(async () => {
  signingKey.value = await take(api.GET('/api/workshop/key')).then(
    (view) => view.thumbprint,
    () => '',
  );
});
const factors = [
  ['asReceived', 'as received'],
  ['oiled', 'oiled, or wet compound'],
  ['greased', 'greased'],
  ['antiSeize', 'anti-seize'],
] as const;
</script>

<template>
  <fieldset :disabled="!settings.view!.mayChange">
    <legend class="visually-hidden">House rules</legend>
    <div class="rule">
      <label for="target">Target inside a range</label>
      <select id="target" v-model="now.target" class="plain">
        <option value="middle">middle</option>
        <option value="low end">low end</option>
        <option value="high end">high end</option>
      </select>
      <div class="why">
        <p>The middle leaves equal room for the wrench’s error on both sides.</p>
        <ExampleLine rule="target" />
      </div>
    </div>
    <div class="rule">
      <label for="treated">Dry value on a treated thread</label>
      <select id="treated" v-model="now.treated" class="plain">
        <option value="keep the value">keep the value, flag it</option>
        <option value="reduce by the ratio">reduce by the ratio of K</option>
      </select>
      <div class="why">
        <p>The maker may have meant it so. A reduced value is printed as such, never silently.</p>
        <ExampleLine rule="treated" />
      </div>
    </div>
    <div class="rule">
      <span class="label">Nut factors K</span>
      <span class="cells factors">
        <label v-for="[key, name] in factors" :key="key"
          ><input v-model.number="now.nutFactors[key]" type="number" step="0.01" min="0.05" max="0.6" class="plain figures" />{{
            name
          }}</label
        >
      </span>
      <div class="why">
        <p>Shigley, table 8–15, and NASA RP-1228. Put measured ones here where you have them.</p>
        <ExampleLine rule="nutFactors" />
      </div>
    </div>
    <div class="rule">
      <label for="scatter">Scatter of a hand wrench</label>
      <input id="scatter" v-model.number="now.scatter" type="number" step="0.01" min="0.02" max="0.6" class="plain figures" />
      <div class="why">
        <p>As a part of the preload: ±25 % (NASA RP-1228).</p>
        <ExampleLine rule="scatter" />
      </div>
    </div>
    <div class="rule">
      <label for="few">Passes</label>
      <span class="cells">
        <label
          >up to <input v-model.number="now.few" type="number" min="2" max="40" class="plain figures" aria-label="Up to how many fasteners"
        /></label>
        <label
          ><input id="few" v-model="settings.now!.rules.few" class="plain figures wide" aria-label="Percent of each pass, a few" /> %</label
        >
        <label
          >above <input v-model="settings.now!.rules.many" class="plain figures wide" aria-label="Percent of each pass, many" /> %</label
        >
      </span>
      <div class="why">
        <p>Then once round at 100 % until nothing moves (ASME PCC-1, legacy method).</p>
        <ExampleLine rule="passes" />
      </div>
    </div>
    <div class="rule">
      <label for="celsius">Shop temperature</label>
      <span class="cells"
        ><label><input id="celsius" v-model.number="now.shopCelsius" type="number" class="plain figures" /> °C</label></span
      >
      <div class="why">
        <p>Cures are reckoned at it: four times as long at 5 °C as at 22 °C.</p>
        <ExampleLine rule="shopCelsius" />
      </div>
    </div>
    <div class="rule">
      <label for="months">Calibration</label>
      <span class="cells">
        <label><input id="months" v-model.number="now.calibrationMonths" type="number" class="plain figures" /> months</label>
        <label
          >or
          <input v-model.number="now.calibrationCycles" type="number" class="plain figures wide" aria-label="Cycles between calibrations" />
          cycles</label
        >
      </span>
      <div class="why">
        <p>Whichever is first (ISO 6789-1).</p>
        <ExampleLine rule="calibration" />
      </div>
    </div>
    <div class="rule">
      <label for="signatures">Signatures</label>
      <span class="cells">
        <label><input id="signatures" v-model.number="now.signatures" type="number" min="1" max="5" class="plain figures" /></label>
        <label
          >where lives hang on it
          <input
            v-model.number="now.safetySignatures"
            type="number"
            min="1"
            max="5"
            class="plain figures"
            aria-label="Signatures where lives hang on it"
        /></label>
      </span>
      <div class="why">
        <p>
          So many people sign a sheet before it is released, the one who releases it among them. Lives hang on brakes, steering, suspension,
          road wheels, roll-over and towing structures.
        </p>
        <p v-if="signingKey" class="key">
          The workshop signs with the key <code>{{ signingKey }}</code>
        </p>
      </div>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}

.rule {
  display: grid;
  grid-template-columns: 180px 330px minmax(0, 1fr);
  gap: 6px 18px;
  align-items: start;
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}

.rule > label,
.label {
  padding-top: 6px;
  font-weight: 600;
}

.why p {
  margin: 0;
  font-size: 14px;
  color: var(--ink-soft);
}

@media (width <= 1100px) {
  .rule {
    grid-template-columns: minmax(0, 1fr);
  }
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

.factors {
  display: grid;
}

input {
  width: 84px;
}

input.wide {
  width: 120px;
}

select {
  width: 240px;
  max-width: 100%;
}
.key {
  overflow-wrap: anywhere;
}
</style>
