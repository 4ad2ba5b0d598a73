<script setup lang="ts">
import { computed, ref } from 'vue';
import type { FieldView, JointView, ThingView } from '../shared/api/client';
import { useDraft } from '../shared/draft';
import FindingLine from '../shared/FindingLine.vue';
import PatternDrawing from '../shared/PatternDrawing.vue';
import Cell from './Cell.vue';
import { examples } from './examples';
import KeptValueDialog from './KeptValueDialog.vue';
import PatternPlacer from './PatternPlacer.vue';
import SlipDrawer from './SlipDrawer.vue';
import ActButton from '../shared/ActButton.vue';

/** Everything about the joint whose row is under the cursor: what was found, its pattern, what the arithmetic says, its other fields. */
const props = defineProps<{ joint: ThingView; facts: JointView | undefined; fields: FieldView[] }>();
const draft = useDraft();
const slipsOpen = ref(false);
const placing = ref(false);
const taking = ref(false);
const count = computed(() => Number(props.joint.fields.count ?? 1));
// As sheets that have the same are found by.
const like = computed(() => [props.joint.fields.fastener, props.joint.fields.torque].filter(Boolean).join(' '));
const findings = computed(() => draft.findings.filter((f) => f.thing === props.joint.id));
const letGo = (): void =>
  void draft.send({ do: 'setField', id: props.joint.id, field: 'kept', before: props.joint.fields.kept ?? '', after: '' });
const lay = (pattern: string): void =>
  void draft.send({ do: 'setField', id: props.joint.id, field: 'pattern', before: props.joint.fields.pattern ?? '', after: pattern });
const order = [
  'treatment',
  'pattern',
  'tell',
  'stated',
  'condition',
  'heldBy',
  'stack',
  'into',
  'adapter',
  'variants',
  'reuse',
  'becomes',
  'locking',
  'mark',
  'holds',
  'origin',
  'justification',
];
const rows = computed(() => order.map((name) => props.fields.find((f) => f.name === name)).filter((f) => f !== undefined));
</script>

<template>
  <aside class="panel" :aria-label="`About ${joint.id}`">
    <h2>
      <span class="figures">{{ joint.id }}</span> {{ joint.name }}
    </h2>
    <p class="quiet where">
      <template v-if="joint.steps.length">Step{{ joint.steps.length > 1 ? 's' : '' }} {{ joint.steps.join(', ') }}.</template>
      <template v-else>No step uses it.</template>
      <button
        v-if="draft.canEdit && joint.steps.length === 0"
        type="button"
        class="link"
        @click="draft.send({ do: 'removeThing', id: joint.id })"
      >
        Delete {{ joint.id }}
      </button>
    </p>
    <FindingLine v-for="finding in findings" :key="finding.key ?? ''" :finding="finding" />
    <div v-if="facts?.pattern" class="pattern">
      <PatternDrawing :places="facts.pattern.places" :order="facts.pattern.order" :size="132" :name="joint.name" />
      <ol>
        <li v-for="pass in facts.pattern.passes" :key="pass">{{ pass }}</li>
      </ol>
    </div>
    <ul class="notes">
      <li v-for="note in facts?.notes ?? []" :key="note">{{ note }}</li>
      <li v-for="why in facts?.wrench?.name ? [] : (facts?.wrench?.whyNot ?? [])" :key="why">{{ why }}.</li>
      <li v-if="facts?.wrench?.overdue">{{ facts.wrench.overdue }}.</li>
    </ul>
    <p v-if="joint.fields.kept" class="where">
      Has the kept value
      <router-link :to="{ name: 'uses', query: { kind: 'value', q: joint.fields.kept } }">{{ joint.fields.kept }}</router-link>.
      <button v-if="draft.canEdit" type="button" class="link" @click="letGo">Its value is this sheet’s own</button>
    </p>
    <p v-if="like || joint.fields.source" class="quiet where">
      Where else:
      <router-link v-if="like" :to="{ name: 'uses', query: { kind: 'joint', q: like } }">this fastener and value</router-link>
      <template v-if="like && joint.fields.source">, </template>
      <router-link v-if="joint.fields.source" :to="{ name: 'uses', query: { kind: 'source', q: joint.fields.source } }"
        >its source</router-link
      >.
    </p>
    <div class="work">
      <ActButton v-if="draft.canEdit" size="small" @click="taking = true">Take a kept value</ActButton>
      <ActButton size="small" @click="slipsOpen = true">Work it out on a slip</ActButton>
      <ActButton v-if="draft.canEdit && count > 1" size="small" @click="placing = true">Place them freely</ActButton>
    </div>
    <dl>
      <template v-for="field in rows" :key="field.name">
        <dt>{{ field.label }}</dt>
        <dd>
          <Cell
            :thing="joint"
            :field="field.name"
            :label="`${field.label} of ${joint.id}`"
            :choices="field.choices"
            :hint="examples[field.name] ?? ''"
          />
        </dd>
      </template>
    </dl>
    <PatternPlacer v-model:open="placing" :count="count" :pattern="joint.fields.pattern ?? ''" :name="joint.name" @place="lay" />
    <KeptValueDialog v-model:open="taking" :joint="joint" />
    <SlipDrawer v-model:open="slipsOpen" :joint="joint" />
  </aside>
</template>

<style scoped>
.panel {
  position: sticky;
  top: 0;
  align-self: start;
  padding: 12px 14px 16px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-top: 5px solid var(--moss);
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}

.where {
  margin: 0;
  font-size: 14px;
}

.pattern {
  display: flex;
  gap: 10px;
  align-items: center;
}

.pattern svg {
  flex: none;
}

ol {
  margin: 0;
  padding-left: 20px;
  font-size: 13.5px;
  line-height: 1.35;
}

.notes {
  margin: 0;
  padding-left: 16px;
  font-size: 13.5px;
  line-height: 1.4;
}

.notes li + li {
  margin-top: 3px;
}

.work {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

dl {
  display: grid;
  grid-template-columns: 118px 1fr;
  margin: 4px 0 0;
  border-top: 1px solid var(--line-strong);
}

dt,
dd {
  min-height: 30px;
  margin: 0;
  font-size: 13.5px;
}

dt {
  padding: 7px 0;
  line-height: 18px;
  color: var(--ink-soft);
}

dd :deep(textarea),
dd :deep(select) {
  min-height: 29px;
}

.link {
  color: var(--clay);
}
</style>
