<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, take, type ReachView, type ThingView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import TroubleNote from '../shared/TroubleNote.vue';

/** What must come off to reach a part, in the order it can, and why. */
const props = defineProps<{ part: ThingView | null }>();
const emit = defineEmits<{ close: [] }>();
const draft = useDraft();
useEscape(
  () => props.part !== null,
  () => emit('close'),
);
const reach = ref<ReachView | null>(null);
const trouble = ref<Trouble | null>(null);

watch(
  () => props.part,
  async (part) => {
    const id = draft.revision?.id;
    reach.value = null;
    trouble.value = null;
    if (!part || id === undefined) return;
    try {
      await draft.settled();
      reach.value = await take(api.GET('/api/revisions/{id}/reach/{part}', { params: { path: { id, part: part.id } } }));
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
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
