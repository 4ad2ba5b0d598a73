<script setup lang="ts" generic="Row extends Record<string, string>">
import { computed, ref } from 'vue';
import ActButton from '../shared/ActButton.vue';
import Scrolls from '../shared/Scrolls.vue';
import { several } from '../shared/several';

/** Rows of the settings, written in place: the one table of the workshop's places. */
const props = defineProps<{
  /** What the table is of, and one of its rows: "Torque tools", "tool". */
  name: string;
  one: string;
  columns: {
    key: keyof Row & string;
    label: string;
    example?: string;
    width?: string;
    lines?: boolean;
    most?: number;
    choices?: readonly string[];
  }[];
  fresh: Row;
  mayChange: boolean;
}>();
const rows = defineModel<Row[]>({ required: true });
/** More rows than these are looked for by their words, and no more than that many are shown. */
const [many, most] = [20, 100];
const words = ref('');
const found = computed(() => {
  const typed = words.value.toLowerCase().split(/\s+/).filter(Boolean);
  const all = rows.value.map((row, at) => ({ row, at }));
  if (all.length <= many || !typed.length) return all;
  const has = (row: Row): boolean => {
    const text = Object.values(row).join(' ').toLowerCase();
    // What has just been added has no words yet.
    return !row[props.columns[0]!.key] || typed.every((word) => text.includes(word));
  };
  return all.filter(({ row }) => has(row));
});
/** The last are those that were added last: they stay in sight. */
const shown = computed(() => (found.value.length > most ? [...found.value.slice(0, most - 5), ...found.value.slice(-5)] : found.value));
const nameOf = (row: Row, i: number): string => row[props.columns[0]!.key] || `${props.one} ${i + 1}`;
</script>

<template>
  <input
    v-if="rows.length > many"
    v-model="words"
    class="find"
    :aria-label="`Find a ${one}`"
    :placeholder="`find a ${one} by its words`"
    maxlength="100"
  />
  <Scrolls v-if="rows.length" :name="name">
    <table>
      <thead>
        <tr>
          <th v-for="column in columns" :key="column.key" scope="col" :style="{ width: column.width, minWidth: column.width }">
            {{ column.label }}
          </th>
          <slot name="heads" />
          <th v-if="mayChange" scope="col" class="out"><span class="visually-hidden">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ row, at: i } in shown" :key="i">
          <td v-for="column in columns" :key="column.key">
            <select
              v-if="mayChange && column.choices"
              :value="row[column.key]"
              :aria-label="`${column.label} of ${nameOf(row, i)}`"
              @change="(row as Record<string, string>)[column.key] = ($event.target as HTMLSelectElement).value"
            >
              <option v-for="choice in column.choices" :key="choice" :value="choice">{{ choice }}</option>
            </select>
            <component
              :is="column.lines ? 'textarea' : 'input'"
              v-else-if="mayChange"
              :value="row[column.key]"
              :aria-label="`${column.label} of ${nameOf(row, i)}`"
              :placeholder="column.example"
              :maxlength="column.most ?? 60"
              rows="1"
              :style="{ minWidth: column.lines && !column.width ? '220px' : undefined }"
              @input="(row as Record<string, string>)[column.key] = ($event.target as HTMLInputElement).value"
            />
            <template v-else>{{ row[column.key] }}</template>
          </td>
          <slot name="cells" :row="row" />
          <td v-if="mayChange" class="out">
            <button type="button" class="link" :aria-label="`take out ${nameOf(row, i)}`" @click="rows.splice(i, 1)">take out</button>
          </td>
        </tr>
      </tbody>
    </table>
  </Scrolls>
  <slot v-else name="empty" />
  <p v-if="rows.length > many" class="quiet" role="status">
    <template v-if="found.length > shown.length"
      >{{ several(found.length - shown.length, `more ${one}`) }}: type more of the words.</template
    >
    <template v-else-if="!found.length">No {{ one }} has these words.</template>
  </p>
  <div v-if="mayChange" class="acts">
    <ActButton size="small" @click="rows.push({ ...fresh })">Add a {{ one }}</ActButton>
    <slot name="acts" />
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
}

:deep(th) {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 5px;
  border-bottom: 1.5px solid var(--ink);
}

:deep(td) {
  padding: 2px 5px;
  height: 36px;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}

.out {
  width: 70px;
}

input,
select,
textarea {
  width: 100%;
  min-width: 46px;
  min-height: 30px;
  padding: 4px 3px;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  border-bottom: 1px dashed var(--line-strong);
  border-radius: 2px;
}

textarea {
  display: block;
  resize: none;
  overflow: hidden;
  field-sizing: content;
}

input::placeholder,
textarea::placeholder {
  color: var(--ink-soft);
  font-style: italic;
}

select {
  appearance: none;
  cursor: pointer;
}

input:hover,
select:hover,
textarea:hover {
  border-color: var(--line-strong);
}

input:focus,
select:focus,
textarea:focus {
  background: var(--field);
  border: 1px solid var(--ink);
  outline: 2px solid var(--ochre-mark);
  outline-offset: -1px;
}

.find {
  max-width: 340px;
  margin-bottom: 8px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  margin-top: 10px;
}
</style>
