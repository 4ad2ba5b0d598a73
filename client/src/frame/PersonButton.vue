<script setup lang="ts">
import { useRouter } from 'vue-router';
import { NotConnected } from '../shared/api/client';
import { useSession } from '../shared/session';

const session = useSession();
const router = useRouter();

async function leave(): Promise<void> {
  try {
    await session.leave();
  } catch (error) {
    // Without a connection the server is not told; this browser forgets who was here all the same.
    if (!(error instanceof NotConnected)) throw error;
    session.forget();
  }
  await router.push({ name: 'sign-in' });
}
</script>

<template>
  <button
    v-if="session.signedIn"
    type="button"
    class="person"
    :title="`${session.view?.name}, ${session.view?.roles.join(', ')}: sign out`"
    @click="leave"
  >
    {{ session.view?.name }} <span class="out">Sign out</span>
  </button>
</template>

<style scoped>
.person {
  font: inherit;
  font-size: 13px;
  line-height: 1.15;
  color: inherit;
  text-align: right;
  background: none;
  border: 0;
  cursor: pointer;
  white-space: nowrap;
}

.out {
  display: block;
  text-decoration: underline;
  color: var(--moss);
}
</style>
