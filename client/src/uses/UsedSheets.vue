<script setup lang="ts">
import type { UseView } from '../shared/api/client';
import { useSession } from '../shared/session';
import { several } from '../shared/several';
import SheetLines from './SheetLines.vue';

/** The sheets that use one thing, each with where on it. */
defineProps<{ use: UseView }>();
const session = useSession();
</script>

<template>
  <h2>{{ use.name }}</h2>
  <SheetLines :lines="use.sheets" :at="(sheet) => sheet.at">
    <template #where="{ line }"
      ><small>{{ line.says }}</small></template
    >
    <template #more="{ line }"
      ><span v-if="!session.isReader" class="quiet">{{ line.owner }}</span></template
    >
  </SheetLines>
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

small {
  font-size: 13.5px;
  color: var(--ink-soft);
}
</style>
