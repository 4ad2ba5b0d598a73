<script setup lang="ts">
import { useSession } from '../shared/session';
import type { ShelfFilters } from '../shared/api/client';
import type { Asked } from './asking';

/** Narrows the shelf; only what there is is offered. */
defineProps<{ filters: ShelfFilters; asked: Asked }>();
const emit = defineEmits<{ ask: [change: Partial<Asked>] }>();
const session = useSession();
const chosen = (event: Event): string | undefined => (event.target as HTMLSelectElement).value || undefined;
const ask = (key: 'state' | 'platform' | 'owner' | 'findings', event: Event): void =>
  emit('ask', { [key]: chosen(event) } as Partial<Asked>);
</script>

<template>
  <div class="filters" role="group" aria-label="Narrow the shelf">
    <select class="plain" :value="asked.state ?? ''" aria-label="State" @change="ask('state', $event)">
      <option value="">any state</option>
      <option v-for="state in filters.states" :key="state" :value="state">{{ state }}</option>
    </select>
    <select class="plain" :value="asked.platform ?? ''" aria-label="Vehicle" @change="ask('platform', $event)">
      <option value="">any vehicle</option>
      <option v-for="platform in filters.platforms" :key="platform" :value="platform">{{ platform }}</option>
    </select>
    <select class="plain" :value="asked.owner ?? ''" aria-label="Owner" @change="ask('owner', $event)">
      <option value="">anybody’s</option>
      <option v-for="owner in filters.owners" :key="owner.id" :value="owner.id">{{ owner.name }}’s</option>
    </select>
    <select class="plain" :value="asked.findings ?? ''" aria-label="Findings" @change="ask('findings', $event)">
      <option value="">findings or none</option>
      <option value="stop">stopped by findings</option>
      <option value="any">with findings</option>
      <option value="none">without findings</option>
    </select>
    <label v-if="session.is('author')" class="mine">
      <input type="checkbox" :checked="asked.mine ?? false" @change="emit('ask', { mine: ($event.target as HTMLInputElement).checked })" />
      what I write on
    </label>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 14px;
}

select {
  max-width: 260px;
  padding: 4px 6px;
  font-size: 14px;
}

.mine {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-left: 6px;
}
</style>
