<script setup lang="ts">
import { ref } from 'vue';

/** A password to be chosen: it can be seen, pasted, and made by a keeper of passwords. What it must be is said before, not after. */
defineProps<{ label: string }>();
const password = defineModel<string>({ required: true });
const shown = ref(false);
</script>

<template>
  <div class="field">
    <label for="new-password">{{ label }}</label>
    <div class="row">
      <input
        id="new-password"
        v-model="password"
        class="plain"
        :type="shown ? 'text' : 'password'"
        autocomplete="new-password"
        required
        minlength="12"
        maxlength="128"
        aria-describedby="password-says"
      />
      <button type="button" class="link" :aria-pressed="shown" @click="shown = !shown">{{ shown ? 'Hide' : 'Show' }}</button>
    </div>
    <small id="password-says" class="quiet"
      >At least 12 characters: three or four words that have nothing to do with each other. Any sign may be in it.</small
    >
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 10px;
}

input {
  flex: 1;
}
</style>
