<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useOutbox } from '../outbox/useOutbox';
import type { SessionEnd } from '../shared/api/client';
import { useIdle } from '../shared/idle';
import { useSession } from '../shared/session';

/** What holds on every page: that this is a demo, that a session will end, and why one has. */
const session = useSession();
const { minutesLeft, stay } = useIdle();
const outbox = useOutbox();
const route = useRoute();
const SAID: Record<SessionEnd, string> = {
  signedOut: '',
  endedElsewhere: 'You ended this session from another browser.',
  expired: 'Your session has ended: its time was over, or nothing was done in it for a while.',
  changed: 'Your password or second factor was changed in another browser.',
  disabled: 'An administrator has disabled your account.',
  reset: 'An administrator has reset your access: you are given a new link to choose a password.',
};
const said = computed(() => (session.view?.ended ? SAID[session.view.ended] : ''));
const waits = computed(() => outbox.items.length);
</script>

<template>
  <p v-if="said" class="ended" role="alert">
    <strong>{{ said }}</strong>
    <span v-if="waits">
      What you typed is kept in this browser: {{ waits }} edit{{ waits === 1 ? ' waits' : 's wait' }} until you sign in again.</span
    >
    <router-link
      v-if="session.view?.ended !== 'disabled' && route.name !== 'sign-in'"
      :to="{ name: 'sign-in', query: { to: route.fullPath } }"
      >Sign in again</router-link
    >
  </p>
  <p v-if="minutesLeft !== null" class="ended" role="alert">
    <strong>Nothing was done here for a while.</strong> You are signed out in {{ minutesLeft }} minute{{ minutesLeft === 1 ? '' : 's' }}.
    <button type="button" class="link" @click="stay">Stay signed in</button>
  </p>
  <p v-if="session.view?.isDemo" class="demo" role="region" aria-label="What this workshop is">
    <strong>Sample workshop.</strong> Invented people and values; anybody can sign in as any of them. Keep no work here.
  </p>
</template>

<style scoped>
p {
  flex: none;
  margin: 0;
  padding: 4px 14px;
  font-size: 13px;
}

.demo {
  background: var(--dark);
  color: var(--on-dark);
  padding: 2px 14px 3px;
}

.ended {
  padding: 8px 14px;
  font-size: 15px;
  background: var(--clay-pale);
  border-bottom: 2px solid var(--clay);
}

.ended a {
  margin-left: 8px;
}

@media print {
  p {
    display: none;
  }
}
</style>
