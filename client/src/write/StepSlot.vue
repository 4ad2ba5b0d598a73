<script setup lang="ts">
import { computed, ref } from 'vue';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { useInSight } from './inSight';
import StepEditor from './StepEditor.vue';

/**
 * The place of a step on a long sheet: its editor while it is in sight or the cursor is in it, else its text alone, so that a
 * sheet of a thousand steps opens and types like a short one and the browser’s search still finds every word.
 */
const props = defineProps<{ id: string }>();
defineEmits<{ block: [] }>();
const draft = useDraft();
const cursor = useCursor();
const box = ref<HTMLElement | null>(null);
const inSight = useInSight(box);
const whole = computed(() => inSight.value || cursor.step === props.id);
</script>

<template>
  <div ref="box" class="slot">
    <StepEditor v-if="whole" :id="id" @block="$emit('block')" />
    <article v-else class="far" :data-step="id" @click="cursor.goTo(id)">{{ draft.textOf(id) }}</article>
  </div>
</template>

<style scoped>
.far {
  min-height: 62px;
  padding: 5px 40px 6px 47px;
  font: 17px/25px var(--text);
  white-space: pre-wrap;
}
</style>
