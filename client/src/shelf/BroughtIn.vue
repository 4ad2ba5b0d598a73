<script setup lang="ts">
import type { Written } from '../shared/api/client';
import { several } from '../shared/several';

/** What a text would become on the sheet, and what of it has no place there. */
defineProps<{ name: string; written: Written }>();
</script>

<template>
  <section class="brought" aria-labelledby="brought">
    <h2 id="brought">What becomes of {{ name }}</h2>
    <ul class="phases">
      <li v-for="(phase, i) in written.phases" :key="i">
        <strong>{{ phase.name }}</strong> {{ several(phase.steps, 'step') }}
      </li>
    </ul>
    <p>
      {{ several(written.joints, 'joint') }};
      {{
        written.questions
          ? `${several(written.questions, 'question')} to answer on the sheet, as if it were typed there`
          : 'nothing to ask of its sentences'
      }}.
    </p>
    <template v-if="written.left.length">
      <h3 id="left">Has no place on the sheet</h3>
      <div class="wide" tabindex="0" role="group" aria-labelledby="left">
        <table>
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">What</th>
              <th scope="col">Why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(left, i) in written.left" :key="i">
              <td class="figures">{{ left.line }}</td>
              <td>{{ left.what }}</td>
              <td>{{ left.why }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <p v-else>All of it has its place.</p>
  </section>
</template>

<style scoped>
.brought {
  margin-bottom: 20px;
}

h2 {
  font-size: 20px;
}

h3 {
  font-size: 16px;
  margin: 12px 0 4px;
}

.phases {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 8px 0;
  padding: 0;
  list-style: none;
}

.wide {
  max-height: 320px;
  overflow: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}

th,
td {
  padding: 4px 14px 4px 0;
  text-align: left;
  vertical-align: top;
  border-bottom: 1px solid var(--line);
}
</style>
