<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, take, type HolderView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { say } from '../shared/say';
import { day, dayAndTime } from '../shared/when';
import Scrolls from '../shared/Scrolls.vue';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';

/** Who has had the released sheet in hands, whether they know of the bulletin, and by when it is to be looked at again. */
const draft = useDraft();
const revision = computed(() => draft.revision!);
const holders = ref<HolderView[] | null>(null);
const trouble = ref<Trouble | null>(null);
const by = ref('');
const busy = ref(false);
/** People, each once, whatever she has. */
const untold = computed(() => new Set((holders.value ?? []).filter((h) => h.told === false).map((h) => h.who)).size);
const WAYS = { opened: 'opened', printed: 'printed', saved: 'saved as a file' } as const;

watch(
  () => [revision.value.id, revision.value.bulletins.length, draft.held],
  async () => {
    try {
      holders.value = await take(api.GET('/api/revisions/{id}/holders', { params: { path: { id: revision.value.id } } }));
      trouble.value = null;
    } catch (error) {
      trouble.value = troubleOf(error);
    }
  },
  { immediate: true },
);
watch(
  () => revision.value.lookAgainBy,
  (set) => (by.value = set ?? ''),
  { immediate: true },
);

async function lookAgain(): Promise<void> {
  busy.value = true;
  try {
    await take(api.POST('/api/revisions/{id}/look-again', { params: { path: { id: revision.value.id } }, body: { by: by.value || null } }));
    trouble.value = null;
    say(by.value ? 'The day is set.' : 'There is no day any more.');
    await draft.refresh();
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section aria-labelledby="holders">
    <h2 id="holders">In whose hands</h2>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="holders && holders.length === 0" class="quiet">
      Nobody yet. Whoever opens it, prints it or saves it from now on stands here, and is written to when a bulletin comes out.
    </p>
    <p v-else-if="untold" class="untold">
      {{ untold === 1 ? 'One of them has' : `${untold} of them have` }} not opened it since the bulletin: tell them.
    </p>
    <Scrolls v-if="holders?.length" name="In whose hands">
      <table>
        <thead>
          <tr>
            <th scope="col">Who</th>
            <th scope="col">Revision</th>
            <th scope="col">How, and when last</th>
            <th v-if="revision.bulletins.length" scope="col">Knows of the bulletin</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in holders" :key="one.who + one.letter">
            <th scope="row">{{ one.who }}</th>
            <td>{{ one.letter }}</td>
            <td>
              <span v-for="way in one.ways" :key="way.kind" class="way">{{ WAYS[way.kind] }} {{ dayAndTime(way.last) }}</span>
            </td>
            <td v-if="revision.bulletins.length">
              {{ one.told ? 'has opened it since' : one.mailed ? 'was written to' : 'not that anybody knows' }}
            </td>
          </tr>
        </tbody>
      </table>
    </Scrolls>
    <form v-if="revision.may.withdraw" class="again" @submit.prevent="lookAgain">
      <label for="look-again">The sheet is to be looked at again by</label>
      <input id="look-again" v-model="by" class="plain" type="date" />
      <ActButton size="small" html-type="submit" :loading="busy" :disabled="by === (revision.lookAgainBy ?? '')">Keep</ActButton>
    </form>
    <p v-else-if="revision.lookAgainBy">The sheet is to be looked at again by {{ day(`${revision.lookAgainBy}T00:00`) }}.</p>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}

.again {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  margin: 12px 0 0;
}

.untold {
  margin: 6px 0;
  padding-left: 10px;
  border-left: 4px solid var(--ochre);
  font-weight: 600;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14.5px;
}

th,
td {
  padding: 5px 12px 5px 0;
  text-align: left;
  vertical-align: top;
  border-bottom: 1px solid var(--line);
}

thead th {
  color: var(--ink-soft);
}

.way {
  display: block;
  white-space: nowrap;
}

tbody th {
  font-weight: 600;
}
</style>
