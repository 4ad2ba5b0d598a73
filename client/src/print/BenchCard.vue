<script setup lang="ts">
import { computed } from 'vue';
import type { PrintView } from '../shared/api/client';
import { holdUnits } from '../shared/units';
import PatternDrawing from '../shared/PatternDrawing.vue';
import PrintHead from './PrintHead.vue';

/** What hangs at the bench: every value in the order it is torqued, in type that is read from an arm away, on one page where it can be. */
const props = defineProps<{ sheet: PrintView; open: boolean; warns: string }>();

const torques = computed(() => new Map(props.sheet.torques.map((t) => [t.id, t])));
const patterns = computed(() => new Map(props.sheet.patterns.map((p) => [p.id, p])));
const rows = computed(() =>
  props.sheet.phases.flatMap((phase) =>
    phase.steps.flatMap((step) =>
      step.tightens.map((one) => {
        const joint = torques.value.get(one.joint);
        return {
          key: `${step.number} ${one.joint} ${one.value}`,
          step: step.number,
          count: joint && joint.count > 1 ? `${joint.count} × ` : '',
          name: joint?.name ?? one.joint,
          value: one.value,
          other: one.pass ? '' : (joint?.counterpart ?? ''),
          wrench: one.pass ? '' : (joint?.setting ?? ''),
          says: [one.pass ? `pass ${one.pass}` : '', joint?.treatment, joint?.after].filter(Boolean).join('; '),
          pattern: patterns.value.get(one.joint),
        };
      }),
    ),
  ),
);
/** As large as they fit. */
const size = computed((): 'large' | 'middle' | 'small' =>
  rows.value.length <= 9 ? 'large' : rows.value.length <= 16 ? 'middle' : 'small',
);
</script>

<template>
  <PrintHead :sheet="sheet" :open="open" :warns="warns" short />
  <h2>Torque, in the order it is done</h2>
  <table v-if="rows.length" :class="size">
    <colgroup>
      <col v-for="(share, n) in [7, 37, 38, 11, 7]" :key="n" :style="{ width: `${share}%` }" />
    </colgroup>
    <thead>
      <tr>
        <th scope="col">Step</th>
        <th scope="col">Joint</th>
        <th scope="col">Torque</th>
        <th scope="col">Order</th>
        <th scope="col">Done</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.key">
        <td class="figures">{{ row.step }}</td>
        <td>
          <strong>{{ row.count }}{{ row.name }}</strong>
          <small v-if="row.says || row.wrench">{{ [row.wrench, row.says].filter(Boolean).map(holdUnits).join('; ') }}</small>
        </td>
        <td>
          <strong class="value figures" :class="{ long: row.value.length > 24 }">{{ holdUnits(row.value) || 'no value' }}</strong>
          <small v-if="row.other" class="figures">{{ holdUnits(row.other) }}</small>
        </td>
        <td>
          <PatternDrawing
            v-if="row.pattern"
            :places="row.pattern.places"
            :order="row.pattern.order"
            :size="{ large: 66, middle: 50, small: 42 }[size]"
            :name="row.pattern.name"
          />
        </td>
        <td><span class="box" aria-hidden="true"></span></td>
      </tr>
    </tbody>
  </table>
  <p v-else>No step of this sheet brings a joint to a value.</p>
  <p v-for="one in sheet.later" :key="one.joint + one.when" class="later">
    <strong>{{ one.when }}</strong>: {{ one.what }}<template v-if="one.value">, {{ holdUnits(one.value) }}</template>
  </p>
  <p class="defer">The sheet has the steps, the cautions and the sources. Where the maker’s manual differs, stop.</p>
</template>

<style scoped>
h2 {
  margin-top: 14px;
  font-size: 22px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 3px 8px 3px 0;
  border-bottom: 1px solid #000;
  text-align: left;
  vertical-align: middle;
}

th {
  font-size: 12px;
}

tr {
  break-inside: avoid;
}

small {
  display: block;
  font-size: 0.68em;
  line-height: 1.25;
  color: #333;
}

.large {
  font-size: 21px;
}

.middle {
  font-size: 17px;
}

.small {
  font-size: 14px;
}

.value {
  font-size: 1.25em;
}

/* A procedure of several stages, not one value. */
.long {
  font-size: 0.85em;
}

.box {
  display: block;
  width: 0.9em;
  height: 0.9em;
  border: 2px solid #000;
}

.later,
.defer {
  margin: 10px 0 0;
  font-size: 14px;
}
</style>
