<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import ActButton from '../shared/ActButton.vue';
import { api, take, type SourcePage, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { pageAt } from '../shared/figure';
import PageShown from '../shared/PageShown.vue';
import { say } from '../shared/say';
import { useSession } from '../shared/session';
import TroubleNote from '../shared/TroubleNote.vue';

/** Pages of the documents, kept as pictures where the workshop may: a reviewer reads the value there. */
const session = useSession();
const mayKeep = computed(() => session.is('author') || session.is('approver') || session.is('administrator'));
const pages = ref<SourcePage[]>([]);
const source = ref('');
const busy = ref(false);
const trouble = ref<Trouble | null>(null);
const notes = ref('');
const input = ref<HTMLInputElement | null>(null);
const shown = ref<SourcePage | null>(null);

async function bring(): Promise<void> {
  const file = input.value?.files?.[0];
  if (!file) return;
  busy.value = true;
  trouble.value = null;
  notes.value = '';
  try {
    const kept = await take(
      api.POST('/api/workshop/pages', {
        params: { query: { source: source.value } },
        body: file as never,
        bodySerializer: (body) => body as never,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    );
    pages.value = kept.pages;
    if (kept.leftOut.length) notes.value = `Not kept of “${file.name}”: ${kept.leftOut.join(', ')}. Look whether it shows what it should.`;
    say(`The page is kept: ${source.value}.`);
    source.value = '';
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
    if (input.value) input.value.value = '';
  }
}

onMounted(async () => {
  try {
    pages.value = (await take(api.GET('/api/workshop/pages'))).pages;
  } catch (error) {
    trouble.value = troubleOf(error);
  }
});

async function takeOut(page: SourcePage): Promise<void> {
  trouble.value = null;
  try {
    pages.value = (await take(api.DELETE('/api/workshop/pages', { params: { query: { source: page.source } } }))).pages;
    say(`Taken out: ${page.source}.`);
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}
</script>

<template>
  <section aria-labelledby="pages">
    <h2 id="pages">Pages kept</h2>
    <p class="quiet">
      Where the workshop may keep a copy, a page stands beside every value that cites it: who reads the value a second time reads it there.
    </p>
    <ul v-if="pages.length">
      <li v-for="page in pages" :key="page.source">
        <button type="button" class="thumb" :aria-label="`Page of ${page.source}: open`" @click="shown = page">
          <img :src="pageAt(page.picture.key)" alt="" loading="lazy" />
        </button>
        <span>{{ page.source }}</span>
        <button v-if="mayKeep" type="button" class="link" :aria-label="`take out the page ${page.source}`" @click="takeOut(page)">
          take out
        </button>
      </li>
    </ul>
    <form v-if="mayKeep" @submit.prevent="input?.click()">
      <label for="page-source">Page, as values cite it</label>
      <input id="page-source" v-model="source" class="plain" placeholder="Service manual T28, 3rd ed., p. 41" maxlength="300" required />
      <ActButton html-type="submit" size="small" :loading="busy">Choose its picture</ActButton>
      <input
        ref="input"
        type="file"
        accept="image/png,image/jpeg,image/webp,image/svg+xml"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Picture of the page"
        @change="bring"
      />
    </form>
    <p v-if="notes" role="status">{{ notes }}</p>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <PageShown v-if="shown" :open="true" :source="shown.source" :picture="shown.picture" @update:open="shown = null" />
  </section>
</template>

<style scoped>
section {
  margin-top: 30px;
}

p {
  margin: 2px 0 8px;
}

ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 70px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.thumb {
  width: 70px;
  height: 56px;
  padding: 2px;
  background: var(--field);
  border: 1px solid var(--line-strong);
  cursor: pointer;
}

.thumb img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: contain;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}

input.plain {
  flex: 1 1 300px;
  max-width: 420px;
  height: 32px;
  padding: 2px 8px;
}
</style>
