<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter, type LocationQueryRaw } from 'vue-router';
import PlainPage from '../frame/PlainPage.vue';
import { note } from '../shared/address';
import { api, take, type Trouble, type UseKind, type UsesPage, type UseView } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { vFocus } from '../shared/focus';
import { several } from '../shared/several';
import TroubleNote from '../shared/TroubleNote.vue';
import UsedSheets from './UsedSheets.vue';
import { kinds } from './kinds';

/** Where something is used: what a change of it would touch. What is looked for stands in the address. */
const route = useRoute();
const router = useRouter();
const asText = (value: unknown): string => (typeof value === 'string' ? value : '');
const words = ref(asText(route.query.q));
// Of all there is, without a word, the documents tell a first-time reader most.
const kind = computed<UseKind | undefined>(() =>
  route.query.kind || route.query.q ? kinds.find((k) => k.key === route.query.kind)?.key : 'document',
);
const of = computed(() => Number(route.query.of) || null);
const found = ref<UsesPage | null>(null);
const use = ref<UseView | null>(null);
const trouble = ref<Trouble | null>(null);
const useTrouble = ref<Trouble | null>(null);

const query = (change: { q?: string; kind?: UseKind | 'any'; of?: number | null }): LocationQueryRaw => ({
  q: (change.q ?? asText(route.query.q)) || undefined,
  kind: change.kind ?? (asText(route.query.kind) || undefined),
  of: (change.of === undefined ? of.value : change.of) ?? undefined,
});

let asks = 0;
async function look(): Promise<void> {
  const mine = ++asks;
  try {
    const page = await take(api.GET('/api/uses', { params: { query: { q: asText(route.query.q) || undefined, kind: kind.value } } }));
    // Typed on meanwhile: only the last answer counts.
    if (mine !== asks) return;
    found.value = page;
    trouble.value = null;
  } catch (error) {
    if (mine === asks) trouble.value = troubleOf(error);
  }
}

async function open(): Promise<void> {
  const name = of.value;
  useTrouble.value = null;
  if (name === null) {
    use.value = null;
    return;
  }
  try {
    const view = await take(api.GET('/api/uses/{name}', { params: { path: { name } } }));
    if (of.value === name) use.value = view;
  } catch (error) {
    if (of.value !== name) return;
    use.value = null;
    useTrouble.value = troubleOf(error);
  }
}

watch(() => [route.query.q, route.query.kind], look, { immediate: true });
watch(of, open, { immediate: true });
watch(
  () => route.query.q,
  (q) => (words.value = asText(q)),
);
watchDebounced(words, (q) => q !== asText(route.query.q) && note(router, query({ q, of: null })), { debounce: 150 });
</script>

<template>
  <PlainPage name="Where used">
    <h1>Where used</h1>
    <p class="quiet about">
      What a change would touch: every draft and every released sheet that has the same source, fastener and value, part or tool.
    </p>
    <div class="ask">
      <input
        v-model="words"
        v-focus
        class="plain"
        type="search"
        aria-label="Look for"
        placeholder="M12 95, caliper, service manual, 17 mm socket"
        maxlength="200"
      />
      <div class="kinds" role="group" aria-label="What it is">
        <button type="button" :aria-pressed="kind === undefined" @click="note(router, query({ kind: 'any', of: null }))">anything</button>
        <button
          v-for="one in kinds"
          :key="one.key"
          type="button"
          :aria-pressed="kind === one.key"
          @click="note(router, query({ kind: one.key, of: null }))"
        >
          {{ one.many }}
        </button>
      </div>
    </div>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div v-if="found?.rows.length" class="sides">
      <section aria-label="What is used">
        <ul class="names">
          <li v-for="row in found.rows" :key="row.id">
            <router-link :to="{ name: 'uses', query: query({ of: row.id }) }" replace :aria-current="row.id === of ? 'true' : undefined">
              <span class="name"
                >{{ row.name }} <small>{{ kinds.find((k) => k.key === row.kind)?.one }}</small></span
              >
              <span class="quiet">{{ several(row.sheets, 'sheet') }}</span>
            </router-link>
          </li>
        </ul>
        <p v-if="found.more" class="quiet more">More are used than are shown. Another word narrows it.</p>
      </section>
      <section aria-live="polite" aria-label="The sheets that use it">
        <TroubleNote v-if="useTrouble" :trouble="useTrouble" />
        <UsedSheets v-else-if="use" :use="use" />
        <p v-else class="empty">Choose what you would change, and see where it stands.</p>
      </section>
    </div>
    <p v-else-if="found && words" class="empty">No sheet uses anything called “{{ words }}”<template v-if="kind"> that is so</template>.</p>
    <p v-else-if="found" class="empty">Nothing is used yet: what sheets have in common stands here a few seconds after it is written.</p>
    <p v-else-if="!trouble" class="quiet" role="status">Looking …</p>
  </PlainPage>
</template>

<style scoped>
.about {
  margin: 4px 0 16px;
}

.ask {
  display: grid;
  gap: 10px;
  margin-bottom: 16px;
}

.ask input {
  max-width: 620px;
  height: 36px;
}

.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.kinds button {
  min-height: 30px;
  padding: 2px 11px;
  font: inherit;
  font-size: 14px;
  color: inherit;
  background: none;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  cursor: pointer;
}

.kinds button:hover {
  background: var(--moss-pale);
}

.kinds button[aria-pressed='true'] {
  font-weight: 700;
  background: var(--sheet);
  box-shadow: inset 0 -4px 0 var(--moss);
}

.sides {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 34px;
  max-width: 1240px;
}

.names {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1.5px solid var(--ink);
}

.names a {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 14px;
  padding: 8px;
  color: inherit;
  text-decoration: none;
  border-bottom: 1px solid var(--line);
}

.names a:hover {
  background: var(--moss-pale);
}

.names a[aria-current] {
  background: var(--sheet);
  font-weight: 700;
  box-shadow: inset 4px 0 0 var(--moss);
  padding-left: 14px;
}

.name {
  min-width: 0;
  overflow-wrap: anywhere;
}

.name small {
  margin-left: 4px;
  font-weight: 400;
  color: var(--ink-soft);
}

.names .quiet {
  flex: none;
  font-size: 14px;
  font-weight: 400;
}

.more {
  margin: 10px 0 0;
}

.empty {
  margin: 0;
  padding: 12px 14px;
  background: var(--sheet);
  border: 1px dashed var(--line-strong);
}

@media (width <= 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
    gap: 20px;
  }
}
</style>
