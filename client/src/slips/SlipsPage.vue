<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, take, type CalculatorView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import PlainPage from '../frame/PlainPage.vue';
import CalculatorSlip from './CalculatorSlip.vue';
import TroubleNote from '../shared/TroubleNote.vue';

/** The calculators alone, for who only wants an answer. */
const route = useRoute();
const router = useRouter();
const calculators = ref<CalculatorView[]>([]);
const trouble = ref<Trouble | null>(null);
const chosen = computed(() => calculators.value.find((c) => c.id === route.query.ask) ?? calculators.value[0]);

onMounted(async () => {
  try {
    calculators.value = await take(api.GET('/api/calculators'));
  } catch (error) {
    trouble.value = troubleOf(error);
  }
});
</script>

<template>
  <PlainPage name="Slips">
    <h1>Slips</h1>
    <p class="quiet about">
      One question, its formula, every number with its source. Nothing is kept here; beside a joint a slip can be kept with its value.
    </p>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div class="sides">
      <nav aria-label="Questions">
        <button
          v-for="calculator in calculators"
          :key="calculator.id"
          type="button"
          :aria-current="calculator.id === chosen?.id"
          @click="router.replace({ query: { ask: calculator.id } })"
        >
          {{ calculator.title }}
        </button>
      </nav>
      <section v-if="chosen" :aria-label="chosen.title">
        <h2>{{ chosen.title }}</h2>
        <CalculatorSlip :calculator="chosen" />
      </section>
    </div>
  </PlainPage>
</template>

<style scoped>
.about {
  margin: 4px 0 20px;
}

.sides {
  display: grid;
  grid-template-columns: 300px minmax(0, 760px);
  gap: 34px;
}

@media (width <= 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}

nav {
  display: grid;
  align-content: start;
}

nav button {
  font: inherit;
  text-align: left;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  padding: 10px 8px;
  cursor: pointer;
}

nav button:hover {
  background: var(--moss-pale);
}

nav button[aria-current='true'] {
  font-weight: 700;
  box-shadow: inset 4px 0 0 var(--moss);
  padding-left: 14px;
}

h2 {
  margin-bottom: 12px;
}
</style>
