<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import { useRoute } from 'vue-router';
import Announcer from './frame/Announcer.vue';
import SiteBars from './session/SiteBars.vue';
import { useActivity } from './session/activity';

useActivity();
const Themed = defineAsyncComponent(() => import('./frame/Themed.vue'));
const route = useRoute();
/** Nothing is known of the page before its address is resolved. */
const isInside = computed(() => route.matched.length > 0 && !route.meta.open);

/** Over the bar to what the page is about. */
function toMain(): void {
  const main = document.querySelector<HTMLElement>('main');
  if (!main) return;
  if (!main.hasAttribute('tabindex')) main.tabIndex = -1;
  main.focus();
}
</script>

<template>
  <a class="skip" href="#main" @click.prevent="toMain">Skip to the page</a>
  <div class="site">
    <SiteBars />
    <div class="view">
      <Themed v-if="isInside"><router-view /></Themed>
      <router-view v-else />
    </div>
  </div>
  <Announcer />
</template>

<style scoped>
.skip {
  position: fixed;
  left: 8px;
  top: -60px;
  z-index: 950;
  padding: 8px 14px;
  color: var(--on-dark);
  background: var(--dark);
}

.skip:focus {
  top: 8px;
}

.site {
  height: 100%;
  display: flex;
  flex-direction: column;
}

.view {
  flex: 1;
  min-height: 0;
}

@media print {
  .site,
  .view {
    display: block;
    height: auto;
  }
}

@media print {
  .skip {
    display: none;
  }
}
</style>
