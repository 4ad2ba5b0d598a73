<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Severity } from '../shared/api/client';
import ExampleLine from './ExampleLine.vue';
import { useSettings } from './settings';

/** What each finding weighs in this house. */
const settings = useSettings();
const rules = computed(() => settings.now!.rules.rules);
const wanted = ref('');
const onlyOwn = ref(false);
const here = (id: string, usual: Severity): Severity => rules.value.severities[id] ?? usual;
const own = computed(() => Object.keys(rules.value.severities).length);
const shown = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean);
  return settings.view!.catalogue.filter(
    (r) =>
      (!onlyOwn.value || rules.value.severities[r.id] !== undefined) && words.every((w) => `${r.id} ${r.title}`.toLowerCase().includes(w)),
  );
});

function weigh(id: string, usual: Severity, severity: Severity): void {
  const severities = { ...rules.value.severities };
  if (severity === usual) delete severities[id];
  else severities[id] = severity;
  rules.value.severities = severities;
}
</script>

<template>
  <div class="filter">
    <label>Rule <input v-model="wanted" type="search" class="plain" placeholder="torque, cotter pin, CLO001" /></label>
    <label><input v-model="onlyOwn" type="checkbox" /> only what differs here ({{ own }})</label>
    <span class="quiet" role="status">{{ shown.length }} of {{ settings.view!.catalogue.length }}</span>
  </div>
  <p v-if="!shown.length" class="empty">
    {{
      onlyOwn && !wanted ? 'Every finding weighs what the catalogue gives it.' : 'No rule of that name. Take a word out, or look at all.'
    }}
  </p>
  <ul>
    <li v-for="rule in shown" :key="rule.id">
      <span class="figures id">{{ rule.id }}</span>
      <div class="what">
        {{ rule.title }}
        <ExampleLine :rule="`weigh:${rule.id}`" />
      </div>
      <fieldset :disabled="!settings.view!.mayChange || rule.usual === 'stop'">
        <legend class="visually-hidden">Weight of {{ rule.id }}, {{ rule.title }}</legend>
        <label
          v-for="weight in (rule.usual === 'stop' ? ['stop'] : ['hint', 'warn', 'stop']) as Severity[]"
          :key="weight"
          :class="{ on: here(rule.id, rule.usual) === weight }"
        >
          <input
            type="radio"
            class="visually-hidden"
            :name="`weigh-${rule.id}`"
            :value="weight"
            :checked="here(rule.id, rule.usual) === weight"
            @change="weigh(rule.id, rule.usual, weight)"
          />{{ weight }}</label
        >
      </fieldset>
      <span class="quiet usual">{{ rule.usual === here(rule.id, rule.usual) ? '' : `usually ${rule.usual}` }}</span>
    </li>
  </ul>
</template>

<style scoped>
.filter {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  align-items: center;
  margin-bottom: 10px;
}

.filter .plain {
  width: 250px;
  margin-left: 6px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr) 178px 96px;
  gap: 4px 14px;
  align-items: start;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.id {
  padding-top: 3px;
  font-size: 12.5px;
  color: var(--ink-soft);
}

fieldset {
  display: flex;
  border: 0;
  padding: 0;
  margin: 0;
}

fieldset label {
  min-width: 58px;
  padding: 2px 8px;
  text-align: center;
  font-size: 14px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  cursor: pointer;
}

fieldset label + label {
  border-left: 0;
}

fieldset label.on {
  font-weight: 700;
  color: var(--on-mark);
  background: var(--ink);
  border-color: var(--ink);
}

fieldset label:focus-within {
  outline: 3px solid var(--ochre-mark);
  outline-offset: 1px;
}

fieldset:disabled label {
  cursor: default;
}

.usual {
  font-size: 13px;
  padding-top: 3px;
}

@media (width <= 900px) {
  li {
    grid-template-columns: 62px minmax(0, 1fr);
  }

  fieldset,
  .usual {
    grid-column: 2;
  }
}
</style>
