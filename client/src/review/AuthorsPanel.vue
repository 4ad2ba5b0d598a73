<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type Someone, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { useSession } from '../shared/session';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';

/** Whose procedure it is: the owner, who writes along, who asks to; given and taken back by the owner. */
const draft = useDraft();
const session = useSession();
const trouble = ref<Trouble | null>(null);
const people = ref<Someone[]>([]);
const chosen = ref('');
const board = computed(() => draft.revision!.authors);
const may = computed(() => draft.revision!.may);
const procedure = computed(() => draft.revision!.procedureId);
const free = computed(() => people.value.filter((p) => p.id !== board.value.owner.id && !board.value.coAuthors.some((c) => c.id === p.id)));

watch(
  () => may.value.give,
  async (give) => {
    if (!give) return;
    try {
      people.value = await take(api.GET('/api/people/authors'));
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
  { immediate: true },
);

async function attempt(work: () => Promise<unknown>): Promise<void> {
  trouble.value = null;
  try {
    await work();
    chosen.value = '';
  } catch (error) {
    trouble.value = troubleOf(error);
  }
  await draft.refresh().catch(() => undefined);
}

const path = computed(() => ({ params: { path: { procedure: procedure.value } } }));
const give = (person: string): Promise<void> =>
  attempt(() => take(api.POST('/api/procedures/{procedure}/authors', { ...path.value, body: { person } })));
const handOver = (person: string): Promise<void> =>
  attempt(() => take(api.POST('/api/procedures/{procedure}/owner', { ...path.value, body: { person } })));
const takeBack = (person: string): Promise<void> =>
  attempt(() =>
    take(api.DELETE('/api/procedures/{procedure}/authors/{person}', { params: { path: { procedure: procedure.value, person } } })),
  );
const ask = (): Promise<void> => attempt(() => take(api.POST('/api/procedures/{procedure}/ask', path.value)));
const asks = computed(() => board.value.asks.some((a) => a.id === session.view?.id));
</script>

<template>
  <section aria-labelledby="authors">
    <h2 id="authors">Who writes it</h2>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <ul class="people">
      <li>
        <strong>{{ board.owner.name }}</strong> <span class="quiet">owner</span>
      </li>
      <li v-for="who in board.coAuthors" :key="who.id">
        {{ who.name }} <span class="quiet">co-author</span>
        <template v-if="may.give">
          <button type="button" class="link" :aria-label="`Hand over to ${who.name}`" @click="handOver(who.id)">hand over</button>
          <button type="button" class="link" :aria-label="`Take back from ${who.name}`" @click="takeBack(who.id)">take back</button>
        </template>
        <button v-else-if="who.id === session.view?.id" type="button" class="link" @click="takeBack(who.id)">leave it</button>
      </li>
      <li v-for="who in board.asks" :key="who.id" class="asks">
        {{ who.name }} <span class="quiet">asks to write along</span>
        <template v-if="may.give">
          <button type="button" class="link" :aria-label="`Let write along: ${who.name}`" @click="give(who.id)">let write along</button>
          <button type="button" class="link" :aria-label="`Decline ${who.name}`" @click="takeBack(who.id)">decline</button>
        </template>
      </li>
    </ul>
    <form v-if="may.give && free.length" class="give" @submit.prevent="chosen && give(chosen)">
      <select v-model="chosen" class="plain" aria-label="Author to write along">
        <option value="">an author …</option>
        <option v-for="who in free" :key="who.id" :value="who.id">{{ who.name }}</option>
      </select>
      <ActButton size="small" html-type="submit" :disabled="!chosen">Let write along</ActButton>
    </form>
    <p v-if="may.ask && !asks"><ActButton size="small" @click="ask">Ask to write along</ActButton></p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 26px;
}

.people {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}

li {
  padding: 2px 0;
}

.asks {
  padding-left: 8px;
  border-left: 3px solid var(--ochre-mark);
}

.give {
  display: flex;
  gap: 8px;
  align-items: center;
}

.link {
  padding-left: 8px;
}
</style>
