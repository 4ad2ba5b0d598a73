<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import OutboxButton from '../outbox/OutboxButton.vue';
import { useSession } from '../shared/session';
import PersonButton from './PersonButton.vue';

/** The bar of the pages that stand beside the procedures: the mark, the places there are, who is signed in. */
const session = useSession();
const route = useRoute();
const isHere = (to: string): boolean => route.path === to || (to !== '/' && route.path.startsWith(`${to}/`));
const places = computed(() => [
  { to: '/', label: 'Shelf' },
  { to: '/uses', label: 'Where used' },
  { to: '/workshop', label: 'Workshop' },
  { to: '/slips', label: 'Slips' },
  ...(session.is('administrator') ? [{ to: '/people', label: 'People' }] : []),
]);
</script>

<template>
  <header class="bar">
    <router-link to="/" class="brand"><img src="/mark.svg" alt="" width="26" height="26" /> Worn Path</router-link>
    <nav aria-label="Places">
      <router-link v-for="place in places" :key="place.to" :to="place.to" :class="['place', { here: isHere(place.to) }]">{{
        place.label
      }}</router-link>
    </nav>
    <OutboxButton />
    <PersonButton />
  </header>
</template>

<style scoped>
.bar {
  flex: none;
  display: flex;
  align-items: stretch;
  gap: 26px;
  height: 46px;
  padding: 0 14px;
  border-bottom: 2px solid var(--ink);
}

@media (width <= 700px) {
  .bar {
    flex-wrap: wrap;
    gap: 0 12px;
    height: auto;
    min-height: 46px;
    align-items: center;
    padding: 4px 10px 0;
  }

  .bar nav {
    order: 9;
    flex: 1 0 100%;
    overflow-x: auto;
  }

  .bar .place {
    min-height: 38px;
  }

  .brand {
    margin-right: auto;
  }
}

.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  font: 600 21px/1 var(--heading);
  color: inherit;
  text-decoration: none;
}

nav {
  display: flex;
  flex: 1;
}

.place {
  display: flex;
  align-items: center;
  padding: 0 12px;
  font: 600 18px/1 var(--heading);
  color: var(--ink);
  text-decoration: none;
  border-bottom: 4px solid transparent;
  margin-bottom: -2px;
}

.place:hover {
  background: var(--moss-pale);
}

.here {
  border-bottom-color: var(--moss);
  color: var(--moss);
}

@media (forced-colors: active) {
  .place {
    border-bottom-color: Canvas;
  }

  .place.here {
    border-bottom-color: Highlight;
  }
}
</style>
