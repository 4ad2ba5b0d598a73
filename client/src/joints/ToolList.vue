<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import { api, NotConnected, Refused, take, type ToolLine } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import Scrolls from '../shared/Scrolls.vue';

/** The tool list the core compiles from fasteners, values and steps; what the crib lacks is marked. */
const draft = useDraft();
const lines = ref<ToolLine[]>([]);

async function load(): Promise<void> {
  const id = draft.revision?.id;
  if (id === undefined) return;
  try {
    lines.value = await take(api.GET('/api/revisions/{id}/tools', { params: { path: { id } } }));
  } catch (error) {
    // The frame says that the server is away; the list stands as it was.
    if (!(error instanceof NotConnected || error instanceof Refused)) throw error;
  }
}

onMounted(load);
watch(() => draft.seq, load);
</script>

<template>
  <section class="tools" aria-label="Tool list">
    <h2>
      Tools <span class="figures">{{ lines.length }}</span>
    </h2>
    <p v-if="!lines.length" class="quiet">Tools stand here as soon as a step loosens, tightens or drains something.</p>
    <Scrolls v-else name="Tools">
      <table>
        <thead>
          <tr>
            <th scope="col">tool</th>
            <th scope="col">for</th>
            <th scope="col">steps</th>
            <th scope="col">note</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.what" :class="{ lacking: line.lacking }">
            <td><span v-if="line.lacking" class="mark" title="The crib lacks it">▲ lacking</span> {{ line.what }}</td>
            <td class="figures">{{ line.for.join(', ') }}</td>
            <td class="figures">{{ line.steps.join(', ') }}</td>
            <td>{{ line.note }}</td>
          </tr>
        </tbody>
      </table>
    </Scrolls>
  </section>
</template>

<style scoped>
.tools {
  margin-top: 28px;
  max-width: 880px;
}

h2 .figures {
  font-size: 15px;
  font-weight: 400;
}

table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
  margin-top: 4px;
}

th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 6px;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 5px 6px;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}

td.figures {
  font-size: 13px;
}

.mark {
  color: var(--clay);
  font-weight: 700;
}

.lacking td:first-child {
  box-shadow: inset 3px 0 0 var(--clay);
}
</style>
