<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, take, type RefitView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useEscape } from '../shared/escape';
import TroubleNote from '../shared/TroubleNote.vue';

/** The refit the core proposes from a removal: looked at first, then written in one edit that one undo takes back. */
const open = defineModel<boolean>('open', { required: true });
const props = defineProps<{ phase: { id: string; name: string } }>();
const draft = useDraft();
useEscape(
  () => open.value,
  () => (open.value = false),
);
const refit = ref<RefitView | null>(null);
const trouble = ref<Trouble | null>(null);
const busy = ref(false);

watch(
  open,
  async (now) => {
    const id = draft.revision?.id;
    if (!now || id === undefined) return;
    refit.value = null;
    trouble.value = null;
    try {
      await draft.settled();
      refit.value = await take(api.GET('/api/revisions/{id}/refit', { params: { path: { id }, query: { phase: props.phase.id } } }));
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
  { immediate: true },
);

async function write(): Promise<void> {
  if (!refit.value?.edit) return;
  busy.value = true;
  await draft.sendAndSettle(refit.value.edit);
  busy.value = false;
  open.value = false;
}
</script>

<template>
  <a-modal v-model:open="open" :title="`The refit, from “${phase.name}” in reverse`" :width="760" :footer="null">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="refit">
      <p v-if="!refit.steps.length">
        There is nothing to put back: nothing is off, slack or open when this phase ends, or later steps put it back already. Write the
        removal first, or choose the phase it ends in.
      </p>
      <template v-else>
        <p class="quiet">
          What is still off, slack or open when this phase ends, put back the other way round; what later steps put back already stays as it
          is. Move what goes on at another time, and take out what this job leaves off.
        </p>
        <ol>
          <li v-for="(step, i) in refit.steps" :key="i">{{ step }}</li>
        </ol>
        <div class="foot">
          <a-button type="primary" :loading="busy" @click="write">
            Write {{ refit.steps.length }} step{{ refit.steps.length === 1 ? '' : 's' }} into “{{ refit.into }}”
          </a-button>
          <span class="quiet">One undo takes them back.</span>
        </div>
      </template>
    </template>
  </a-modal>
</template>

<style scoped>
ol {
  max-height: 52vh;
  overflow: auto;
  margin: 0;
  padding: 8px 14px 8px 42px;
  background: #fff;
  border: 1px solid var(--line-strong);
  font-size: 15.5px;
}

li {
  padding: 4px 0;
}

li + li {
  border-top: 1px solid var(--line);
}

.foot {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-top: 12px;
}
</style>
