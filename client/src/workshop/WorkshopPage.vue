<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, onMounted, watch } from 'vue';
import { useRoute } from 'vue-router';
import PlainPage from '../frame/PlainPage.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import { useSession } from '../shared/session';
import BackupPlace from './BackupPlace.vue';
import BlocksPlace from './BlocksPlace.vue';
import DocumentsPlace from './DocumentsPlace.vue';
import HandToolsPlace from './HandToolsPlace.vue';
import KeepBar from './KeepBar.vue';
import { places, type PlaceKey } from './places';
import RulesPlace from './RulesPlace.vue';
import SchoolsPlace from './SchoolsPlace.vue';
import { useSettings } from './settings';
import TorqueToolsPlace from './TorqueToolsPlace.vue';
import ValuesPlace from './ValuesPlace.vue';
import WeightsPlace from './WeightsPlace.vue';
import WordsPlace from './WordsPlace.vue';

/** What every sheet is judged by, in places of its own: what is owned, how it is done here, what is written from. */
const session = useSession();
const settings = useSettings();
const route = useRoute();
const shown = computed(() => places.filter((p) => p.key !== 'backup' || session.is('administrator')));
const place = computed(() => shown.value.find((p) => p.key === route.params.place) ?? shown.value[0]!);
const views: Record<PlaceKey, unknown> = {
  'torque-tools': TorqueToolsPlace,
  'hand-tools': HandToolsPlace,
  rules: RulesPlace,
  schools: SchoolsPlace,
  weights: WeightsPlace,
  words: WordsPlace,
  documents: DocumentsPlace,
  values: ValuesPlace,
  blocks: BlocksPlace,
  backup: BackupPlace,
};
const part = computed(() => place.value.part);

const look = (): void => {
  if (part.value && settings.view?.mayChange && (part.value === 'rules' || settings.changed[part.value]))
    void settings.look(part.value, part.value === 'rules');
};

onMounted(async () => {
  settings.keptParts = {};
  await settings.open();
  look();
});
watch(part, () => {
  settings.preview = null;
  look();
});
watchDebounced(() => part.value && JSON.stringify(settings.now?.[part.value]), look, { debounce: 500 });
watch(place, (now) => (document.title = `${now.name} · Workshop · Worn Path`), { immediate: true, flush: 'post' });
</script>

<template>
  <PlainPage name="Workshop">
    <div class="workshop">
      <nav aria-label="The workshop">
        <router-link
          v-for="one in shown"
          :key="one.key"
          :to="{ name: 'workshop', params: { place: one.key } }"
          :class="{ here: one.key === place.key }"
          :aria-current="one.key === place.key ? 'page' : undefined"
          >{{ one.name }}<span v-if="one.part && settings.changed[one.part]" class="unkept">not kept</span></router-link
        >
      </nav>
      <div class="place">
        <h1>{{ place.name }}</h1>
        <p class="quiet says">
          {{ place.says }}
          <template v-if="place.part && settings.view && !settings.view.mayChange">An approver or administrator keeps it.</template>
        </p>
        <TroubleNote v-if="settings.troubles.page" :trouble="settings.troubles.page" />
        <template v-if="settings.view && settings.now">
          <component :is="views[place.key]" />
          <KeepBar v-if="place.part && settings.view.mayChange" :part="place.part" />
        </template>
      </div>
    </div>
  </PlainPage>
</template>

<style scoped>
.workshop {
  display: grid;
  grid-template-columns: 186px minmax(0, 1fr);
  gap: 0 38px;
}

nav {
  align-self: start;
  display: grid;
}

nav a {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 7px 10px;
  color: var(--ink);
  text-decoration: none;
  border-left: 5px solid var(--path);
}

nav a:hover {
  background: var(--sheet);
}

nav a.here {
  font-weight: 700;
  background: var(--sheet);
  border-left-color: var(--ink);
}

.unkept {
  font: 600 12px var(--text);
  color: var(--ochre);
}

.place {
  max-width: 1060px;
}

.says {
  margin: 3px 0 16px;
}

@media (width <= 900px) {
  .workshop {
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }

  nav {
    display: flex;
    flex-wrap: wrap;
  }

  nav a {
    gap: 8px;
    border-left: 0;
    border-bottom: 4px solid var(--path);
  }

  nav a.here {
    border-bottom-color: var(--ink);
  }
}

/* What stands where nothing is kept. */
.place :deep(.empty) {
  margin: 4px 0 10px;
  padding: 12px 14px;
  background: var(--sheet);
  border: 1px dashed var(--line-strong);
}
</style>
