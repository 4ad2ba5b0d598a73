<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useSession } from '../shared/session';
import TroubleNote from '../shared/TroubleNote.vue';
import { dayAndTime } from '../shared/when';
import PasswordField from './PasswordField.vue';
import ActButton from '../shared/ActButton.vue';

/** Where a link leads: choosing a password, once. The token stands behind the # and is in nobody's log. */
const session = useSession();
const router = useRouter();
const token = location.hash.slice(1);
const link = ref<{ userName: string; name: string; endsAt: string } | null>(null);
const password = ref('');
const trouble = ref<Trouble | null>(null);
const busy = ref(false);

async function attempt(work: () => Promise<void>): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await work();
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}

onMounted(() =>
  attempt(async () => {
    await session.load();
    link.value = await take(api.POST('/api/join/look', { body: { token: token || '-' } }));
  }),
);

const join = (): Promise<void> =>
  attempt(async () => {
    const joined = await take(api.POST('/api/join', { body: { token, password: password.value } }));
    await session.enter(joined.userName, password.value);
    await router.push(session.view?.factorDue ? { name: 'me' } : '/');
  });
</script>

<template>
  <main class="join">
    <p class="brand"><img src="/mark.svg" alt="" width="34" height="34" /> Worn Path</p>
    <template v-if="link">
      <h1>Welcome, {{ link.name }}.</h1>
      <p>
        Your account is <strong class="figures">{{ link.userName }}</strong>. Choose its password; this link opens once, and until
        {{ dayAndTime(link.endsAt) }}.
      </p>
      <form @submit.prevent="join">
        <!-- Password keepers take the account from here. -->
        <input
          class="visually-hidden"
          type="text"
          autocomplete="username"
          :value="link.userName"
          tabindex="-1"
          readonly
          aria-hidden="true"
        />
        <PasswordField v-model="password" label="New password" />
        <TroubleNote v-if="trouble" :trouble="trouble" />
        <ActButton type="primary" html-type="submit" :loading="busy">Keep it and sign in</ActButton>
      </form>
    </template>
    <template v-else>
      <h1 v-if="trouble">{{ trouble.title }}</h1>
      <p v-if="trouble">{{ trouble.detail }}</p>
      <p v-else role="status">Looking at the link …</p>
      <router-link to="/sign-in">To the sign-in</router-link>
    </template>
  </main>
</template>

<style scoped>
.join {
  max-width: 560px;
  padding: 12vh 24px 40px;
  margin: 0 auto;
}

.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  font: 600 22px/1 var(--heading);
  margin: 0 0 34px;
}

h1 {
  margin-bottom: 12px;
  font-size: 34px;
}

form {
  margin-top: 22px;
  max-width: 380px;
}
</style>
