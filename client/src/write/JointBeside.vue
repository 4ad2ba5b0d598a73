<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import type { Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { askFields, useFields } from '../shared/fields';
import JointPanel from '../joints/JointPanel.vue';
import Cell from '../joints/Cell.vue';
import { examples } from '../joints/examples';
import TroubleNote from '../shared/TroubleNote.vue';

/** A joint opened from its chip, beside the text: fastener, torque and source, and all else that is kept of it. */
const props = defineProps<{ id: string }>();
const draft = useDraft();
const fields = useFields();
const trouble = ref<Trouble | null>(null);
const joint = computed(() => draft.things.find((t) => t.id === props.id));
const facts = computed(() => draft.joints.find((j) => j.id === props.id));
const first = [
  { name: 'fastener', label: 'fastener' },
  { name: 'torque', label: 'torque' },
  { name: 'source', label: 'source of the value' },
];

onMounted(() => void askFields().catch((error: unknown) => (trouble.value = troubleOf(error))));
</script>

<template>
  <div class="beside">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="joint && fields.joint">
      <dl>
        <template v-for="field in first" :key="field.name">
          <dt>{{ field.label }}</dt>
          <dd>
            <Cell :thing="joint" :field="field.name" :label="`${field.label} of ${id}`" :choices="[]" :hint="examples[field.name] ?? ''" />
          </dd>
        </template>
      </dl>
      <JointPanel :joint="joint" :facts="facts" :fields="fields.joint" />
    </template>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 318px);
  gap: 12px 24px;
  margin-top: 8px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

@media (width <= 980px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
}

dl {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  align-content: start;
  margin: 0;
}

dt {
  padding: 7px 0;
  font-size: 13.5px;
  line-height: 18px;
  color: var(--ink-soft);
}

dd {
  margin: 0;
}
</style>
