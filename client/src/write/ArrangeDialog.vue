<script setup lang="ts">
import { several } from '../shared/several';
import { computed, nextTick, ref, watch } from 'vue';
import { api, take, type Edit, type RefitChoice } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import { say } from '../shared/say';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';

/**
 * What the core would do to a whole phase: put back in reverse what it takes off, sort it, or write it again for the other
 * side. Looked at first, then done in one edit that one undo takes back.
 */
const props = defineProps<{ phase: { id: string; name: string }; what: 'refit' | 'sort' | 'mirror' }>();
const emit = defineEmits<{ close: [] }>();
const draft = useDraft();
useEscape(
  () => true,
  () => emit('close'),
);
const busy = ref(false);

interface Proposal {
  /** What to know before; or, where there is no edit, why there is nothing to do. */
  says: string;
  lines: string[];
  does: string;
  edit: Edit | null;
  /** What is off, and what may become of it. */
  choices?: RefitChoice[];
  /** What the sheet does not tell. */
  unsure?: string[];
}

const titles = {
  refit: `The refit, from “${props.phase.name}” in reverse`,
  sort: `Sort “${props.phase.name}”`,
  mirror: `“${props.phase.name}” for the other side`,
};
const steps = (count: number): string => several(count, 'step');

const { answer: proposal, trouble } = useAsked<Proposal>(
  () => props.phase.id,
  async (id, phase) => {
    const call = { params: { path: { id }, query: { phase } } };
    if (props.what === 'refit') {
      const refit = await take(api.GET('/api/revisions/{id}/refit', call));
      return {
        says: refit.steps.length
          ? 'What is still off, slack or open when this phase ends, put back the other way round; what later steps put back already stays as it is. Move what goes on at another time, and take out what this job leaves off.'
          : 'There is nothing to put back: nothing is off, slack or open when this phase ends, or later steps put it back already. Write the removal first, or choose the phase it ends in.',
        lines: refit.steps,
        does: `Write ${steps(refit.steps.length)} into “${refit.into}”`,
        edit: refit.edit ?? null,
        choices: refit.choices,
        unsure: refit.unsure,
      };
    }
    if (props.what === 'sort') {
      const sort = await take(api.GET('/api/revisions/{id}/sort', call));
      return {
        says: sort.moves.length ? '' : 'The order is good: nothing in this phase comes off before what holds or covers it.',
        lines: sort.moves.map((move) => `Step ${move.from} goes to ${move.to}: ${move.why}.`),
        does: `Move ${steps(sort.moves.length)}`,
        edit: sort.edit ?? null,
      };
    }
    const mirror = await take(api.GET('/api/revisions/{id}/mirror', call));
    const fresh = mirror.things.length ? ` New on the sheet: ${mirror.things.join(', ')}, with the fields of their twins.` : '';
    return {
      says: mirror.edit
        ? `Left and right change places, in a new phase “${mirror.name}”.${fresh} Mark what differs.`
        : 'Nothing in this phase is left or right: there is nothing to mirror. Where the sides are the same, one phase does for both.',
      lines: mirror.edit ? mirror.steps : [],
      does: `Write ${steps(mirror.steps.length)}`,
      edit: mirror.edit ?? null,
    };
  },
);
/** The steps as they will be written: moved and left out before anything is. What is sorted is moved as a whole. */
const lines = ref<{ text: string; at: number; out: boolean }[]>([]);
const list = ref<HTMLElement | null>(null);
const mayArrange = computed(() => props.what !== 'sort' && proposal.value?.edit?.do === 'several');
watch(proposal, (now) => {
  // Said anew because something becomes of a thing: what was left out stays out.
  const left = new Set(lines.value.filter((l) => l.out).map((l) => l.text));
  lines.value = (now?.lines ?? []).map((text, at) => ({ text, at, out: left.has(text) }));
});
const kept = computed(() => lines.value.filter((l) => !l.out));
const edit = computed((): Edit | null => {
  const whole = proposal.value?.edit ?? null;
  if (!kept.value.length || !whole) return null;
  if (!mayArrange.value || whole.do !== 'several') return whole;
  return {
    ...whole,
    edits: whole.edits.map((one) => (one.do === 'insertSteps' ? { ...one, steps: kept.value.map((l) => one.steps[l.at]!) } : one)),
  };
});
const does = computed(() => proposal.value!.does.replace(/\d+ steps?/, steps(kept.value.length)));

