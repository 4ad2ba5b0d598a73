<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import { api, take, type CalculatorView, type Slip, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';

/** A calculator with its cells, and the slip that follows what is typed. Beside a joint its numbers stand in the cells. */
const props = defineProps<{ calculator: CalculatorView }>();
const emit = defineEmits<{ worked: [slip: Slip | null] }>();
const cells = ref<Record<string, string>>({});
const slip = ref<Slip | null>(null);
const trouble = ref<Trouble | null>(null);
let asked = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

async function work(): Promise<void> {
  const turn = ++asked;
  try {
    const answer = await take(
      api.POST('/api/calculators/{id}', { params: { path: { id: props.calculator.id } }, body: { cells: cells.value } }),
    );
    if (turn !== asked) return;
    slip.value = answer;
    trouble.value = null;
  } catch (error) {
    if (turn !== asked) return;
    trouble.value = troubleOf(error);
    slip.value = null;
  }
  emit('worked', slip.value);
}

function begin(): void {
  cells.value = Object.fromEntries(props.calculator.cells.map((c) => [c.name, c.example]));
  void work();
}

function typed(): void {
  clearTimeout(timer);
  timer = setTimeout(() => void work(), 180);
}

onMounted(begin);
watch(() => props.calculator, begin);
</script>

<template>
  <div class="calculator">
    <form class="cells" @submit.prevent="work">
      <label v-for="cell in calculator.cells" :key="cell.name"
        ><span>{{ cell.label }}</span
        ><input v-model="cells[cell.name]" class="plain figures" maxlength="200" @input="typed"
      /></label>
    </form>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div v-if="slip" class="slip" aria-live="polite">
      <p class="formula figures">{{ slip.formula }}</p>
      <p class="source">{{ slip.formulaSource }}</p>
      <table>
        <tbody>
          <tr v-for="number in slip.numbers" :key="number.symbol + number.name + number.value">
            <th scope="row" class="figures">{{ number.symbol }}</th>
            <td>{{ number.name }}</td>
            <td class="figures">{{ number.value }}</td>
            <td class="source">{{ number.source }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="line in slip.lines" :key="line" class="figures line">{{ line }}</p>
      <p class="result">{{ slip.result }}</p>
      <p class="source">{{ slip.caution }}</p>
    </div>
  </div>
</template>

<style scoped>
.calculator {
  display: grid;
  gap: 12px;
}

.cells {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
}

.cells label {
  display: grid;
  gap: 2px;
  flex: 1 1 130px;
  font-size: 14px;
  font-weight: 600;
}

.cells input {
  font-weight: 400;
  width: 100%;
  min-width: 0;
}

.slip {
  padding: 12px 14px;
  background: var(--field);
  border: 1px solid var(--line-strong);
  border-top: 5px solid var(--moss);
}

.slip p {
  margin: 0;
}

.formula {
  font-size: 17px;
  font-weight: 700;
}

.source {
  font-size: 13px;
  color: var(--ink-soft);
}

table {
  border-collapse: collapse;
  margin: 8px 0;
  width: 100%;
}

th,
td {
  text-align: left;
  padding: 3px 8px 3px 0;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
  font-weight: 400;
  vertical-align: top;
}

.line {
  padding: 2px 0;
  font-size: 14px;
  overflow-wrap: anywhere;
}

.slip .result {
  margin: 8px 0 4px;
  font-weight: 700;
  font-size: 16px;
}
</style>
