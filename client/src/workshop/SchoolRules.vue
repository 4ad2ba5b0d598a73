<script setup lang="ts">
import { computed, ref } from 'vue';
import type { HouseRules, WorkshopView } from '../shared/api/client';

/** Where practice has more than one school: the way of this house, and why; what its rules weigh; the words it writes. */
const props = defineProps<{ workshop: WorkshopView }>();
const rules = defineModel<HouseRules>('rules', { required: true });
const all = ref(false);

const chosen = (key: string): string =>
  rules.value.schools?.[key] ?? props.workshop.schools.find((s) => s.key === key)?.ways[0]?.word ?? '';
const whyOf = (key: string): string =>
  props.workshop.schools.find((s) => s.key === key)?.ways.find((w) => w.word === chosen(key))?.why ?? '';
const here = (id: string): string => rules.value.severities?.[id] ?? props.workshop.catalogue.find((r) => r.id === id)?.usual ?? '';
const shown = computed(() => props.workshop.catalogue.filter((r) => all.value || rules.value.severities?.[r.id] !== undefined));

function choose(key: string, word: string): void {
  rules.value = { ...rules.value, schools: { ...rules.value.schools, [key]: word } };
}

function weigh(id: string, severity: string): void {
  const severities = { ...rules.value.severities };
  if (severity === props.workshop.catalogue.find((r) => r.id === id)?.usual) delete severities[id];
  else severities[id] = severity as 'hint' | 'warn' | 'stop';
  rules.value = { ...rules.value, severities };
}

function term(at: number, field: 'refused' | 'preferred', value: string): void {
  rules.value = { ...rules.value, terms: (rules.value.terms ?? []).map((t, i) => (i === at ? { ...t, [field]: value } : t)) };
}

const addTerm = (): void => {
  rules.value = { ...rules.value, terms: [...(rules.value.terms ?? []), { refused: '', preferred: '' }] };
};
const dropTerm = (at: number): void => {
  rules.value = { ...rules.value, terms: (rules.value.terms ?? []).filter((_, i) => i !== at) };
};
</script>

<template>
  <h3>Schools of practice</h3>
  <div v-for="school in workshop.schools" :key="school.key" class="rule">
    <label :for="`school-${school.key}`">{{ school.question }}</label>
    <select
      :id="`school-${school.key}`"
      class="plain"
      :value="chosen(school.key)"
      @change="choose(school.key, ($event.target as HTMLSelectElement).value)"
    >
      <option v-for="way in school.ways" :key="way.word" :value="way.word">{{ way.word }}</option>
    </select>
    <p>{{ whyOf(school.key) }}</p>
  </div>
  <h3>
    What the rules weigh
    <button type="button" class="link" @click="all = !all">
      {{ all ? 'only what differs' : `all ${workshop.catalogue.length} rules` }}
    </button>
  </h3>
  <p v-if="!shown.length" class="quiet">Every rule weighs what the catalogue gives it. A Stop stays one in every workshop.</p>
  <div v-for="rule in shown" :key="rule.id" class="rule weigh">
    <label :for="`weigh-${rule.id}`"
      ><span class="figures">{{ rule.id }}</span> {{ rule.title }}</label
    >
    <select
      :id="`weigh-${rule.id}`"
      class="plain"
      :value="here(rule.id)"
      :disabled="rule.usual === 'stop'"
      @change="weigh(rule.id, ($event.target as HTMLSelectElement).value)"
    >
      <option value="hint">hint</option>
      <option value="warn">warn</option>
      <option value="stop">stop</option>
    </select>
    <p>{{ rule.usual === here(rule.id) ? '' : `usually ${rule.usual}` }}</p>
  </div>
  <h3>Words</h3>
  <div v-for="(line, i) in rules.terms ?? []" :key="i" class="term">
    <span>not</span>
    <input
      class="plain"
      :value="line.refused"
      maxlength="60"
      :aria-label="`Refused word ${i + 1}`"
      @change="term(i, 'refused', ($event.target as HTMLInputElement).value)"
    />
    <span>but</span>
    <input
      class="plain"
      :value="line.preferred"
      maxlength="60"
      :aria-label="`Preferred word ${i + 1}`"
      @change="term(i, 'preferred', ($event.target as HTMLInputElement).value)"
    />
    <button type="button" class="link" :aria-label="`Take out ${line.refused}`" @click="dropTerm(i)">take out</button>
  </div>
  <button type="button" class="link" @click="addTerm">add a word</button>
</template>

<style scoped>
h3 {
  margin: 22px 0 4px;
  font-size: 19px;
}

.rule {
  display: grid;
  grid-template-columns: 330px 250px 1fr;
  gap: 16px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.rule.weigh {
  grid-template-columns: 430px 120px 1fr;
  padding: 2px 0;
}

@media (width <= 1060px) {
  .rule,
  .rule.weigh {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }

  .rule :is(select, input) {
    max-width: 100%;
  }
}

.rule label {
  font-weight: 600;
}

.weigh label {
  font-weight: 400;
}

.weigh .figures {
  font-size: 12.5px;
  color: var(--ink-soft);
}

.rule p {
  margin: 0;
  font-size: 14px;
  color: var(--ink-soft);
}

.term {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}

.term input {
  width: 190px;
}
</style>
