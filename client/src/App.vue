<script setup lang="ts">
import { isDark } from './shared/look';
import { themeOf } from './shared/theme';
import Announcer from './frame/Announcer.vue';
import ConfirmDialog from './session/ConfirmDialog.vue';
import SiteBars from './session/SiteBars.vue';
import { useActivity } from './session/activity';

useActivity();

/** Over the bar to what the page is about. */
function toMain(): void {
  const main = document.querySelector<HTMLElement>('main');
  if (!main) return;
  if (!main.hasAttribute('tabindex')) main.tabIndex = -1;
  main.focus();
}
</script>

<template>
  <a-config-provider :theme="themeOf(isDark)" :auto-insert-space-in-button="false">
    <a class="skip" href="#main" @click.prevent="toMain">Skip to the page</a>
    <div class="site">
      <SiteBars />
      <div class="view"><router-view /></div>
    </div>
    <ConfirmDialog />
    <Announcer />
  </a-config-provider>
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
</style>
