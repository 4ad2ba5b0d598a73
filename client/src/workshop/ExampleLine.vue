<script setup lang="ts">
import { computed } from 'vue';
import { holdUnits } from '../shared/units';
import { useSettings } from './settings';

/** A house rule at work on a sheet, as it would be with what is written now. */
const props = defineProps<{ rule: string }>();
const settings = useSettings();
const example = computed(() => settings.preview?.examples.find((e) => e.rule === props.rule));
const says = computed(() => holdUnits(example.value?.says ?? ''));
</script>

<template>
  <p v-if="example" class="example">
    <b v-if="example.sheet" class="figures">{{ example.sheet }}</b> {{ says }}
  </p>
</template>

<style scoped>
.example {
  margin: 3px 0 0;
  padding-left: 9px;
  border-left: 3px solid var(--ochre-mark);
  font-size: 14px;
}

b {
  font-size: 12.5px;
}
</style>
