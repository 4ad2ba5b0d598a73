<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Edit } from '../shared/api/client';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';

/** What sentences named that the sheet did not have: all of it in one list, to look through and mend. */
const draft = useDraft();
const cursor = useCursor();
const open = ref(false);
const names = computed(() => (draft.things ?? []).filter((t) => t.assumed));

const kinds = ['part', 'joint', 'connection', 'fluid', 'aid', 'tool', 'consumable', 'control'] as const;
type Kind = (typeof kinds)[number];

function setKind(id: string, kind: string): void {
  draft.send({ do: 'setKind', id, kind: kind as Kind } as Edit);
}

function rename(id: string, before: string, after: string): void {
  if (after.trim() && after !== before) draft.send({ do: 'setField', id, field: 'name', before, after } as Edit);
}

function look(ids: string[]): void {
  draft.send({ do: 'lookedAt', ids } as Edit);
}

function show(step: number): void {
  const id = draft.order[step - 1];
  if (id) cursor.goTo(id);
}
</script>

<template>
  <section v-if="draft.canEdit && names.length" class="names" aria-label="New names">
    <button type="button" class="head" :aria-expanded="open" @click="open = !open">
      <b>{{ names.length }} new {{ names.length === 1 ? 'name' : 'names' }}</b>
      <span>{{ open ? 'close' : 'taken from your sentences: look through them' }}</span>
    </button>
    <template v-if="open">
      <p class="note">A name no sentence uses any more goes by itself, until you have looked at it.</p>
      <table>
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">is a</th>
            <th scope="col">in step</th>
            <th scope="col"><span class="unseen">Right</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="thing in names" :key="thing.id">
            <td>
              <span class="id figures">{{ thing.id }}</span>
              <input
                class="plain"
                :value="thing.name"
                :aria-label="`Name of ${thing.id}`"
                maxlength="80"
                @change="rename(thing.id, thing.name, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td>
              <select
                :value="thing.kind"
                :aria-label="`Kind of ${thing.name}`"
                @change="setKind(thing.id, ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="kind in kinds" :key="kind" :value="kind">{{ kind }}</option>
              </select>
            </td>
            <td>
              <button
                v-for="number in thing.steps.slice(0, 4)"
                :key="number"
                type="button"
                class="step"
                :aria-label="`Go to step ${number}`"
                @click="show(number)"
              >
                {{ number }}
              </button>
            </td>
            <td><button type="button" class="right" :aria-label="`${thing.name} is right`" @click="look([thing.id])">right</button></td>
          </tr>
        </tbody>
      </table>
      <button type="button" class="right all" @click="look(names.map((t) => t.id))">All are right</button>
    </template>
  </section>
</template>

<style scoped>
.names {
  margin: 10px 0 14px 44px;
  padding: 4px 10px 6px;
  font-size: 14px;
  background: var(--ochre-pale);
  border-left: 3px solid var(--ochre-mark);
}

.head {
  display: flex;
  gap: 10px;
  align-items: baseline;
  width: 100%;
  font: inherit;
  color: var(--ink);
  text-align: left;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}

.head span {
  text-decoration: underline;
  text-underline-offset: 2px;
}

.note {
  margin: 4px 0 6px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  font-weight: 600;
  text-align: left;
}

th,
td {
  padding: 2px 8px 2px 0;
  border-bottom: 1px solid var(--line-strong);
}

.id {
  display: inline-block;
  min-width: 34px;
  color: var(--ink-soft);
}

input,
select {
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
}

select {
  padding: 1px 4px;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
}

input {
  width: calc(100% - 44px);
}

.step,
.right {
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ochre);
  border-radius: 3px;
  padding: 0 7px;
  margin-right: 4px;
  cursor: pointer;
}

.all {
  margin-top: 7px;
  font-weight: 700;
}

.unseen {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
