<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import PlainPage from '../frame/PlainPage.vue';
import { api, take, type FactorSetup, type MeView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { look, type Look } from '../shared/look';
import { singleKeys } from '../shared/singleKeys';
import { wordsAhead } from '../shared/wordsAhead';
import { useSession } from '../shared/session';
import TroubleNote from '../shared/TroubleNote.vue';
import { dayAndTime } from '../shared/when';
import { browserName } from './browserName';
import PasswordField from './PasswordField.vue';
import Scrolls from '../shared/Scrolls.vue';
import ActButton from '../shared/ActButton.vue';

/** A person's own access: password, second factor, where she is signed in. */
const session = useSession();
const route = useRoute();
const router = useRouter();
const me = ref<MeView | null>(null);
const trouble = ref<Trouble | null>(null);
const said = ref('');
const password = ref('');
const setup = ref<FactorSetup | null>(null);
const code = ref('');
const codes = ref<string[]>([]);
const busy = ref(false);

const load = async (): Promise<void> => void (me.value = await take(api.GET('/api/me')));

async function attempt(work: () => Promise<void>, done = ''): Promise<void> {
  busy.value = true;
  trouble.value = null;
  said.value = '';
  try {
    await work();
    await load();
    said.value = done;
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}

onMounted(() => attempt(() => Promise.resolve()));

const changePassword = (): Promise<void> =>
  attempt(async () => {
    await take(api.PUT('/api/me/password', { body: { password: password.value } }));
    password.value = '';
  }, 'Your password is the new one. You are signed out everywhere else.');
const begin = (): Promise<void> => attempt(async () => void (setup.value = await take(api.POST('/api/me/factor'))));
const keep = (): Promise<void> =>
  attempt(async () => {
    codes.value = (await take(api.PUT('/api/me/factor', { body: { code: code.value } }))).recoveryCodes;
    setup.value = null;
    code.value = '';
    await session.load();
  }, 'The second factor is asked for from now on. You are signed out everywhere else.');
const drop = (): Promise<void> =>
  attempt(async () => void (await take(api.DELETE('/api/me/factor'))), 'No second factor is asked for any more.');
const newCodes = (): Promise<void> =>
  attempt(
    async () => void (codes.value = (await take(api.POST('/api/me/recovery-codes'))).recoveryCodes),
    'The former recovery codes open nothing any more.',
  );
const end = (id: number): Promise<void> =>
  attempt(
    async () => void (await take(api.DELETE('/api/me/sessions/{session}', { params: { path: { session: id } } }))),
    'That session has ended.',
  );
/** The address of the calendar: shown once. */
const calendar = ref('');
const makeCalendar = (): Promise<void> =>
  attempt(
    async () => void (calendar.value = (await take(api.POST('/api/me/calendar'))).address),
    'Copy the address into your calendar program now: it is not shown again.',
  );
const dropCalendar = (): Promise<void> =>
  attempt(async () => {
    await take(api.DELETE('/api/me/calendar'));
    calendar.value = '';
  }, 'The address opens nothing any more.');
const endOthers = (): Promise<void> =>
  attempt(async () => void (await take(api.DELETE('/api/me/sessions'))), 'All other sessions have ended.');

const others = computed(() => me.value?.sessions.filter((s) => !s.isThis).length ?? 0);
const goOn = (): Promise<unknown> =>
  router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/');

const looks: { value: Look; label: string }[] = [
  { value: 'system', label: 'as the system has it' },
  { value: 'light', label: 'light' },
  { value: 'dark', label: 'dark, for the shop floor' },
];
</script>

<template>
  <PlainPage name="Your access">
    <div v-if="me" class="me">
      <header>
        <h1>{{ me.name }}</h1>
        <p class="quiet">
          Account <span class="figures">{{ me.userName }}</span> · {{ me.roles.join(', ')
          }}<template v-if="me.email"> · {{ me.email }}</template>
        </p>
      </header>
      <p v-if="session.view?.factorDue" class="due" role="alert">
        <strong>Your role needs a second factor.</strong> Set it up here; everything else opens afterwards.
      </p>
      <TroubleNote v-if="trouble" :trouble="trouble" />
      <p v-if="said" role="status" class="said">{{ said }}</p>

      <section aria-labelledby="factor">
        <h2 id="factor">Second factor</h2>
        <template v-if="codes.length">
          <p>
            <strong>Write these recovery codes down now; they are not shown again.</strong> Each opens once, in place of a code of the app.
          </p>
          <ul class="codes figures">
            <li v-for="one in codes" :key="one">{{ one }}</li>
          </ul>
          <ActButton type="primary" @click="codes = []">I have them</ActButton>
        </template>
        <template v-else-if="setup">
          <div class="setup">
            <img :src="setup.picture" alt="The secret as a square code, to be scanned by an authenticator app" width="190" height="190" />
            <form @submit.prevent="keep">
              <p>Scan this with an authenticator app, or type its secret there:</p>
              <p class="figures secret">{{ setup.secret }}</p>
              <div class="field">
                <label for="first-code">Code the app shows now</label>
                <input
                  id="first-code"
                  v-model="code"
                  class="plain figures"
                  autocomplete="one-time-code"
                  inputmode="numeric"
                  required
                  maxlength="10"
                />
              </div>
              <div class="answers">
                <ActButton type="primary" html-type="submit" :loading="busy">Keep it</ActButton>
                <ActButton @click="setup = null">Do not</ActButton>
              </div>
            </form>
          </div>
        </template>
        <template v-else-if="me.hasFactor">
          <p>
            A code of your app is asked for at each sign-in. {{ me.recoveryCodes }} recovery code{{
              me.recoveryCodes === 1 ? ' is' : 's are'
            }}
            left.
          </p>
          <p class="line">
            <button type="button" class="link" :disabled="busy" @click="newCodes">New recovery codes</button>
            <button v-if="!me.factorNeeded" type="button" class="link" :disabled="busy" @click="drop">Take the second factor away</button>
          </p>
          <ActButton v-if="route.query.to" type="primary" @click="goOn">Go on where you were</ActButton>
        </template>
        <template v-else>
          <p>
            With a second factor your password alone opens nothing: at each sign-in you give six figures that an app on your phone shows.
          </p>
          <ActButton :type="session.view?.factorDue ? 'primary' : 'default'" :loading="busy" @click="begin">Set it up</ActButton>
        </template>
      </section>

      <section aria-labelledby="password">
        <h2 id="password">Password</h2>
        <form class="narrow" @submit.prevent="changePassword">
          <PasswordField v-model="password" label="New password" />
          <ActButton html-type="submit" :loading="busy">Change it</ActButton>
        </form>
      </section>

      <section aria-labelledby="look">
        <h2 id="look">The page in this browser</h2>
        <fieldset class="looks">
          <legend class="visually-hidden">Light or dark</legend>
          <label v-for="one in looks" :key="one.value"
            ><input v-model="look" type="radio" name="look" :value="one.value" /> {{ one.label }}</label
          >
        </fieldset>
        <label class="switch"><input v-model="singleKeys" type="checkbox" /> “?” alone opens the list of keys</label>
        <label class="switch"
          ><input v-model="wordsAhead" type="checkbox" /> Words and the likely next step are offered while a step is written</label
        >
      </section>

      <section aria-labelledby="calendar">
        <h2 id="calendar">Calendar</h2>
        <p>
          Your calendar program can fetch what waits for you and what falls due. The address is yours alone: whoever has it reads that, and
          nothing else.
        </p>
        <p v-if="calendar" class="figures address">
          <label for="calendar-address" class="visually-hidden">Address of your calendar</label>
          <input id="calendar-address" class="plain" :value="calendar" readonly @focus="($event.target as HTMLInputElement).select()" />
        </p>
        <p class="line">
          <ActButton size="small" :loading="busy" @click="makeCalendar">{{
            me.hasCalendar ? 'Make another address' : 'Make the address'
          }}</ActButton>
          <button v-if="me.hasCalendar" type="button" class="link" :disabled="busy" @click="dropCalendar">Take the address away</button>
        </p>
      </section>

      <section aria-labelledby="sessions">
        <div class="line">
          <h2 id="sessions">Where you are signed in</h2>
          <button v-if="others" type="button" class="link" :disabled="busy" @click="endOthers">End all others</button>
        </div>
        <Scrolls name="Sessions">
          <table>
            <thead>
              <tr>
                <th scope="col">Browser</th>
                <th scope="col">From</th>
                <th scope="col">Since</th>
                <th scope="col">Last seen</th>
                <th scope="col">Ends</th>
                <th scope="col"><span class="visually-hidden">End</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in me.sessions" :key="one.id">
                <td>{{ browserName(one.browser) }}</td>
                <td class="figures">{{ one.address }}</td>
                <td>{{ dayAndTime(one.begunAt) }}</td>
                <td>{{ dayAndTime(one.seenAt) }}</td>
                <td>{{ dayAndTime(one.endsAt) }}</td>
                <td>
                  <strong v-if="one.isThis">this one</strong>
                  <button
                    v-else
                    type="button"
                    class="link"
                    :aria-label="`End it: the session of ${browserName(one.browser)}`"
                    @click="end(one.id)"
                  >
                    End it
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </Scrolls>
      </section>
    </div>
    <TroubleNote v-else-if="trouble" :trouble="trouble" />
    <p v-else class="quiet" role="status">Looking …</p>
  </PlainPage>
</template>

<style scoped>
.switch {
  display: block;
  margin-top: 4px;
}

.address input {
  width: 100%;
  box-sizing: border-box;
}

.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  border: 0;
  margin: 6px 0 0;
  padding: 0;
}

.me {
  max-width: 920px;
}

header p {
  margin: 4px 0 0;
}

section {
  margin-top: 30px;
  padding-top: 16px;
  border-top: 1px solid var(--line-strong);
}

h2 {
  margin-bottom: 8px;
}

.narrow {
  max-width: 400px;
}

.due {
  padding: 8px 12px;
  background: var(--ochre-pale);
  border-left: 4px solid var(--ochre-mark);
}

.said {
  padding: 8px 12px;
  background: var(--moss-pale);
  border-left: 4px solid var(--moss);
}

.line {
  display: flex;
  align-items: baseline;
  gap: 18px;
}

.setup {
  display: flex;
  gap: 28px;
  align-items: start;
}

.setup img {
  background: var(--field);
  border: 1px solid var(--line-strong);
}

.secret {
  font-size: 15px;
}

.codes {
  display: grid;
  grid-template-columns: repeat(2, max-content);
  gap: 5px 34px;
  margin: 0 0 14px;
  padding: 0;
  list-style: none;
  font-size: 16px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  text-align: left;
  font: 600 15px/1.1 var(--heading);
  padding: 7px 12px 7px 0;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 7px 12px 7px 0;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}
</style>
