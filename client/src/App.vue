<script setup lang="ts">
import { theme } from './shared/theme';
import Announcer from './frame/Announcer.vue';
import ConfirmDialog from './session/ConfirmDialog.vue';
import SiteBars from './session/SiteBars.vue';
import { useActivity } from './session/activity';

useActivity();
</script>

<template>
  <a-config-provider :theme="theme" :auto-insert-space-in-button="false">
    <div class="site">
      <SiteBars />
      <div class="view"><router-view /></div>
    </div>
    <ConfirmDialog />
    <Announcer />
  </a-config-provider>
</template>

<style scoped>
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
