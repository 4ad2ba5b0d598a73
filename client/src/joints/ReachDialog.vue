<script setup lang="ts">
import { api, take, type ThingView } from '../shared/api/client';
import { useAsked } from '../shared/asked';
import { useEscape } from '../shared/escape';
import TroubleNote from '../shared/TroubleNote.vue';

/** What must come off to reach a part, in the order it can, and why. */
const props = defineProps<{ part: ThingView | null }>();
const emit = defineEmits<{ close: [] }>();
useEscape(
  () => props.part !== null,
  () => emit('close'),
);
const { answer: reach, trouble } = useAsked(
  () => props.part?.id ?? null,
  (id, part) => take(api.GET('/api/revisions/{id}/reach/{part}', { params: { path: { id, part } } })),
);
</script>

<template>
  <a-modal
    :open="part !== null"
    :title="part ? `To reach ${part.id} ${part.name}` : ''"
    :width="520"
    :footer="null"
    @cancel="emit('close')"
  >
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="reach">
      <p v-if="reach.circle" role="alert">{{ reach.circle }}</p>
      <template v-else>
        <p>{{ reach.why || 'Nothing holds or covers it: it comes off first.' }}</p>
        <ol v-if="reach.order.length > 1">
          <li v-for="label in reach.order" :key="label">{{ label }}</li>
        </ol>
        <p class="quiet">From what each joint holds and what each part is behind; nothing else must come off.</p>
      </template>
    </template>
  </a-modal>
</template>

<style scoped>
ol {
  font-size: 16px;
}
</style>
