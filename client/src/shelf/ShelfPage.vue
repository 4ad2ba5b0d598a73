<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { keptShelf } from '../outbox/database';
import { api, NotConnected, take, type ShelfFilters, type ShelfPage, type Trouble, type Written } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { note } from '../shared/address';
import { isPacked, toBase64 } from '../shared/bytes';
import { useSession } from '../shared/session';
import { several } from '../shared/several';
import { day } from '../shared/when';
import PlainBar from '../frame/PlainBar.vue';
import SeverityMark from '../shared/SeverityMark.vue';
import BroughtIn from './BroughtIn.vue';
import DeskStrip from './DeskStrip.vue';
import ShelfFilterBar from './ShelfFilterBar.vue';
import { asked, inAddress, type Asked } from './asking';
import StateTag from '../shared/StateTag.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';
import { vFocus } from '../shared/focus';

const session = useSession();
const router = useRouter();
const route = useRoute();
const shelf = ref<ShelfPage | null>(null);
const filters = ref<ShelfFilters | null>(null);
const words = ref('');
const trouble = ref<Trouble | null>(null);
const making = ref(false);
const number = ref('');
const title = ref('');
const platform = ref('');
const file = ref<HTMLInputElement | null>(null);
const busy = ref(false);
// What stands above the list comes first: a list that is shown does not jump.
const isDeskSettled = ref(false);
const areFiltersSettled = ref(false);
const isOpened = computed(() => isDeskSettled.value && areFiltersSettled.value);

// What is looked for stands in the address: Back returns to it, and it can be sent to somebody.
const now = computed(() => asked(route.query));
const rows = computed(() => (isOpened.value ? (shelf.value?.rows ?? null) : null));
const isNarrowed = computed(() => Object.keys(inAddress({ ...now.value, page: 1, sort: 'changed' })).length > 0);
const ask = (change: Partial<Asked>): void => void router.replace({ query: inAddress({ ...now.value, page: 1, ...change }) });

let asks = 0;
async function load(): Promise<void> {
  const mine = ++asks;
  try {
    const page = await take(api.GET('/api/procedures', { params: { query: now.value } }));
    // Typed on meanwhile: only the last answer counts.
    if (mine !== asks) return;
    shelf.value = page;
    trouble.value = null;
  } catch (error) {
    if (mine !== asks) return;
    trouble.value = troubleOf(error);
    // Without a connection: what was opened lately can be opened again.
    if (!(error instanceof NotConnected) || !session.view?.id) return;
    const kept = await keptShelf(session.view.id).catch(() => []);
    shelf.value = { rows: kept, total: kept.length, page: 1, pages: 1 };
    trouble.value = {
      ...trouble.value,
      detail: 'These sheets were opened lately in this browser and can be read and written on; what you type is sent later.',
    };
  }
}

onMounted(async () => {
  words.value = now.value.q;
  filters.value = await take(api.GET('/api/procedures/filters')).catch(() => null);
  areFiltersSettled.value = true;
});
watch(now, load, { immediate: true });
watch(
  () => now.value.q,
  (q) => (words.value = q),
);
watchDebounced(words, (q) => q !== now.value.q && note(router, inAddress({ ...now.value, page: 1, q })), { debounce: 150 });

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

/** A text that is to become a procedure, and what it would become. */
const brought = ref<{ name: string; bytes: string; written: Written } | null>(null);

const create = (): Promise<void> =>
  attempt(() => {
    const head = { number: number.value, title: title.value, platform: platform.value };
    return take(
      brought.value
        ? api.POST('/api/procedures/written', { body: { ...head, file: brought.value.bytes } })
        : api.POST('/api/procedures', { body: head }),
    );
  });

function begin(): void {
  making.value = brought.value !== null || !making.value;
  brought.value = null;
}

/** Its own file is opened at once; of a text is shown first what it would become. */
async function readFile(event: Event): Promise<void> {
  const chosen = (event.target as HTMLInputElement).files?.[0];
  if (!chosen) return;
  const bytes = new Uint8Array(await chosen.arrayBuffer());
  const text = isPacked(bytes) ? '' : new TextDecoder().decode(bytes);
  if (text.trimStart().startsWith('{')) {
    await attempt(() =>
      take(
        api.POST('/api/procedures/file', {
          body: text as never,
          bodySerializer: (body) => body as never,
          headers: { 'Content-Type': 'application/json' },
        }),
      ),
    );
  } else await look(chosen.name, toBase64(bytes));
  if (file.value) file.value.value = '';
}

