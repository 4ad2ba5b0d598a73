<script setup lang="ts">
import { computed } from 'vue';
import ExampleLine from './ExampleLine.vue';
import { useSettings } from './settings';

/** Where practice has more than one school: the ways side by side, each with its reason, the way of this house marked. */
const settings = useSettings();
const rules = computed(() => settings.now!.rules.rules);
const chosen = (school: { key: string; ways: { word: string }[] }): string => rules.value.schools[school.key] ?? school.ways[0]!.word;
</script>

<template>
  <fieldset v-for="school in settings.view!.schools" :key="school.key" :disabled="!settings.view!.mayChange">
    <legend>{{ school.question }}</legend>
    <div class="ways">
      <label v-for="way in school.ways" :key="way.word" class="way" :class="{ chosen: chosen(school) === way.word }">
        <input
          type="radio"
          :name="`school-${school.key}`"
          :value="way.word"
          :checked="chosen(school) === way.word"
          @change="rules.schools = { ...rules.schools, [school.key]: way.word }"
        />
        <span
          ><b>{{ way.word }}</b> {{ way.practice }} <i>{{ way.why }}</i></span
        >
      </label>
    </div>
    <ExampleLine :rule="`school:${school.key}`" />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0 0 12px;
  margin: 0 0 12px;
  border-bottom: 1px solid var(--line);
}

legend {
  padding: 0 0 5px;
  font: 600 18px/1.2 var(--heading);
}

.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 8px;
  margin-bottom: 6px;
}

.way {
  display: flex;
  align-items: flex-start;
  gap: 8px;
  padding: 7px 10px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  font-size: 14px;
  cursor: pointer;
}

.way input {
  flex: none;
  margin-top: 4px;
}

.way.chosen {
  background: var(--moss-pale);
  border-color: var(--moss);
  box-shadow: inset 4px 0 0 var(--moss);
}

.way b {
  display: block;
}

.way i {
  color: var(--ink-soft);
}
</style>
