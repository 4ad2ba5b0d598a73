<script setup lang="ts">
import { ref, watch } from 'vue';
import { readDay } from '../shared/dayText';
import { day } from '../shared/when';

/** A day, written as one says it: what was read stands beside it, and what could be two days is asked. */
const iso = defineModel<string>({ required: true });
defineProps<{ label: string }>();
const text = ref(iso.value ? day(iso.value) : '');
const problem = ref('');
const picker = ref<HTMLInputElement | null>(null);

watch(iso, (now) => {
  if (now) text.value = day(`${now}T12:00:00`);
});

function read(): void {
  problem.value = '';
  if (text.value.trim() === '') {
    iso.value = '';
    return;
  }
  const said = readDay(text.value, new Date());
  if ('problem' in said) problem.value = said.problem;
  else {
    iso.value = said.iso;
    text.value = day(`${said.iso}T12:00:00`);
  }
}
</script>

<template>
  <div class="day">
    <label
      >{{ label }}
      <input
        v-model="text"
        class="plain"
        placeholder="4 Dec, Friday"
        autocomplete="off"
        maxlength="40"
        :aria-invalid="problem !== '' || undefined"
        :aria-describedby="problem ? 'day-problem' : undefined"
        @change="read"
        @keydown.enter.prevent="read"
    /></label>
    <button type="button" class="link" aria-label="Choose the day in a calendar" @click="picker?.showPicker()">calendar</button>
    <input ref="picker" v-model="iso" type="date" class="visually-hidden" tabindex="-1" aria-hidden="true" />
    <p v-if="problem" id="day-problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.day {
  position: relative;
  text-align: right;
}

label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}

input.plain {
  width: 140px;
}

.link {
  min-height: 26px;
}

p {
  margin: 4px 0 0;
  text-align: left;
  font-size: 14px;
  color: var(--clay-ink);
}

@media print {
  .link {
    display: none;
  }
}
</style>