async function move(i: number, by: -1 | 1): Promise<void> {
  const [line, other] = [lines.value[i], lines.value[i + by]];
  if (!line || !other) return;
  lines.value.splice(Math.min(i, i + by), 2, ...(by > 0 ? [other, line] : [line, other]));
  say(`Now ${i + by + 1} of ${lines.value.length}: ${line.text}`);
  await nextTick();
  list.value
    ?.querySelectorAll('li')
    [i + by]?.querySelector<HTMLElement>(by > 0 ? '.down' : '.up')
    ?.focus();
}

// What becomes of a thing is said on the sheet at once, and the refit is proposed anew.
async function become(choice: RefitChoice, event: Event): Promise<void> {
  const way = choice.ways[(event.target as HTMLSelectElement).selectedIndex];
  if (!way?.edit) return;
  busy.value = true;
  await draft.sendAndSettle(way.edit);
  busy.value = false;
}

async function write(): Promise<void> {
  if (!edit.value) return;
  busy.value = true;
  if (await draft.sendAndSettle(edit.value)) emit('close');
  busy.value = false;
}
</script>

<template>
  <a-modal :open="true" :title="titles[what]" :width="760" :footer="null" @cancel="emit('close')">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="proposal">
      <p v-if="proposal.says" :class="{ quiet: edit }">{{ proposal.says }}</p>
      <details v-if="proposal.choices?.length" class="choices">
        <summary>What becomes of what came off ({{ proposal.choices.length }})</summary>
        <ul>
          <li v-for="choice in proposal.choices" :key="choice.id">
            <label :for="`becomes-${choice.id}`">{{ choice.label }}</label>
            <select :id="`becomes-${choice.id}`" class="plain" :disabled="busy" @change="become(choice, $event)">
              <option v-for="way in choice.ways" :key="way.label" :selected="!way.edit">{{ way.label }}</option>
            </select>
          </li>
        </ul>
      </details>
      <p v-for="line in proposal.unsure" :key="line" class="unsure">{{ line }}</p>
      <ol v-if="lines.length" ref="list">
        <li v-for="(line, i) in lines" :key="line.at" :class="{ out: line.out }">
          <span>{{ line.text }}</span>
          <span v-if="mayArrange" class="acts">
            <button type="button" class="up" :disabled="i === 0" :aria-label="`Move up: ${line.text}`" @click="move(i, -1)">↑</button>
            <button
              type="button"
              class="down"
              :disabled="i === lines.length - 1"
              :aria-label="`Move down: ${line.text}`"
              @click="move(i, 1)"
            >
              ↓
            </button>
            <button
              type="button"
              class="leave"
              :aria-label="`${line.out ? 'Write after all' : 'Leave out'}: ${line.text}`"
              @click="line.out = !line.out"
            >
              {{ line.out ? 'write it' : 'leave out' }}
            </button>
          </span>
        </li>
      </ol>
      <div v-if="edit" class="foot">
        <ActButton type="primary" :loading="busy" @click="write">{{ does }}</ActButton>
        <span class="quiet">One undo takes {{ kept.length === 1 ? 'it' : 'them' }} back.</span>
      </div>
    </template>
  </a-modal>
</template>

<style scoped>
ol {
  max-height: 52vh;
  overflow: auto;
  margin: 0;
  padding: 8px 14px 8px 42px;
  background: var(--field);
  border: 1px solid var(--line-strong);
  font-size: 15.5px;
  white-space: pre-line;
}

li {
  padding: 4px 0;
}

ol > li {
  position: relative;
  padding-right: 150px;
}

.out > span:first-child {
  color: var(--ink-soft);
  text-decoration: line-through;
}

.acts {
  position: absolute;
  right: 0;
  top: 3px;
  display: flex;
  gap: 4px;
}

.acts button {
  min-width: 26px;
  height: 26px;
  font: 13px var(--text);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  cursor: pointer;
}

.acts .leave {
  width: 74px;
}

.acts button:disabled {
  color: var(--ink-soft);
  border-style: dashed;
  cursor: default;
}

@media (width <= 600px) {
  ol > li {
    padding-right: 0;
  }

  .acts {
    position: static;
    margin-top: 2px;
  }
}

li + li {
  border-top: 1px solid var(--line);
}

.choices {
  margin: 0 0 10px;
}

.choices summary {
  cursor: pointer;
}

.choices ul {
  max-height: 26vh;
  overflow: auto;
  margin: 6px 0 0;
  padding: 4px 14px;
  list-style: none;
  background: var(--field);
  border: 1px solid var(--line-strong);
}

.choices li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}

.choices select {
  width: 22em;
}

/* The steps stay in sight below. */
.choices[open] ~ ol {
  max-height: 28vh;
}

.unsure {
  padding: 6px 12px;
  border-left: 3px solid var(--ochre);
  background: var(--field);
}
</style>
