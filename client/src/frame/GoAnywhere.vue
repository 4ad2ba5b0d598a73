<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useCursor } from '../shared/cursor';
import { places as workshopPlaces } from '../workshop/places';
import { useDraft } from '../shared/draft';
import { useFaces } from './faces';
import { useSession } from '../shared/session';
import { useEscape } from '../shared/escape';

/** Steps, things and faces of the open procedure, found as one types. */
const open = defineModel<boolean>('open', { required: true });
const draft = useDraft();
const cursor = useCursor();
const router = useRouter();
const faces = useFaces();
const session = useSession();
const words = ref('');
const chosen = ref(0);
const field = ref<HTMLInputElement | null>(null);

interface Place {
  label: string;
  kind: string;
  go: () => void;
}

const to = (name: string) => (): void => void router.push({ name, params: { id: draft.revision?.id } });
const places = computed<Place[]>(() => [
  ...draft.order.map((id, i) => ({
    label: `${i + 1}  ${draft.textOf(id)}`,
    kind: 'step',
    go: () => goToStep(id),
  })),
  ...draft.things.map((t) => ({ label: `${t.id} ${t.name}`, kind: t.kind, go: () => goToThing(t.id) })),
  ...faces.value.map((face) => ({ label: face.label, kind: 'face', go: to(face.name) })),
  { label: 'Shelf', kind: 'place', go: () => void router.push('/') },
  ...workshopPlaces.map((p) => ({
    label: `Workshop: ${p.name.toLowerCase()}`,
    kind: 'place',
    go: () => void router.push({ name: 'workshop', params: { place: p.key } }),
  })),
  { label: 'Where used', kind: 'place', go: () => void router.push('/uses') },
  { label: 'Slips: calculators', kind: 'place', go: () => void router.push('/slips') },
]);
const found = computed(() => {
  const wanted = words.value.toLowerCase().split(/\s+/).filter(Boolean);
  return places.value.filter((p) => wanted.every((w) => p.label.toLowerCase().includes(w))).slice(0, 12);
});

/** To where a step is worked on: who only reads follows it. */
function goToStep(id: string): void {
  const params = { id: draft.revision?.id };
  if (session.isReader) void router.push({ name: 'follow', params, query: { at: draft.order.indexOf(id) + 1 } });
  else void router.push({ name: 'write', params }).then(() => cursor.goTo(id));
}

function goToThing(id: string): void {
  const first = draft.thing(id)?.steps[0];
  const step = first === undefined ? undefined : draft.order[first - 1];
  if (step) goToStep(step);
  else to(session.isReader ? 'ready' : 'joints')();
}

function take(place: Place | undefined): void {
  if (!place) return;
  open.value = false;
  place.go();
}

watch(
  open,
  async (now) => {
    if (!now) return;
    words.value = '';
    chosen.value = 0;
    await nextTick();
    setTimeout(() => field.value?.focus(), 30);
  },
  { immediate: true },
);
watch(words, () => (chosen.value = 0));

function key(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') chosen.value = Math.min(chosen.value + 1, found.value.length - 1);
  else if (event.key === 'ArrowUp') chosen.value = Math.max(chosen.value - 1, 0);
  else if (event.key === 'Enter') take(found.value[chosen.value]);
  else return;
  event.preventDefault();
}
useEscape(
  () => open.value,
  () => (open.value = false),
);
</script>

<template>
  <a-modal v-model:open="open" title="Go anywhere" :footer="null" :width="620">
    <input
      ref="field"
      v-model="words"
      class="plain"
      role="combobox"
      aria-label="Go to a step, a thing or a face"
      aria-controls="go-list"
      aria-expanded="true"
      :aria-activedescendant="found.length ? `go-${chosen}` : undefined"
      placeholder="a step’s words, a joint, a part, a face"
      @keydown="key"
    />
    <ul id="go-list" role="listbox" aria-label="Places">
      <li
        v-for="(place, i) in found"
        :id="`go-${i}`"
        :key="place.kind + place.label"
        role="option"
        :aria-selected="i === chosen"
        :class="{ chosen: i === chosen }"
        @click="take(place)"
      >
        <span>{{ place.label }}</span> <small>{{ place.kind }}</small>
      </li>
    </ul>
    <p v-if="found.length === 0" class="quiet">Nothing on this sheet matches.</p>
  </a-modal>
</template>

<style scoped>
input {
  width: 100%;
}

ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}

li {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  padding: 4px 9px;
  cursor: pointer;
  border-left: 4px solid transparent;
}

li span {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

.chosen {
  background: var(--moss-pale);
  border-left-color: var(--moss);
}

small {
  color: var(--ink-soft);
}
</style>