async function look(name: string, bytes: string): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    const written = await take(api.POST('/api/procedures/written/preview', { body: { file: bytes } }));
    brought.value = { name, bytes, written };
    [number.value, title.value, platform.value] = [written.number, written.title, written.platform];
    making.value = true;
  } catch (error) {
    brought.value = null;
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <PlainBar />
  <main id="main" class="shelf">
    <div class="head">
      <h1>Shelf</h1>
      <input
        v-model="words"
        class="plain search"
        type="search"
        aria-label="Search the shelf"
        placeholder="number, title, vehicle, author, words of a step"
        maxlength="200"
      />
      <template v-if="session.is('author')">
        <ActButton :loading="busy && !making" @click="file?.click()">From a file</ActButton>
        <ActButton type="primary" @click="begin">New procedure</ActButton>
        <input
          ref="file"
          type="file"
          accept="application/json,text/plain,text/markdown,.json,.md,.markdown,.txt,.docx"
          class="visually-hidden"
          tabindex="-1"
          aria-label="Procedure file"
          @change="readFile"
        />
      </template>
    </div>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <DeskStrip @settled="isDeskSettled = true" />
    <form v-if="making" class="new" @submit.prevent="create">
      <div class="field">
        <label for="number">Number</label>
        <input id="number" v-model="number" v-focus class="plain figures" placeholder="OT-120" required maxlength="40" />
      </div>
      <div class="field wide">
        <label for="title">What the job is</label>
        <input id="title" v-model="title" class="plain" placeholder="Rear wheel spacers" required maxlength="200" />
      </div>
      <div class="field wide">
        <label for="platform">Vehicle</label>
        <input id="platform" v-model="platform" class="plain" placeholder="Orchard tractor T28" maxlength="200" />
      </div>
      <ActButton type="primary" html-type="submit" :loading="busy">{{ brought ? 'Bring it in' : 'Begin' }}</ActButton>
    </form>
    <BroughtIn v-if="making && brought" :name="brought.name" :written="brought.written" />
    <ShelfFilterBar v-if="filters && isDeskSettled" :filters="filters" :asked="now" @ask="ask" />
    <table v-if="shelf && rows && rows.length">
      <thead>
        <tr>
          <th scope="col" :aria-sort="now.sort === 'number' ? 'ascending' : undefined">
            <button type="button" class="sort" @click="ask({ sort: now.sort === 'number' ? 'changed' : 'number' })">
              Number<span v-if="now.sort === 'number'" aria-hidden="true"> ▴</span>
            </button>
          </th>
          <th scope="col" :aria-sort="now.sort === 'title' ? 'ascending' : undefined">
            <button type="button" class="sort" @click="ask({ sort: now.sort === 'title' ? 'changed' : 'title' })">
              Procedure<span v-if="now.sort === 'title'" aria-hidden="true"> ▴</span>
            </button>
          </th>
          <th scope="col">Revision</th>
          <th scope="col">Steps</th>
          <th scope="col">Open findings</th>
          <th scope="col">Who has it</th>
          <th scope="col" :aria-sort="now.sort === 'changed' ? 'descending' : undefined">
            <button type="button" class="sort" @click="ask({ sort: 'changed' })">
              Changed<span v-if="now.sort === 'changed'" aria-hidden="true"> ▾</span>
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.revisionId">
          <td class="figures">{{ row.number }}</td>
          <td>
            <router-link
              :to="{
                name: row.state === 'released' ? (session.isReader ? 'follow' : 'print') : row.state === 'in review' ? 'review' : 'write',
                params: { id: row.revisionId },
              }"
              class="title"
              >{{ row.title }}</router-link
            >
            <span class="quiet platform"
              ><span class="figures narrow">{{ row.number }} </span>{{ row.platform }}</span
            >
            <span v-if="row.found.length" class="found">
              <template v-for="(piece, i) in row.found" :key="i"
                ><mark v-if="piece.isFound">{{ piece.text }}</mark
                ><template v-else>{{ piece.text }}</template></template
              >
            </span>
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
    <p v-else-if="rows && isNarrowed" class="empty">
      Nothing on the shelf is so<template v-if="now.q">: no sheet has “{{ now.q }}” in its head or its steps</template>.
      <button type="button" class="link" @click="router.replace({ query: {} })">Show all</button>
    </p>
    <p v-else-if="rows" class="empty">
      The shelf is empty.
      <template v-if="session.is('author')">Begin with “New procedure”: give it a number and say what the job is.</template>
      <template v-else>What is released will stand here.</template>
    </p>
    <p v-else-if="!trouble" class="quiet" role="status">Looking …</p>
    <nav v-if="shelf && rows && shelf.total > 0" class="pages" aria-label="Pages of the shelf">
      <span role="status">{{ several(shelf.total, 'procedure') }}</span>
      <template v-if="shelf.pages > 1">
        <button type="button" class="link" :disabled="shelf.page === 1" @click="ask({ page: shelf.page - 1 })">Before</button>
        <label
          >page
          <input
            class="plain figures"
            type="number"
            min="1"
            :max="shelf.pages"
            :value="shelf.page"
            @change="ask({ page: Math.max(1, Math.min(shelf!.pages, Number(($event.target as HTMLInputElement).value) || 1)) })"
          />
          of {{ shelf.pages }}</label
        >
        <button type="button" class="link" :disabled="shelf.page === shelf.pages" @click="ask({ page: shelf.page + 1 })">Next</button>
      </template>
    </nav>
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

.new > .act-button {
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

.found {
  display: block;
  font-size: 14px;
  color: var(--ink-soft);
}

.found mark {
  color: var(--ink);
  background: var(--ochre-pale);
}

.sort {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}

.sort:hover {
  color: var(--ink);
  text-decoration: underline;
}

.pages {
  display: flex;
  align-items: baseline;
  gap: 18px;
  padding: 14px 0;
}

.pages input {
  width: 76px;
  padding: 3px 6px;
}

.pages .link:disabled {
  color: var(--ink-soft);
  text-decoration: none;
  cursor: default;
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

@media (width <= 900px) {
  .shelf {
    padding: 16px 14px;
  }

  .head,
  .new {
    flex-wrap: wrap;
  }

  .search {
    flex: 1 0 100%;
    order: 9;
  }

  .new .field {
    flex: 1 0 100%;
  }

  th:nth-child(n + 4),
  td:nth-child(n + 4) {
    display: none;
  }
}

.narrow {
  display: none;
}

@media (width <= 520px) {
  th:first-child,
  td:first-child {
    display: none;
  }

  .narrow {
    display: inline;
  }
}

.empty {
  padding: 40px 0;
  font-size: 17px;
}
</style>
