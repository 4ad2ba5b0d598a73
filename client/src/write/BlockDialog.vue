<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type BlockView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useAsked } from '../shared/asked';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';
import { vFocus } from '../shared/focus';

/** Steps kept by the workshop, put in behind the step under the cursor; their joints and aids become those of this sheet. */
const open = defineModel<boolean>('open', { required: true });
const draft = useDraft();
const cursor = useCursor();
useEscape(
  () => open.value,
  () => (open.value = false),
);
const { answer: blocks, trouble } = useAsked(
  () => (open.value ? 'blocks' : null),
  (id) => take(api.GET('/api/revisions/{id}/blocks', { params: { path: { id } } })),
);
const sought = ref('');
const chosen = ref<BlockView | null>(null);
/** For each slot: an id of a thing, or empty for a new one of the name beside it. */
const things = ref<Record<string, string>>({});
const names = ref<Record<string, string>>({});
const busy = ref(false);

watch(open, () => {
  chosen.value = null;
  sought.value = '';
});

const found = computed(() =>
  (blocks.value ?? []).filter((b) => `${b.name} ${reads(b)}`.toLowerCase().includes(sought.value.trim().toLowerCase())),
);

function choose(block: BlockView): void {
  chosen.value = block;
  things.value = Object.fromEntries(block.slots.map((s) => [s.name, s.likely]));
  names.value = Object.fromEntries(block.slots.map((s) => [s.name, s.name]));
}

/** Enter takes the first that is found; pressed before the list is there, it waits for it. */
const wished = ref(false);
function takeFirst(): void {
  wished.value = blocks.value === null;
  if (found.value[0]) choose(found.value[0]);
}
watch(blocks, () => {
  if (wished.value && blocks.value !== null) takeFirst();
});

/** What a slot is called on this sheet. */
const nameOf = (slot: string): string => {
  const id = things.value[slot];
  return (id ? draft.thing(id)?.name : names.value[slot]) ?? slot;
};
const filled = computed(() => (chosen.value?.steps ?? []).map((step) => step.map((w) => (w.isSlot ? nameOf(w.text) : w.text)).join('')));
const reads = (block: BlockView): string => block.steps.map((step) => step.map((w) => w.text).join('')).join(' ');

async function insert(): Promise<void> {
  const id = draft.revision?.id;
  const phase = (cursor.step ? draft.phaseOf(cursor.step) : undefined) ?? draft.phases.at(-1);
  if (id === undefined || !chosen.value || !phase) return;
  busy.value = true;
  trouble.value = null;
  try {
    const after = cursor.step && phase.steps.includes(cursor.step) ? cursor.step : (phase.steps.at(-1) ?? null);
    const choices = Object.fromEntries(chosen.value.slots.map((s) => [s.name, things.value[s.name] || (names.value[s.name] ?? '')]));
    const { edit } = await take(
      api.POST('/api/revisions/{id}/blocks', {
        params: { path: { id } },
        body: { name: chosen.value.name, phase: phase.id, after, choices },
      }),
    );
    const asked = cursor.step;
    await draft.sendAndSettle(edit);
    // The empty step that the block was asked for in has done its work.
    if (asked !== null && asked === after && draft.textOf(asked) === '') {
      const first = phase.steps[phase.steps.indexOf(asked) + 1];
      draft.remove([asked]);
      if (first) cursor.goTo(first);
    }
    open.value = false;
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <a-modal v-model:open="open" title="Insert a block" :width="760" :footer="null">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="!chosen">
      <input
        v-model="sought"
        v-focus
        class="plain seek"
        aria-label="Search the blocks"
        placeholder="wheel, castle nut, stuck …"
        @keydown.enter="takeFirst"
      />
      <ul>
        <li v-for="block in found" :key="block.name">
          <button type="button" @click="choose(block)">
            <b>{{ block.name }}</b> <span>{{ reads(block) }}</span>
          </button>
        </li>
      </ul>
      <p v-if="!found.length" class="quiet">No block has these words. The workshop keeps its own under Workshop.</p>
    </template>
    <form v-else @submit.prevent="insert">
      <p v-if="chosen.slots.length" class="quiet">What the block names, and what it is on this sheet:</p>
      <div v-for="slot in chosen.slots" :key="slot.name" class="slot">
        <label :for="`slot-${slot.name}`">{{ slot.name }}</label>
        <select :id="`slot-${slot.name}`" v-model="things[slot.name]" class="plain">
          <option value="">a new {{ slot.kind }}</option>
          <option v-for="choice in slot.choices" :key="choice.id" :value="choice.id">{{ choice.label }}</option>
        </select>
        <input
          v-if="!things[slot.name]"
          v-model="names[slot.name]"
          class="plain"
          maxlength="80"
          :aria-label="`Name of the new ${slot.kind}`"
        />
      </div>
      <ol>
        <li v-for="(step, i) in filled" :key="i">{{ step }}</li>
      </ol>
      <div class="foot">
        <ActButton type="primary" html-type="submit" :loading="busy"
          >Insert {{ filled.length }} step{{ filled.length === 1 ? '' : 's' }}</ActButton
        >
        <ActButton @click="chosen = null">Another block</ActButton>
        <span class="quiet">One undo takes them back.</span>
      </div>
    </form>
  </a-modal>
</template>

<style scoped>
.seek {
  width: 100%;
}

ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  max-height: 56vh;
  overflow: auto;
}

ul button {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 14px;
  width: 100%;
  padding: 6px 4px;
  font: inherit;
  text-align: left;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}

ul button:hover,
ul button:focus-visible {
  background: var(--moss-pale);
}

ul span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 14px;
  color: var(--ink-soft);
}

.slot {
  display: grid;
  grid-template-columns: 150px 260px 1fr;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}

ol {
  margin: 12px 0;
  padding: 8px 14px 8px 38px;
  background: var(--field);
  border: 1px solid var(--line-strong);
  white-space: pre-line;
}
</style>
