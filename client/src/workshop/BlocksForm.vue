<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { BuildingBlock, WorkshopView } from '../shared/api/client';
import ActButton from '../shared/ActButton.vue';

/** Blocks of steps the workshop keeps, one line a step. */
const props = defineProps<{ workshop: WorkshopView }>();
const emit = defineEmits<{ keep: [blocks: BuildingBlock[]] }>();
const rows = ref<{ name: string; text: string }[]>([]);
watch(
  () => props.workshop.blocks,
  (blocks) => {
    rows.value = blocks.map((b) => ({ name: b.name, text: b.steps.join('\n') }));
  },
  { immediate: true },
);
const written = computed<BuildingBlock[]>(() =>
  rows.value.map((r) => ({ name: r.name, steps: r.text.split('\n').filter((l) => l.trim()) })),
);
const changed = computed(() => JSON.stringify(written.value) !== JSON.stringify(props.workshop.blocks));
const own = (name: string): boolean => rows.value.some((r) => r.name.toLowerCase() === name.toLowerCase());

const add = (block?: BuildingBlock): void => {
  rows.value.push(block ? { name: block.name, text: block.steps.join('\n') } : { name: '', text: '' });
};
</script>

<template>
  <section aria-labelledby="blocks" class="blocks">
    <h2 id="blocks">Blocks</h2>
    <p class="quiet">
      Steps that come up again and again; <kbd>/</kbd> in an empty step puts one in. What differs from sheet to sheet stands in braces with
      its kind: {joint: wheel nuts}.
    </p>
    <div v-for="(row, i) in rows" :key="i" class="row">
      <input
        v-model="row.name"
        class="plain"
        maxlength="80"
        :aria-label="`Name of block ${i + 1}`"
        placeholder="wheel off"
        :disabled="!workshop.mayChange"
      />
      <textarea
        v-model="row.text"
        class="plain"
        :rows="Math.max(2, row.text.split('\n').length)"
        :aria-label="`Steps of block ${i + 1}`"
        placeholder="Remove the {joint: wheel nuts}."
        :disabled="!workshop.mayChange"
      ></textarea>
      <button
        v-if="workshop.mayChange"
        type="button"
        class="link"
        :aria-label="`Take out ${row.name || 'the block'}`"
        @click="rows.splice(i, 1)"
      >
        take out
      </button>
    </div>
    <details>
      <summary>{{ workshop.usual.length }} usual blocks</summary>
      <ul>
        <li v-for="{ block, reads } in workshop.usual" :key="block.name">
          <b>{{ block.name }}</b> {{ reads }}
          <button v-if="workshop.mayChange && !own(block.name)" type="button" class="link" @click="add(block)">write it our way</button>
        </li>
      </ul>
    </details>
    <div v-if="workshop.mayChange" class="acts">
      <ActButton @click="add()">Add a block</ActButton>
      <ActButton type="primary" :disabled="!changed" @click="emit('keep', written)">Keep the blocks</ActButton>
    </div>
  </section>
</template>

<style scoped>
.blocks {
  margin-top: 34px;
}

.row {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 70px;
  gap: 12px;
  align-items: start;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

textarea {
  width: 100%;
}

summary {
  margin: 10px 0 4px;
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

.acts {
  display: flex;
  gap: 12px;
  margin-top: 10px;
}
</style>
