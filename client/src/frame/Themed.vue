<script setup lang="ts">
import { defineAsyncComponent, ref, watch } from 'vue';
import { asking } from '../session/confirming';
import { isDark } from '../shared/look';
import { themeOf } from '../shared/theme';

/** What stands behind the sign-in: the library’s dialogs and drawers in the colours of the page. Fetched when somebody is in. */
const ConfirmDialog = defineAsyncComponent(() => import('../session/ConfirmDialog.vue'));
/** The dialogs come when they are first asked for. */
const wanted = ref(false);
watch(asking, () => (wanted.value = true));
</script>

<template>
  <a-config-provider :theme="themeOf(isDark)">
    <slot />
    <ConfirmDialog v-if="wanted" />
  </a-config-provider>
</template>
