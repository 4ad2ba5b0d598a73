<script setup lang="ts">
import { ref, watch } from 'vue';
import { download } from '../session/download';
import { api, take, type AuditLine, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';
import { dayAndTime } from '../shared/when';

/** Looked at anew after anything was done to people. */
const props = defineProps<{ after: unknown }>();

/** What was written down lately about access, administration and revisions; all of it can be saved. */
const lines = ref<AuditLine[] | null>(null);
const trouble = ref<Trouble | null>(null);

async function attempt(work: () => Promise<void>): Promise<void> {
  trouble.value = null;
  try {
    await work();
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

watch(
  () => props.after,
  () => attempt(async () => void (lines.value = await take(api.GET('/api/audit')))),
  { immediate: true },
);

/** SignInFailed: sign in failed. */
const inWords = (kind: string): string => kind.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
</script>

<template>
  <section aria-labelledby="audit">
    <div class="line">
      <h2 id="audit">Audit trail</h2>
      <button type="button" class="link" @click="attempt(() => download('/api/audit/lines'))">Save all of it (JSON Lines)</button>
    </div>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div v-if="lines" class="scroll" tabindex="0" role="region" aria-label="The last entries">
      <table>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">What</th>
            <th scope="col">Who</th>
            <th scope="col">To whom or what</th>
            <th scope="col">From</th>
            <th scope="col">Beside</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, i) in lines" :key="i">
            <td class="when">{{ dayAndTime(line.at) }}</td>
            <td>{{ inWords(line.kind) }}</td>
            <td>{{ line.who || 'nobody known' }}</td>
            <td>{{ line.whom }}{{ line.procedure ? `${line.procedure} ${line.revision}` : '' }}</td>
            <td class="figures">{{ line.address }}</td>
            <td>{{ line.text }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 34px;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 18px;
  margin-bottom: 6px;
}

.scroll {
  max-height: 340px;
  overflow: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 10px;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 4px 10px;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
  vertical-align: top;
}

.when {
  white-space: nowrap;
}
</style>
