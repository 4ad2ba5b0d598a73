<script setup lang="ts">
import type { UseView } from '../shared/api/client';
import { useSession } from '../shared/session';
import { several } from '../shared/several';
import StateTag from '../shared/StateTag.vue';
import { atStep } from './atStep';

/** The sheets that use one thing, each with where on it. */
defineProps<{ use: UseView }>();
const session = useSession();
</script>

<template>
  <h2>{{ use.name }}</h2>
  <ul>
    <li v-for="sheet in use.sheets" :key="sheet.revisionId">
      <span class="figures number">{{ sheet.number }}</span>
      <span class="what">
        <router-link :to="atStep(session.isReader, sheet.revisionId, sheet.at)">{{ sheet.title }}</router-link>
        <small>{{ sheet.says }}</small>
      </span>
      <StateTag :state="sheet.state" :letter="sheet.letter" />
      <span v-if="!session.isReader" class="quiet">{{ sheet.owner }}</span>
    </li>
  </ul>
  <p v-if="use.more" class="quiet">The first {{ use.sheets.length }} are shown.</p>
  <p v-if="use.withheld" class="quiet">
    {{ several(use.withheld, 'sheet') }} in review {{ use.withheld === 1 ? 'is' : 'are' }} not shown: you may have values to read there in
    their sources first.
  </p>
</template>

<style scoped>
h2 {
  margin: 0 0 8px;
  overflow-wrap: anywhere;
}

ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  border-top: 1.5px solid var(--ink);
}

li {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr) auto minmax(0, 110px);
  gap: 4px 12px;
  align-items: baseline;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}

.number {
  font-size: 13.5px;
}

.what a {
  display: block;
  font: 600 18px/1.25 var(--heading);
  color: var(--ink);
  text-decoration-color: var(--moss);
}

small {
  font-size: 13.5px;
  color: var(--ink-soft);
}

@media (width <= 560px) {
  li {
    grid-template-columns: 74px minmax(0, 1fr);
  }
}
</style>
