<script setup lang="ts">
import { nextTick, ref, watch } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';
import { asking, settle } from './confirming';
import ActButton from '../shared/ActButton.vue';
import { useEscape } from '../shared/escape';

/** Before what counts: the password again, or a code. */
const word = ref('');
const trouble = ref<Trouble | null>(null);
const busy = ref(false);
const field = ref<HTMLInputElement | null>(null);

watch(
  asking,
  async (open) => {
    word.value = '';
    trouble.value = null;
    if (!open) return;
    await nextTick();
    setTimeout(() => field.value?.focus(), 50);
  },
  { immediate: true },
);

async function confirm(): Promise<void> {
  busy.value = true;
  trouble.value = null;
  // Six figures are a code; a password is longer.
  const isCode = /^\s*\d{3}\s?\d{3}\s*$/.test(word.value);
  try {
    await take(
      api.POST('/api/session/confirm', { body: isCode ? { code: word.value, password: null } : { password: word.value, code: null } }),
    );
    settle(true);
  } catch (error) {
    trouble.value = troubleOf(error);
    word.value = '';
    field.value?.focus();
  } finally {
    busy.value = false;
  }
}
useEscape(
  () => asking.value,
  () => settle(false),
);
</script>

<template>
  <a-modal :open="asking" destroy-on-close title="Say again that it is you" :footer="null" :width="430" @cancel="settle(false)">
    <form @submit.prevent="confirm">
      <p>This counts: it is done in your name. Give your password, or a code of your second factor.</p>
      <div class="field">
        <label for="again">Password or code</label>
        <input
          id="again"
          ref="field"
          v-model="word"
          class="plain"
          type="password"
          autocomplete="current-password"
          required
          maxlength="200"
        />
      </div>
      <TroubleNote v-if="trouble" :trouble="trouble" />
      <div class="answers">
        <ActButton type="primary" html-type="submit" :loading="busy">Go on</ActButton>
        <ActButton @click="settle(false)">Do not</ActButton>
      </div>
    </form>
  </a-modal>
</template>
