<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { api, take, type Figure, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import ActButton from '../shared/ActButton.vue';
import { useDraft } from '../shared/draft';
import FigureDrawing from '../shared/FigureDrawing.vue';
import { newId } from '../shared/ids';
import TroubleNote from '../shared/TroubleNote.vue';

/** Fetched when a figure is first opened. */
const FigureEditor = defineAsyncComponent(() => import('./FigureEditor.vue'));

/** What a step shows, small under its words; a press opens a figure. Pictures come from a file, the clipboard, or are dropped on the step. */
const props = defineProps<{ id: string; active: boolean; inner: number | undefined }>();
const draft = useDraft();
const step = computed(() => draft.steps.get(props.id));
const input = ref<HTMLInputElement | null>(null);
const busy = ref(0);
const trouble = ref<Trouble | null>(null);
const open = ref<{ id: string; notes: string[] } | null>(null);

/** Figures are numbered through the whole sheet. */
const first = computed(() => {
  let number = 1;
  for (const id of draft.order) {
    if (id === props.id) return number;
    number += draft.steps.get(id)?.figures.length ?? 0;
  }
  return number;
});
const index = computed(() => step.value?.figures.findIndex((f) => f.id === open.value?.id) ?? -1);
/** The patterns of the joints of this step that it does not show yet. */
const patterns = computed(() => {
  const met = new Set((step.value?.chips ?? []).map((c) => c.target));
  return draft.joints.filter((j) => j.pattern && met.has(j.id) && !step.value?.figures.some((f) => f.pattern === j.id));
});

async function add(figure: Omit<Figure, 'id'>, notes: string[] = []): Promise<void> {
  const id = `f-${newId().replaceAll('-', '').slice(0, 12)}`;
  if (await draft.sendAndSettle({ do: 'putFigure', step: props.id, was: null, now: { ...figure, id } })) open.value = { id, notes };
}

/** Takes pictures in, one after the other; the first trouble is told, and what came before it stays. */
async function bring(files: readonly File[]): Promise<void> {
  if (!draft.revision || !draft.canEdit) return;
  draft.flush(props.id);
  trouble.value = null;
  busy.value = files.length;
  try {
    for (const file of files) {
      const taken = await take(
        api.POST('/api/revisions/{id}/pictures', {
          params: { path: { id: draft.revision.id } },
          body: file as never,
          bodySerializer: (body) => body as never,
          headers: { 'Content-Type': 'application/octet-stream' },
        }),
      );
      const notes = taken.leftOut.length
        ? [`Not kept of “${file.name}”: ${taken.leftOut.join(', ')}. Look whether it shows what it should.`]
        : [];
      await add({ picture: taken.picture }, notes);
      busy.value--;
    }
  } catch (error) {
    const what = troubleOf(error);
    trouble.value = { ...what, title: `“${files[files.length - busy.value]?.name ?? ''}”: ${what.title}` };
  } finally {
    busy.value = 0;
  }
}

function choose(): void {
  const files = [...(input.value?.files ?? [])];
  void bring(files).then(() => {
    if (input.value) input.value.value = '';
  });
}

defineExpose({ bring });
</script>

<template>
  <div v-if="step && (step.figures.length || active || busy || trouble)" class="step-figures">
    <ul v-if="step.figures.length" aria-label="Figures">
      <li v-for="(figure, i) in step.shown" :key="step.figures[i]!.id">
        <button
          type="button"
          class="thumb"
          :tabindex="inner"
          :aria-label="`Figure ${first + i}${figure.alt ? `, ${figure.alt}` : ', not described'}: open`"
          @click.stop="open = { id: step.figures[i]!.id, notes: [] }"
        >
          <FigureDrawing :figure="figure" :revision="draft.revision!.id" />
          <span
            >Figure <span class="figures">{{ first + i }}</span></span
          >
        </button>
      </li>
    </ul>
    <p v-if="active && draft.canEdit" class="add">
      <ActButton size="small" @click="input?.click()">add a picture</ActButton>
      <ActButton v-for="joint in patterns" :key="joint.id" size="small" @click="add({ pattern: joint.id })"
        >show the pattern of {{ joint.id }}</ActButton
      >
      <span v-if="busy" role="status">taking in {{ busy > 1 ? `${busy} pictures` : 'the picture' }} …</span>
      <input
        ref="input"
        type="file"
        accept="image/png,image/jpeg,image/webp,image/svg+xml"
        multiple
        class="visually-hidden"
        tabindex="-1"
        :aria-label="`Pictures for step ${draft.numberOf(id)}`"
        @change="choose"
      />
    </p>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <FigureEditor
      v-if="open && index >= 0"
      :id="open.id"
      :key="open.id"
      :step="id"
      :number="first + index"
      :notes="open.notes"
      @close="open = null"
    />
  </div>
</template>

<style scoped>
.step-figures {
  margin-top: 6px;
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.thumb {
  display: grid;
  gap: 2px;
  width: 168px;
  padding: 4px;
  font: 12.5px var(--text);
  color: var(--ink-soft);
  background: var(--field);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  text-align: left;
  cursor: pointer;
}

.thumb :deep(svg) {
  width: 100%;
  max-height: 112px;
  height: auto;
}

.add {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin: 4px 0 0;
  font-size: 13px;
  color: var(--ink-soft);
}
</style>
