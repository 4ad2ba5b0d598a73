<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import ActButton from '../shared/ActButton.vue';
import { api, take, type FormerDocument, type FormerSheet, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { say } from '../shared/say';
import { several } from '../shared/several';
import TroubleNote from '../shared/TroubleNote.vue';
import { atStep } from '../uses/atStep';
import SheetLines from '../uses/SheetLines.vue';

/** The values that were taken from an edition or a version before the one in force, sheet by sheet: what is to be looked up again. */
const props = defineProps<{
  /** What of the workshop: its source documents, or its library of values or of blocks. */
  kind: 'source' | 'value' | 'block';
  /** The version of the settings that are kept: another, and the list is another. */
  version: number;
}>();
const emit = defineEmits<{ loaded: [FormerDocument[]] }>();
const documents = ref<FormerDocument[] | null>(null);
const trouble = ref<Trouble | null>(null);
const chosen = ref<number[]>([]);
const working = ref(false);
const former = computed(() => documents.value?.filter((d) => d.former.length) ?? []);
const sheets = computed(() => new Map(former.value.flatMap((d) => d.former).map((s) => [s.revisionId, s])));
const values = (document: FormerDocument): number => document.former.reduce((n, sheet) => n + sheet.values.length, 0);

async function load(): Promise<void> {
  try {
    documents.value = (await take(api.GET('/api/uses/former-editions'))).filter((d) => d.kind === props.kind);
    emit('loaded', documents.value);
    chosen.value = chosen.value.filter((id) => sheets.value.get(id)?.mayRevise);
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

/** One after the other; those that could not be started stay chosen, with the reason of the first. */
async function revise(): Promise<void> {
  working.value = true;
  trouble.value = null;
  const started: FormerSheet[] = [];
  for (const id of [...chosen.value]) {
    const sheet = sheets.value.get(id);
    if (!sheet) continue;
    try {
      await take(api.POST('/api/revisions/{id}/revise', { params: { path: { id } } }));
      started.push(sheet);
      chosen.value = chosen.value.filter((c) => c !== id);
    } catch (error) {
      const why = troubleOf(error);
      trouble.value ??= { ...why, title: `${sheet.number}: ${why.title}` };
    }
  }
  working.value = false;
  if (started.length) say(`Started the next revision of ${started.map((s) => s.number).join(', ')}.`);
  await load();
}

watch(
  () => props.version,
  () => {
    trouble.value = null;
    void load();
  },
  { immediate: true },
);
</script>

<template>
  <section v-if="trouble || documents?.length" class="former" aria-labelledby="former">
    <h2 id="former">{{ kind === 'source' ? 'To be looked up again' : 'Sheets that have another version' }}</h2>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="documents && !former.length" class="quiet">
      {{
        kind === 'source'
          ? 'Every value on every sheet that cites one of these documents is from the edition in force.'
          : `Every sheet that has one of these ${kind}s has it in the version kept.`
      }}
    </p>
    <div v-for="document in former" :key="document.name" class="document">
      <h3>{{ document.name }}</h3>
      <p class="quiet">
        {{ several(document.former.length, 'sheet') }} of {{ document.sheets }}
        <template v-if="kind === 'source'">with {{ several(values(document), 'source') }} before the {{ document.inForce }}</template>
        <template v-else-if="document.inForce">with another version than the one kept, {{ document.inForce }}</template>
        <template v-else>with a {{ kind }} that is kept no more</template>
      </p>
      <SheetLines :lines="document.former" :at="(sheet) => sheet.values[0]!.at">
        <template #where="{ line }">
          <span v-for="value in line.values" :key="value.source" class="value"
            ><router-link :to="atStep(false, line.revisionId, value.at)">{{ value.says }}</router-link>
            {{ kind === 'source' ? 'from' : 'with' }} “{{ value.source }}”</span
          >
        </template>
        <template #more="{ line }">
          <label v-if="line.mayRevise"
            ><input v-model="chosen" type="checkbox" :value="line.revisionId" /> revise<span class="visually-hidden">
              {{ line.number }}</span
            ></label
          >
          <span v-else class="quiet">{{ line.isRevised ? 'being revised' : line.owner }}</span>
        </template>
      </SheetLines>
    </div>
    <ActButton v-if="chosen.length" type="primary" :loading="working" @click="revise"
      >Start {{ several(chosen.length, 'revision') }}</ActButton
    >
  </section>
</template>

<style scoped>
.former {
  margin-top: 30px;
}

h3 {
  margin: 12px 0 0;
  font: 600 18px/1.2 var(--heading);
}

p {
  margin: 2px 0 6px;
}

.value {
  display: block;
  font-size: 14px;
}

label {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 26px;
}
</style>
