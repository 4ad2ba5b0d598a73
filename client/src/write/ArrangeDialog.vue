<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, take, type Edit, type Mirror, type RemovalSort, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import TroubleNote from '../shared/TroubleNote.vue';

/** What the core would do to a whole phase: sort its removal, or write it again for the other side. Looked at first, then done in one edit. */
const props = defineProps<{ phase: { id: string; name: string }; what: 'sort' | 'mirror' }>();
const emit = defineEmits<{ close: [] }>();
const draft = useDraft();
useEscape(
  () => true,
  () => emit('close'),
);
const sorted = ref<RemovalSort | null>(null);
const mirror = ref<Mirror | null>(null);
const trouble = ref<Trouble | null>(null);
const busy = ref(false);

watch(
  () => props.phase.id,
  async () => {
    const id = draft.revision?.id;
    if (id === undefined) return;
    const call = { params: { path: { id }, query: { phase: props.phase.id } } };
    try {
      await draft.settled();
      if (props.what === 'sort') sorted.value = await take(api.GET('/api/revisions/{id}/sort', call));
      else mirror.value = await take(api.GET('/api/revisions/{id}/mirror', call));
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
  { immediate: true },
);

async function write(edit: Edit | null | undefined): Promise<void> {
  if (!edit) return;
  busy.value = true;
  await draft.sendAndSettle(edit);
  emit('close');
}
</script>

<template>
  <a-modal
    :open="true"
    :title="what === 'sort' ? `Sort “${phase.name}”` : `“${phase.name}” for the other side`"
    :width="720"
    :footer="null"
    @cancel="emit('close')"
  >
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="sorted">
      <p v-if="!sorted.moves.length">The order is good: nothing in this phase comes off before what holds or covers it.</p>
      <template v-else>
        <ol class="moves">
          <li v-for="move in sorted.moves" :key="move.step">
            Step <b class="figures">{{ move.from }}</b> goes to <b class="figures">{{ move.to }}</b>: {{ move.why }}.
          </li>
        </ol>
        <div class="foot">
          <a-button type="primary" :loading="busy" @click="write(sorted.edit)"
            >Move {{ sorted.moves.length }} step{{ sorted.moves.length === 1 ? '' : 's' }}</a-button
          >
          <span class="quiet">One undo takes it back.</span>
        </div>
      </template>
    </template>
    <template v-if="mirror">
      <p v-if="!mirror.edit">
        Nothing in this phase is left or right: there is nothing to mirror. Where the sides are the same, one phase does for both.
      </p>
      <template v-else>
        <p class="quiet">
          Left and right change places, in a new phase “{{ mirror.name }}”.
          <template v-if="mirror.things.length">New on the sheet: {{ mirror.things.join(', ') }}, with the fields of their twins.</template>
          Mark what differs.
        </p>
        <ol class="moves">
          <li v-for="(step, i) in mirror.steps" :key="i">{{ step }}</li>
        </ol>
        <div class="foot">
          <a-button type="primary" :loading="busy" @click="write(mirror.edit)"
            >Write {{ mirror.steps.length }} step{{ mirror.steps.length === 1 ? '' : 's' }}</a-button
          >
          <span class="quiet">One undo takes them back.</span>
        </div>
      </template>
    </template>
  </a-modal>
</template>

<style scoped>
.moves {
  max-height: 50vh;
  overflow: auto;
  margin: 0;
  padding: 8px 14px 8px 42px;
  background: #fff;
  border: 1px solid var(--line-strong);
  white-space: pre-line;
}

.foot {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-top: 12px;
}
</style>
