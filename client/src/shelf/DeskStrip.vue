<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api, NotConnected, take, type DeskLine } from '../shared/api/client';
import { day } from '../shared/when';

const emit = defineEmits<{
  /** It is known what waits, or that it cannot be known: the page below can be shown and will not be pushed down. */
  settled: [];
}>();
/** What waits for who is signed in: to look at, to answer, to go on with. Without a connection the shelf says so, and this is left out. */
const waiting = ref<DeskLine[]>([]);
const failed = ref(false);
onMounted(async () => {
  try {
    waiting.value = await take(api.GET('/api/desk'));
  } catch (error) {
    failed.value = !(error instanceof NotConnected);
  } finally {
    emit('settled');
  }
});
</script>

<template>
  <p v-if="failed" class="quiet" role="status">What waits for you could not be fetched. Reload to see it.</p>
  <section v-if="waiting.length" class="desk" aria-labelledby="desk">
    <h2 id="desk">
      Waits for you <span class="figures">{{ waiting.length }}</span>
    </h2>
    <ul>
      <li v-for="(one, i) in waiting" :key="i">
        <router-link :to="{ name: 'review', params: { id: one.revisionId } }">{{ one.sheet }}</router-link>
        <span>{{ one.says }}</span>
        <small class="figures">{{ day(one.since) }}</small>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.desk {
  margin-bottom: 22px;
  padding: 10px 16px 12px;
  background: var(--ochre-pale);
  border-left: 4px solid var(--ochre);
}

h2 {
  margin: 0 0 4px;
}

h2 .figures {
  font-size: 15px;
  color: var(--ink-soft);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  padding: 3px 0;
}

small {
  color: var(--ink-soft);
}
</style>
