<script setup lang="ts" generic="Line extends { revisionId: number; number: string; title: string; letter: string; state: RevisionState }">
import type { RevisionState } from '../shared/api/client';
import { useSession } from '../shared/session';
import StateTag from '../shared/StateTag.vue';
import { atStep } from './atStep';

/** Sheets, a line each: number, title with where on it, state, and what more there is to say of it. */
defineProps<{
  lines: Line[];
  /** Id of the step a line's title leads to; empty for none. */
  at: (line: Line) => string;
}>();
const session = useSession();
</script>

<template>
  <ul>
    <li v-for="line in lines" :key="line.revisionId">
      <span class="figures number">{{ line.number }}</span>
      <span>
        <router-link :to="atStep(session.isReader, line.revisionId, at(line))" class="title">{{ line.title }}</router-link>
        <slot name="where" :line="line" />
      </span>
      <StateTag :state="line.state" :letter="line.letter" />
      <slot name="more" :line="line" />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
  border-top: 1.5px solid var(--ink);
}

li {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr) auto minmax(0, 120px);
  gap: 4px 12px;
  align-items: baseline;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}

.number {
  font-size: 13.5px;
}

.title {
  display: block;
  font: 600 18px/1.25 var(--heading);
  color: var(--ink);
  text-decoration-color: var(--moss);
}

@media (width <= 620px) {
  li {
    grid-template-columns: 74px minmax(0, 1fr);
  }
}
</style>
