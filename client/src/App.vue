<script setup lang="ts">
import { theme } from './shared/theme';
</script>

<template>
  <a-config-provider :theme="theme" :auto-insert-space-in-button="false">
    <router-view />
  </a-config-provider>
</template>
