<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type JointSlipView, type Slip, type ThingView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import CalculatorSlip from '../slips/CalculatorSlip.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';

/** The slips of a joint: its numbers in the cells, what changes when one is changed, kept as the value's justification. */
const open = defineModel<boolean>('open', { required: true });
const props = defineProps<{ joint: ThingView }>();
const draft = useDraft();
const slips = ref<JointSlipView[]>([]);
const chosen = ref<string | null>(null);
const slip = ref<Slip | null>(null);
const trouble = ref<Trouble | null>(null);
const current = computed(() => slips.value.find((s) => s.id === chosen.value) ?? slips.value[0]);
const summary = computed(() => slip.value?.summary ?? '');
const kept = computed(() => props.joint.fields.justification ?? '');

watch(
  open,
  async (now) => {
    if (!now || !draft.revision) return;
    trouble.value = null;
    try {
      slips.value = await take(
        api.GET('/api/revisions/{id}/slips/{joint}', { params: { path: { id: draft.revision.id, joint: props.joint.id } } }),
      );
      chosen.value = slips.value[0]?.id ?? null;
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
  { immediate: true },
);

useEscape(
  () => open.value,
  () => (open.value = false),
);

const keep = (): void =>
  void draft.send({ do: 'setField', id: props.joint.id, field: 'justification', before: kept.value, after: summary.value });
</script>

<template>
  <a-drawer v-model:open="open" :title="`Slips of ${joint.id} ${joint.name}`" :width="620">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="!slips.length && !trouble">Give the joint a fastener and a torque first: the slips begin from them.</p>
    <div class="tabs" role="group" aria-label="Questions">
      <button v-for="one in slips" :key="one.id" type="button" :aria-pressed="one.id === current?.id" @click="chosen = one.id">
        {{ one.title }}
      </button>
    </div>
    <CalculatorSlip v-if="current" :key="current.id" :calculator="current" @worked="slip = $event" />
    <div v-if="draft.canEdit && slip" class="keep">
      <ActButton type="primary" :disabled="summary === kept" @click="keep">Keep as the value’s justification</ActButton>
      <span v-if="kept && summary === kept" class="quiet">Kept.</span>
      <span v-else-if="kept" class="quiet">In place of the one that is kept.</span>
    </div>
  </a-drawer>
</template>

<style scoped>
.tabs {
  display: grid;
  gap: 1px;
  margin-bottom: 14px;
}

.tabs button {
  font: inherit;
  text-align: left;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  padding: 5px 8px;
  cursor: pointer;
}

.tabs button:hover {
  background: var(--moss-pale);
}

.tabs button[aria-pressed='true'] {
  font-weight: 700;
  box-shadow: inset 4px 0 0 var(--moss);
  padding-left: 14px;
}

.keep {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-top: 14px;
}
</style>
