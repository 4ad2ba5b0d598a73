<script setup lang="ts">
import { computed, ref } from 'vue';
import type { BuildingBlock, FormerDocument } from '../shared/api/client';
import { useSession } from '../shared/session';
import { several } from '../shared/several';
import FormerEditions from './FormerEditions.vue';
import ActButton from '../shared/ActButton.vue';
import { useSettings } from './settings';

/** Blocks of steps the workshop keeps, one line a step, beside the usual ones. */
const settings = useSettings();
const view = computed(() => settings.view!);
const session = useSession();
const used = ref<FormerDocument[]>([]);
const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
const sheetsOf = (name: string): number => used.value.find((u) => same(u.name, name))?.sheets ?? 0;
/** The version a block is kept in, and on how many sheets its steps are. */
const keptOf = (name: string): string => {
  const kept = view.value.blocks.find((b) => same(b.name, name));
  const sheets = sheetsOf(name);
  return [kept ? `version ${kept.version}` : 'new', sheets ? `on ${several(sheets, 'sheet')}` : ''].filter(Boolean).join(', ');
};
const rows = computed(() => settings.now!.blocks);
const own = (name: string): boolean => rows.value.some((r) => same(r.name, name));
const add = (block?: BuildingBlock): void =>
  void rows.value.push(block ? { name: block.name, text: block.steps.join('\n') } : { name: '', text: '' });
</script>

<template>
  <p class="quiet">What differs from sheet to sheet stands in braces with its kind: {joint: wheel nuts}.</p>
  <article v-for="(row, i) in rows" :key="i">
    <div class="head">
      <input v-model="row.name" maxlength="80" :aria-label="`Name of block ${i + 1}`" placeholder="wheel off" :disabled="!view.mayChange" />
      <router-link v-if="sheetsOf(row.name)" class="kept" :to="{ name: 'uses', query: { kind: 'block', q: row.name } }">{{
        keptOf(row.name)
      }}</router-link>
      <span v-else-if="row.name" class="kept quiet">{{ keptOf(row.name) }}</span>
      <button
        v-if="view.mayChange"
        type="button"
        class="link"
        :aria-label="`Take out ${row.name || 'the block'}`"
        @click="rows.splice(i, 1)"
      >
        take out
      </button>
    </div>
    <textarea
      v-model="row.text"
      :rows="Math.max(2, row.text.split('\n').length)"
      :aria-label="`Steps of block ${i + 1}`"
      placeholder="Remove the {joint: wheel nuts}."
      :disabled="!view.mayChange"
    ></textarea>
  </article>
  <p v-if="!rows.length" class="empty">None of your own yet.</p>
  <ActButton v-if="view.mayChange" size="small" @click="add()">Add a block</ActButton>
  <details :open="!rows.length">
    <summary>{{ view.usual.length }} usual blocks</summary>
    <ul>
      <li v-for="{ block, reads } in view.usual" :key="block.name">
        <b>{{ block.name }}</b> {{ reads }}
        <button v-if="view.mayChange && !own(block.name)" type="button" class="link" @click="add(block)">write it our way</button>
      </li>
    </ul>
  </details>
  <FormerEditions v-if="!session.isReader" kind="block" :version="view.version" @loaded="used = $event" />
</template>

<style scoped>
article {
  margin-bottom: 12px;
  max-width: 800px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-left: 5px solid var(--path-worn);
}

.kept {
  flex: none;
  font-size: 13.5px;
}

.head {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 4px 10px;
  border-bottom: 1px solid var(--line);
}

input,
textarea {
  width: 100%;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  border-bottom: 1px dashed var(--line-strong);
  padding: 3px 5px;
}

input {
  font: 600 18px/1.2 var(--heading);
}

textarea {
  display: block;
  margin: 4px 5px 8px;
  width: calc(100% - 10px);
  resize: vertical;
  line-height: 1.6;
}

input:focus,
textarea:focus {
  background: var(--field);
  border-color: var(--ink);
}

summary {
  margin: 14px 0 4px;
  cursor: pointer;
  color: var(--moss);
}

ul {
  margin: 0;
  padding-left: 18px;
  font-size: 14px;
}

li {
  padding: 2px 0;
}
</style>
