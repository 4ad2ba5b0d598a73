<script setup lang="ts">
import { useRouter } from 'vue-router';
import { NotConnected } from '../shared/api/client';
import { useSession } from '../shared/session';
import LookButton from './LookButton.vue';

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
  <LookButton />
  <div v-if="session.signedIn" class="person">
    <router-link :to="{ name: 'me' }" :title="`${session.view?.roles.join(', ')}: your password, second factor and sessions`">{{
      session.view?.name
    }}</router-link>
    <button type="button" class="link" @click="leave">Sign out</button>
  </div>
</template>

<style scoped>
.person {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 0 10px;
  font-size: 13px;
  line-height: 1.15;
  white-space: nowrap;
}

.person > * {
  display: inline-flex;
  align-items: center;
  min-height: 26px;
}

.person a {
  color: inherit;
  text-decoration: none;
}

.person a:hover {
  text-decoration: underline;
}

.person .link {
  font-size: 13px;
  line-height: 1.15;
}
</style>
