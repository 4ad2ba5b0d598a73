<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { api, take, type PaperTicket, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { save } from '../shared/save';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';

/** The sheet as a PDF made by the server, where it has a browser that prints: asked for, waited for in its place, saved. */
const props = defineProps<{ revision: number; walkAs: string; paper: 'A4' | 'Letter'; layout: 'sheet' | 'card' }>();

const can = ref(false);
const ticket = ref<PaperTicket | null>(null);
const trouble = ref<Trouble | null>(null);
const busy = ref(false);
let gone = false;
onBeforeUnmount(() => (gone = true));

onMounted(async () => {
  try {
    can.value = (await take(api.GET('/api/paper'))).can;
  } catch {
    // Without an answer there is still Print.
  }
});

const says = computed(() => {
  if (!busy.value) return '';
  const ahead = ticket.value?.ahead ?? 0;
  if (ticket.value?.state === 'printing' || ahead === 0) return 'The PDF is being made …';
  return ahead === 1 ? 'One sheet is printed before yours …' : `${ahead} sheets are printed before yours …`;
});

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

async function make(): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    ticket.value = await take(
      api.POST('/api/revisions/{id}/pdf', {
        params: { path: { id: props.revision }, query: { paper: props.paper, layout: props.layout, as: props.walkAs } },
      }),
    );
    while (!gone && ['waiting', 'printing'].includes(ticket.value.state)) {
      await pause(500);
      ticket.value = await take(api.GET('/api/pdf/{ticket}', { params: { path: { ticket: ticket.value.ticket } } }));
    }
    if (gone) return;
    if (ticket.value.problem) trouble.value = { status: 409, title: ticket.value.problem.what, detail: ticket.value.problem.whatToDo };
    else save(`/api/pdf/${ticket.value.ticket}/file`);
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <template v-if="can">
    <ActButton type="primary" :disabled="busy" @click="make">PDF</ActButton>
    <span role="status" class="says">{{ says }}</span>
    <TroubleNote v-if="trouble" :trouble="trouble" />
  </template>
</template>

<style scoped>
.says:empty {
  display: none;
}
</style>
