<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type RecordView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { several } from '../shared/several';
import { dayAndTime } from '../shared/when';
import TroubleNote from '../shared/TroubleNote.vue';
import { happened } from './happened';

/** Everything that was done to the procedure, edit by edit, and whether the chain of hashes over it holds. */
const draft = useDraft();
const record = ref<RecordView | null>(null);
const trouble = ref<Trouble | null>(null);
const shown = ref(100);
const path = computed(() => `/api/revisions/${draft.revision!.id}/record`);

async function open(event: Event): Promise<void> {
  if (!(event.target as HTMLDetailsElement).open) return;
  trouble.value = null;
  try {
    record.value = await take(api.GET('/api/revisions/{id}/record', { params: { path: { id: draft.revision!.id } } }));
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

// The newest first: that is what one looks for.
const lines = computed(() => [...(record.value?.lines ?? [])].reverse());
const verbs: Record<string, string> = { edit: '', undo: 'took back:', redo: 'did again:' };
const says = (what: string): string => verbs[what] ?? happened[what as keyof typeof happened] ?? what;
</script>

<template>
  <details @toggle="open">
    <summary>The record, edit by edit</summary>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-else-if="record">
      <p v-if="record.broken" class="broken" role="alert">{{ record.broken }}</p>
      <p v-else class="quiet">
        {{ several(record.lines.length, 'line') }} of {{ record.number }}, each linked to the one before by its hash: none was changed or
        taken out.
      </p>
      <p><a :href="path" :download="`${record.number}-record.json`">Save the record</a></p>
      <ol class="lines">
        <li v-for="line in lines.slice(0, shown)" :key="line.number">
          <span class="figures when">{{ dayAndTime(line.at) }}</span>
          <span
            ><span class="figures letter">{{ line.revision }}</span> <strong>{{ record.people[line.by] ?? line.by }}</strong>
            {{ says(line.what) }}
            <template v-if="line.what in verbs"
              >{{ line.text }}<span v-if="record.details[line.number]" class="quiet">: {{ record.details[line.number] }}</span></template
            ><q v-else-if="line.text">{{ line.text }}</q></span
          >
        </li>
      </ol>
      <button v-if="lines.length > shown" type="button" class="link" @click="shown += 200">
        Show {{ Math.min(200, lines.length - shown) }} more
      </button>
    </template>
    <p v-else class="quiet" role="status">Looking …</p>
  </details>
</template>

<style scoped>
details {
  margin: 8px 0 16px;
}

summary {
  cursor: pointer;
  min-height: 24px;
}

.broken {
  padding: 6px 12px;
  border-left: 4px solid var(--rust);
  background: var(--field);
}

.lines {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}

.lines li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 10px;
  padding: 2px 0;
}

.when {
  color: var(--ink-soft);
}

.letter {
  display: inline-block;
  min-width: 16px;
  font-weight: 600;
}
</style>
