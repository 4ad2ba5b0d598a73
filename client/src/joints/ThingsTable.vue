<script setup lang="ts">
import { computed, ref } from 'vue';
import type { FieldView, ThingKind, ThingView } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import Cell from './Cell.vue';
import ReachDialog from './ReachDialog.vue';
import Scrolls from '../shared/Scrolls.vue';
import ActButton from '../shared/ActButton.vue';

/** The other things of the sheet, a table each: parts, connections, fluids, aids, tools, consumables. */
const props = defineProps<{ fields: Partial<Record<ThingKind, FieldView[]>> }>();
const draft = useDraft();
const names = ref<Record<string, string>>({});
const reached = ref<ThingView | null>(null);
const kinds: { kind: ThingKind; title: string; one: string }[] = [
  { kind: 'part', title: 'Parts', one: 'part' },
  { kind: 'connection', title: 'Connections', one: 'connection' },
  { kind: 'fluid', title: 'Fluids', one: 'fluid' },
  { kind: 'aid', title: 'Aids, temporary', one: 'aid' },
  { kind: 'tool', title: 'Tools no fastener implies', one: 'tool' },
  { kind: 'consumable', title: 'Consumables', one: 'consumable' },
  { kind: 'control', title: 'Controls', one: 'control' },
];
const shown = computed(() =>
  kinds
    .map((k) => ({ ...k, things: draft.things.filter((t) => t.kind === k.kind), fields: props.fields[k.kind] ?? [] }))
    .filter((k) => k.things.length > 0 || draft.canEdit),
);

async function add(kind: ThingKind): Promise<void> {
  const name = (names.value[kind] ?? '').trim();
  if (!name) return;
  const taken = await draft.sendAndSettle({ do: 'addThing', kind, name, fromKit: false });
  if (taken && names.value[kind]?.trim() === name) names.value[kind] = '';
}

const drop = (thing: ThingView): void => void draft.send({ do: 'removeThing', id: thing.id });
</script>

<template>
  <ReachDialog :part="reached" @close="reached = null" />
  <section v-for="group in shown" :key="group.kind" class="group" :class="{ wide: group.fields.length > 3 }">
    <h2>{{ group.title }}</h2>
    <Scrolls v-if="group.things.length" :name="group.title">
      <table>
        <thead>
          <tr>
            <th scope="col" class="id">No.</th>
            <th v-for="field in group.fields" :key="field.name" scope="col" :class="`of-${field.name}`">{{ field.label }}</th>
            <th v-if="group.kind === 'part'" scope="col">way to it</th>
            <th scope="col">steps</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="thing in group.things" :key="thing.id">
            <td class="figures id">{{ thing.id }}</td>
            <td v-for="field in group.fields" :key="field.name">
              <Cell :thing="thing" :field="field.name" :label="`${field.label} of ${thing.id}`" :choices="field.choices" />
            </td>
            <td v-if="group.kind === 'part'" class="steps">
              <button type="button" class="way" :aria-label="`What must come off to reach ${thing.id}`" @click="reached = thing">
                reach
              </button>
            </td>
            <td class="figures steps">
              <template v-if="thing.steps.length">{{ thing.steps.join(', ') }}</template>
              <button v-else-if="draft.canEdit" type="button" :aria-label="`Delete ${thing.id}`" @click="drop(thing)">delete</button>
            </td>
          </tr>
        </tbody>
      </table>
    </Scrolls>
    <form v-if="draft.canEdit" @submit.prevent="add(group.kind)">
      <input
        v-model="names[group.kind]"
        class="plain"
        :aria-label="`Name of a new ${group.one}`"
        :placeholder="`Name of a new ${group.one}`"
        maxlength="80"
      />
      <ActButton size="small" html-type="submit">Add {{ group.one }}</ActButton>
    </form>
  </section>
</template>

<style scoped>
.group {
  margin-top: 26px;
  max-width: 760px;
}

.group.wide {
  max-width: none;
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
  padding: 5px 4px;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 0 2px;
  border-bottom: 1px solid var(--line);
}

.id {
  width: 46px;
  font-size: 12.5px;
  padding-left: 6px;
}

.steps {
  width: 100px;
  font-size: 12.5px;
  color: var(--ink-soft);
}

/* A name has the room that short values leave. */
.of-name {
  min-width: 130px;
}

.of-quantity,
.of-spares,
.of-leadDays,
.of-mass,
.of-behind,
.of-sitsOn {
  width: 64px;
}

.of-origin,
.of-fate {
  width: 84px;
}

.steps button {
  font: 13px var(--text);
  color: var(--clay);
  background: none;
  border: 0;
  text-decoration: underline;
  cursor: pointer;
}

form {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 6px;
}

form .plain {
  height: 28px;
  padding: 2px 8px;
  font-size: 14px;
}

.steps .way {
  color: var(--moss);
}
</style>
