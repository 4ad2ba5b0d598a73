<script setup lang="ts">
import { nextTick, onMounted, ref, watch } from 'vue';
import OutboxButton from '../outbox/OutboxButton.vue';
import { useRoute, useRouter } from 'vue-router';
import type { Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useSession } from '../shared/session';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';
import { vFocus } from '../shared/focus';

const session = useSession();
const route = useRoute();
const router = useRouter();
const userName = ref('');
const password = ref('');
const trouble = ref<Trouble | null>(null);
const busy = ref(false);
const code = ref('');
const codeAsked = ref(false);
const codeField = ref<HTMLInputElement | null>(null);

async function attempt(work: () => Promise<void>): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await work();
  } catch (error) {
    trouble.value = troubleOf(error);
    // The password was right: one more field, and it is where the cursor is.
    codeAsked.value = trouble.value.asks === 'code';
    code.value = '';
    if (codeAsked.value) await nextTick(() => codeField.value?.focus());
  } finally {
    busy.value = false;
  }
}

// Another name has a factor of its own.
watch(userName, () => (codeAsked.value = false));

onMounted(() => attempt(() => session.load()));

const enter = (name: string, word: string): Promise<void> =>
  attempt(async () => {
    // A token given before the server restarted may be out of date.
    await session.load();
    await session.enter(name, word, code.value || null);
    const to =
      typeof route.query.to === 'string' && route.query.to.startsWith('/') && !route.query.to.startsWith('//') ? route.query.to : '/';
    await router.push(to);
  });
</script>

<template>
  <main class="page">
    <section class="left">
      <p class="brand"><img src="/mark.svg" alt="" width="44" height="44" /> Worn Path</p>
      <h1>Installation procedures that know what is still loose.</h1>
      <p>
        Write the steps in plain sentences. The sheet is walked as you write, and shows after every step what is off, what is only
        hand-tight and what must still come away.
      </p>
      <svg class="path" viewBox="0 0 560 220" aria-hidden="true">
        <path d="M0 200C90 200 120 150 190 150S300 190 360 150 420 60 560 40" class="ground" />
        <path d="M0 200C90 200 120 150 190 150S300 190 360 150" class="worn" />
        <g transform="translate(60 183)"><circle r="15" /></g>
        <g transform="translate(150 158)">
          <circle r="15" />
          <circle r="5" class="full" />
        </g>
        <g transform="translate(258 166)">
          <circle r="15" />
          <path d="M0 -15A15 15 0 0 1 0 15Z" class="full" />
        </g>
        <g transform="translate(360 150)">
          <circle r="15" />
          <path d="M0 0V-15A15 15 0 1 1 -13 7.5Z" class="full" />
        </g>
        <g transform="translate(440 78)"><circle r="15" class="full" /></g>
      </svg>
    </section>
    <section class="right">
      <form @submit.prevent="enter(userName, password)">
        <h2>Sign in</h2>
        <div class="field">
          <label for="user">Name</label>
          <input id="user" v-model="userName" v-focus class="plain" autocomplete="username" required maxlength="100" />
        </div>
        <div class="field">
          <label for="password">Password</label>
          <input id="password" v-model="password" class="plain" type="password" autocomplete="current-password" required maxlength="200" />
        </div>
        <div v-if="codeAsked" class="field">
          <label for="code">Code of your second factor</label>
          <input
            id="code"
            ref="codeField"
            v-model="code"
            class="plain figures"
            autocomplete="one-time-code"
            inputmode="text"
            required
            maxlength="40"
            aria-describedby="code-says"
          />
          <small id="code-says" class="quiet">The six figures your app shows now, or one of your recovery codes.</small>
        </div>
        <TroubleNote v-if="trouble" :trouble="trouble" />
        <ActButton type="primary" html-type="submit" :loading="busy">Sign in</ActButton>
      </form>
      <p class="waits"><OutboxButton /></p>
      <div v-if="session.view?.demo.length" class="demo">
        <h2>Sample workshop</h2>
        <p class="quiet">Invented people and values. Sign in as one of them:</p>
        <ul>
          <li v-for="person in session.view.demo" :key="person.userName">
            <button type="button" :disabled="busy" @click="enter(person.userName, person.password)">
              <strong>{{ person.name }}</strong> <span>{{ person.roles.join(', ') }}</span>
            </button>
          </li>
        </ul>
      </div>
    </section>
  </main>
</template>

<style scoped>
.page {
  min-height: 100%;
  display: grid;
  grid-template-columns: 1.1fr 1fr;
}

@media (width <= 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }

  .page .left {
    padding: 22px 20px;
  }

  .page .left h1 {
    font-size: 30px;
    margin-bottom: 8px;
  }

  .page .brand {
    margin-bottom: 18px;
  }

  .page .path {
    display: none;
  }

  .page .right {
    padding: 24px 20px 40px;
  }
}

.left {
  --ground: light-dark(#4b5d3a, #2b3524);

  background: var(--ground);
  color: var(--on-dark);
  padding: 12vh 64px 40px;
}

.brand {
  display: flex;
  align-items: center;
  gap: 12px;
  font: 600 26px/1 var(--heading);
  margin: 0 0 56px;
}

.brand img {
  border-radius: 7px;
  border: 1px solid var(--on-dark);
}

.left h1 {
  font-size: 46px;
  max-width: 11em;
  margin-bottom: 20px;
}

.left h1 + p {
  max-width: 34em;
  font-size: 17px;
}

.path {
  display: block;
  width: 100%;
  margin-top: 70px;
}

.path .ground,
.path .worn {
  fill: none;
  stroke: #65784f;
  stroke-width: 13;
  stroke-linecap: round;
}

.path .worn {
  stroke: #b9ad8d;
}

.path circle {
  fill: var(--ground);
  stroke: var(--on-dark);
  stroke-width: 4;
}

.path .full {
  fill: var(--on-dark);
  stroke: none;
}

.right {
  padding: 12vh 64px 40px;
}

form {
  max-width: 340px;
}

h2 {
  margin-bottom: 14px;
  font-size: 24px;
}

.waits {
  margin: 18px 0 0;
}

.demo {
  margin-top: 44px;
  max-width: 440px;
}

.demo h2 {
  margin-bottom: 2px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--line-strong);
}

li button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 8px 6px;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line-strong);
  cursor: pointer;
}

li button:hover {
  background: var(--moss-pale);
}

li span {
  color: var(--ink-soft);
}
</style>
