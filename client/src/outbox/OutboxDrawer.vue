<script setup lang="ts">
import { computed, ref } from 'vue';
import { useDraft } from '../shared/draft';
import { useSession } from '../shared/session';
import { clock } from '../shared/when';
import { useOutbox } from './useOutbox';
import { isRefused, wordsOf, type Waiting } from './waiting';
import ActButton from '../shared/ActButton.vue';
import { useEscape } from '../shared/escape';

/** Everything that has been typed in this browser and is not taken by the server: looked at, sent again, copied or put away. */
const open = defineModel<boolean>('open', { required: true });
const outbox = useOutbox();
const draft = useDraft();
const session = useSession();
const copied = ref('');
/** What is about to be put away for good: asked once more, where it carries a text. */
const dropping = ref('');

const sheets = computed(() => {
  const by = new Map<string, Waiting[]>();
  for (const w of outbox.mine) by.set(w.where, [...(by.get(w.where) ?? []), w]);
  return [...by].map(([where, items]) => ({ where, revision: items[0]!.revision, items }));
});
const strangers = computed(() => {
  const by = new Map<string, number>();
  for (const w of outbox.others) by.set(w.personName || 'Somebody', (by.get(w.personName || 'Somebody') ?? 0) + 1);
  return [...by];
});
const why = computed(() => {
  if (!outbox.standing.connected) return 'The server cannot be reached. It is tried again by itself.';
  if (outbox.standing.signedOut || !session.signedIn) return 'Nobody is signed in here. What waits is sent when its author signs in.';
  return outbox.standing.trouble ? `${outbox.standing.trouble.title} It is tried again by itself.` : '';
});

async function copy(w: Waiting): Promise<void> {
  const { text, what } = wordsOf(w);
  const all = text || what;
  try {
    await navigator.clipboard.writeText(all);
  } catch {
    // Over plain http the browser gives no clipboard: the old way still works.
    const area = document.createElement('textarea');
    area.value = all;
    document.body.append(area);
    area.select();
    document.execCommand('copy');
    area.remove();
  }
  copied.value = w.clientId;
}

function drop(w: Waiting): void {
  if (dropping.value !== w.clientId && wordsOf(w).text) {
    dropping.value = w.clientId;
    return;
  }
  dropping.value = '';
  draft.settle(w, false);
}
useEscape(
  () => open.value,
  () => (open.value = false),
);
</script>

<template>
  <a-drawer v-model:open="open" title="Not taken by the server yet" :width="520">
    <div role="dialog" aria-label="Outbox">
      <p v-if="why" class="why" role="status">{{ why }} <button type="button" class="link" @click="outbox.box.kick()">Try now</button></p>
      <p v-if="outbox.unkept" class="why">
        This browser keeps nothing for this page. What waits here is lost when the page is closed: copy it.
      </p>
      <section v-for="sheet in sheets" :key="sheet.where" class="sheet">
        <h3>
          <router-link :to="{ name: 'write', params: { id: sheet.revision } }" @click="open = false">{{ sheet.where }}</router-link>
        </h3>
        <ul>
          <li v-for="w in sheet.items" :key="w.clientId" :class="{ refused: isRefused(w) }">
            <p class="head">
              <b>{{ wordsOf(w).what }}</b> <span class="quiet">{{ clock(w.at) }} · {{ isRefused(w) ? 'not taken' : 'waits' }}</span>
            </p>
            <p v-if="wordsOf(w).text" class="text">{{ wordsOf(w).text }}</p>
            <p v-if="w.trouble" class="trouble">
              <strong>{{ w.trouble.title }}</strong> {{ w.trouble.detail }}
            </p>
            <p v-if="w.trouble?.theirs !== undefined" class="trouble">Stands now: {{ w.trouble.theirs || '(empty)' }}</p>
            <p class="acts">
              <ActButton v-if="w.trouble?.theirs !== undefined" size="small" @click="draft.settle(w, true)">Put mine there</ActButton>
              <ActButton v-else-if="isRefused(w) && !w.follows" size="small" @click="outbox.box.again(w)">Send again</ActButton>
              <ActButton size="small" @click="copy(w)">{{ copied === w.clientId ? 'Copied' : 'Copy' }}</ActButton>
              <ActButton size="small" :danger="dropping === w.clientId" @click="drop(w)">{{
                dropping === w.clientId ? 'Discard it for good' : 'Discard'
              }}</ActButton>
            </p>
          </li>
        </ul>
      </section>
      <p v-for="[name, count] in strangers" :key="name" class="quiet">
        {{ count }} edit{{ count === 1 ? '' : 's' }} of {{ name }} wait{{ count === 1 ? 's' : '' }} in this browser until {{ name }} signs
        in here.
      </p>
      <p v-if="!outbox.items.length" class="quiet">Everything has arrived.</p>
    </div>
  </a-drawer>
</template>

<style scoped>
.why {
  padding: 7px 10px;
  background: var(--ochre-pale);
  border-left: 3px solid var(--ochre-mark);
}

h3 {
  margin: 18px 0 4px;
  font-size: 19px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  padding: 8px 0 10px 10px;
  border-left: 3px solid var(--ochre-mark);
  border-bottom: 1px solid var(--line);
}

li.refused {
  border-left-color: var(--clay);
}

p {
  margin: 0 0 4px;
}

.text {
  max-height: 120px;
  overflow: auto;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

.trouble {
  color: var(--clay);
}

.acts {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}
</style>
