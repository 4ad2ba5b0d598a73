<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { keptShelf } from '../outbox/database';
import { api, NotConnected, take, type ShelfRow, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useSession } from '../shared/session';
import { day } from '../shared/when';
import PlainBar from '../frame/PlainBar.vue';
import SeverityMark from '../shared/SeverityMark.vue';
import StateTag from '../shared/StateTag.vue';
import TroubleNote from '../shared/TroubleNote.vue';

const session = useSession();
const router = useRouter();
const rows = ref<ShelfRow[] | null>(null);
const words = ref('');
const trouble = ref<Trouble | null>(null);
const making = ref(false);
const number = ref('');
const title = ref('');
const platform = ref('');
const file = ref<HTMLInputElement | null>(null);
const busy = ref(false);

async function load(): Promise<void> {
  try {
    rows.value = await take(api.GET('/api/procedures', { params: { query: { q: words.value } } }));
    trouble.value = null;
  } catch (error) {
    trouble.value = troubleOf(error);
    // Without a connection: what was opened lately can be opened again.
    if (!(error instanceof NotConnected) || !session.view?.id) return;
    rows.value = await keptShelf(session.view.id).catch(() => []);
    trouble.value = {
      ...trouble.value,
      detail: 'These sheets were opened lately in this browser and can be read and written on; what you type is sent later.',
    };
  }
}

onMounted(load);
watchDebounced(words, load, { debounce: 120 });

async function attempt(work: () => Promise<{ revisionId: number }>): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    const opened = await work();
    await router.push({ name: 'write', params: { id: opened.revisionId } });
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}

const create = (): Promise<void> =>
  attempt(() => take(api.POST('/api/procedures', { body: { number: number.value, title: title.value, platform: platform.value } })));

async function readFile(event: Event): Promise<void> {
  const chosen = (event.target as HTMLInputElement).files?.[0];
  if (!chosen) return;
  const text = await chosen.text();
  await attempt(() =>
    take(
      api.POST('/api/procedures/file', {
        body: text as never,
        bodySerializer: (body) => body as never,
        headers: { 'Content-Type': 'application/json' },
      }),
    ),
  );
  if (file.value) file.value.value = '';
}
</script>

<template>
  <PlainBar />
  <main class="shelf">
    <div class="head">
      <h1>Shelf</h1>
      <input
        v-model="words"
        class="plain search"
        type="search"
        aria-label="Search the shelf"
        placeholder="number, title, vehicle, author"
        maxlength="200"
      />
      <template v-if="session.is('author')">
        <a-button @click="file?.click()">From a file</a-button>
        <a-button type="primary" @click="making = !making">New procedure</a-button>
        <input
          ref="file"
          type="file"
          accept="application/json,.json"
          class="visually-hidden"
          tabindex="-1"
          aria-label="Procedure file"
          @change="readFile"
        />
      </template>
    </div>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <form v-if="making" class="new" @submit.prevent="create">
      <div class="field">
        <label for="number">Number</label>
        <input id="number" v-model="number" class="plain figures" placeholder="OT-120" required maxlength="40" autofocus />
      </div>
      <div class="field wide">
        <label for="title">What the job is</label>
        <input id="title" v-model="title" class="plain" placeholder="Rear wheel spacers" required maxlength="200" />
      </div>
      <div class="field wide">
        <label for="platform">Vehicle</label>
        <input id="platform" v-model="platform" class="plain" placeholder="Orchard tractor T28" maxlength="200" />
      </div>
      <a-button type="primary" html-type="submit" :loading="busy">Begin</a-button>
    </form>
    <table v-if="rows && rows.length">
      <thead>
        <tr>
          <th scope="col">Number</th>
          <th scope="col">Procedure</th>
          <th scope="col">Revision</th>
          <th scope="col">Steps</th>
          <th scope="col">Open findings</th>
          <th scope="col">Who has it</th>
          <th scope="col">Changed</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.revisionId">
          <td class="figures">{{ row.number }}</td>
          <td>
            <router-link
              :to="{
                name: row.state === 'released' ? 'print' : row.state === 'in review' ? 'review' : 'write',
                params: { id: row.revisionId },
              }"
              class="title"
              >{{ row.title }}</router-link
            >
            <span class="quiet platform">{{ row.platform }}</span>
          </td>
          <td><StateTag :state="row.state" :letter="row.letter" /></td>
          <td class="figures">{{ row.steps }}</td>
          <td class="counts">
            <span v-if="row.stops"><SeverityMark severity="stop" /> {{ row.stops }}</span>
            <span v-if="row.warnings"><SeverityMark severity="warn" /> {{ row.warnings }}</span>
            <span v-if="!row.stops && !row.warnings" class="quiet">none</span>
          </td>
          <td>{{ row.who }}</td>
          <td class="quiet">{{ day(row.changedAt) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="rows && words" class="empty">Nothing on the shelf has “{{ words }}” in its number, title, vehicle or author.</p>
    <p v-else-if="rows" class="empty">
      The shelf is empty.
      <template v-if="session.is('author')">Begin with “New procedure”: give it a number and say what the job is.</template>
      <template v-else>What is released will stand here.</template>
    </p>
    <p v-else-if="!trouble" class="quiet" role="status">Looking …</p>
  </main>
</template>

<style scoped>
.shelf {
  max-width: 1180px;
  margin: 0 auto;
  padding: 30px 32px;
}

.head {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-bottom: 18px;
}

.head h1 {
  font-size: 38px;
  margin-right: 14px;
}

.search {
  flex: 1;
  height: 34px;
}

.new {
  display: flex;
  align-items: end;
  gap: 14px;
  padding: 14px 0 2px;
  margin-bottom: 14px;
  border-top: 1px solid var(--line-strong);
  border-bottom: 1px solid var(--line-strong);
}

.new .wide {
  flex: 1;
}

.new > .ant-btn {
  margin-bottom: 13px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  text-align: left;
  font: 600 16px/1 var(--heading);
  color: var(--ink-soft);
  padding: 6px 12px 6px 0;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 11px 12px 11px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}

tbody tr:hover {
  background: var(--sheet);
}

.title {
  display: block;
  font: 600 20px/1.2 var(--heading);
  color: var(--ink);
  text-decoration-color: var(--moss);
}

.platform {
  font-size: 13px;
}

.counts {
  font-weight: 600;
}

.counts .quiet {
  font-weight: 400;
}

.counts span + span {
  margin-left: 10px;
}

.empty {
  padding: 40px 0;
  font-size: 17px;
}
</style>
