<script setup lang="ts">
import { onMounted, ref } from 'vue';
import PlainPage from '../frame/PlainPage.vue';
import { api, take, type LinkMade, type PersonLine, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';
import { dayAndTime } from '../shared/when';
import AuditSection from './AuditSection.vue';
import LinkNote from './LinkNote.vue';
import MailSection from './MailSection.vue';
import PersonForm, { type PersonDraft } from './PersonForm.vue';
import Scrolls from '../shared/Scrolls.vue';
import ActButton from '../shared/ActButton.vue';

/** Who may sign in, and as what. Nobody is deleted: what somebody wrote and signed keeps her name. */
const people = ref<PersonLine[] | null>(null);
const trouble = ref<Trouble | null>(null);
const said = ref('');
const link = ref<(LinkMade & { name: string }) | null>(null);
const inviting = ref(false);
const changing = ref<string | null>(null);
const busy = ref(false);

const load = async (): Promise<void> => void (people.value = await take(api.GET('/api/people')));

async function attempt(work: () => Promise<unknown>, done = ''): Promise<boolean> {
  busy.value = true;
  trouble.value = null;
  said.value = '';
  try {
    await work();
    await load();
    said.value = done;
    return true;
  } catch (error) {
    trouble.value = troubleOf(error);
    return false;
  } finally {
    busy.value = false;
  }
}

onMounted(() => attempt(() => Promise.resolve()));

async function invite(draft: PersonDraft): Promise<void> {
  const made = await attempt(async () => (link.value = { ...(await take(api.POST('/api/people', { body: draft }))), name: draft.name }));
  if (made) inviting.value = false;
}

async function change(person: PersonLine, { name, email, roles }: PersonDraft): Promise<void> {
  const body = { name, email, roles };
  if (await attempt(() => take(api.PUT('/api/people/{person}', { params: { path: { person: person.id } }, body })), `${name} is changed.`))
    changing.value = null;
}

const path = (person: PersonLine): { params: { path: { person: string } } } => ({ params: { path: { person: person.id } } });
const disable = (p: PersonLine): Promise<boolean> =>
  attempt(() => take(api.POST('/api/people/{person}/disable', path(p))), `${p.name} is signed out everywhere and signs in no more.`);
const enable = (p: PersonLine): Promise<boolean> =>
  attempt(() => take(api.POST('/api/people/{person}/enable', path(p))), `${p.name} signs in again as before.`);
const unlock = (p: PersonLine): Promise<boolean> =>
  attempt(() => take(api.POST('/api/people/{person}/unlock', path(p))), `The wrong tries of ${p.name} are forgotten.`);
const reset = (p: PersonLine): Promise<boolean> =>
  attempt(async () => (link.value = { ...(await take(api.POST('/api/people/{person}/reset', path(p)))), name: p.name }));
</script>

<template>
  <PlainPage name="People">
    <div class="head">
      <h1>People</h1>
      <p class="quiet">Who may sign in, and as what. Nobody is deleted: what somebody wrote and signed keeps her name.</p>
      <ActButton type="primary" @click="inviting = !inviting">Invite somebody</ActButton>
    </div>
    <PersonForm v-if="inviting" is-new :busy="busy" @keep="invite" @leave="inviting = false" />
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="said" role="status" class="said">{{ said }}</p>
    <LinkNote v-if="link" :link="link" @done="link = null" />
    <Scrolls v-if="people" name="People">
      <table>
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Roles</th>
            <th scope="col">Access</th>
            <th scope="col">Second factor</th>
            <th scope="col">Last seen</th>
            <th scope="col"><span class="visually-hidden">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="person in people" :key="person.id">
            <tr :class="person.state">
              <td>
                <strong>{{ person.name }}</strong> <span v-if="person.isMe" class="quiet">(you)</span>
                <span class="account figures">{{ person.userName }}</span>
              </td>
              <td>{{ person.roles.join(', ') }}</td>
              <td>
                <span v-if="person.state === 'active'">active</span>
                <span v-else-if="person.state === 'disabled'" class="off">✕ disabled</span>
                <span v-else class="waits">
                  <template v-if="person.linkEndsAt">○ invited, until {{ dayAndTime(person.linkEndsAt) }}</template>
                  <template v-else>○ invited, the link is too old</template>
                </span>
                <span v-if="person.wrongTries >= 5" class="tries"
                  >▲ {{ person.wrongTries }} wrong tries in the last quarter of an hour</span
                >
              </td>
              <td>{{ person.hasFactor ? 'yes' : 'no' }}</td>
              <td>
                {{ person.seenAt ? dayAndTime(person.seenAt) : 'never' }}
                <span v-if="person.sessions" class="quiet">({{ person.sessions }} session{{ person.sessions === 1 ? '' : 's' }} open)</span>
              </td>
              <td>
                <div class="acts">
                  <button
                    type="button"
                    class="link"
                    :aria-label="`Change ${person.name}`"
                    :aria-expanded="changing === person.id"
                    @click="changing = changing === person.id ? null : person.id"
                  >
                    Change
                  </button>
                  <template v-if="!person.isMe">
                    <button
                      v-if="person.wrongTries > 0"
                      type="button"
                      class="link"
                      :disabled="busy"
                      :aria-label="`Unlock ${person.name}`"
                      @click="unlock(person)"
                    >
                      Unlock
                    </button>
                    <button
                      v-if="person.state !== 'disabled'"
                      type="button"
                      class="link"
                      :disabled="busy"
                      :aria-label="`${person.state === 'active' ? 'Reset' : 'New link for'} ${person.name}`"
                      :title="
                        person.state === 'active'
                          ? 'Password and second factor hold no more; a new link is made'
                          : 'The former link opens nothing any more'
                      "
                      @click="reset(person)"
                    >
                      {{ person.state === 'active' ? 'Reset' : 'New link' }}
                    </button>
                    <button
                      v-if="person.state !== 'disabled'"
                      type="button"
                      class="link"
                      :disabled="busy"
                      :aria-label="`Disable ${person.name}`"
                      @click="disable(person)"
                    >
                      Disable
                    </button>
                    <button
                      v-else
                      type="button"
                      class="link"
                      :disabled="busy"
                      :aria-label="`Enable ${person.name}`"
                      @click="enable(person)"
                    >
                      Enable
                    </button>
                  </template>
                </div>
              </td>
            </tr>
            <tr v-if="person.state === 'disabled' && person.owns" class="note">
              <td colspan="6">
                {{ person.owns }} procedure{{ person.owns === 1 ? ' is' : 's are' }} still {{ person.name }}’s: hand
                {{ person.owns === 1 ? 'it' : 'them' }} over under Review.
              </td>
            </tr>
            <tr v-if="changing === person.id" class="form">
              <td colspan="6">
                <PersonForm :person="person" :busy="busy" @keep="change(person, $event)" @leave="changing = null" />
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </Scrolls>
    <p v-else-if="!trouble" class="quiet" role="status">Looking …</p>
    <MailSection />
    <AuditSection :after="people" />
  </PlainPage>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 22px;
  margin-bottom: 14px;
}

.head p {
  flex: 1;
  margin: 0;
}

.said {
  padding: 8px 12px;
  background: var(--moss-pale);
  border-left: 4px solid var(--moss);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  text-align: left;
  font: 600 16px/1.1 var(--heading);
  padding: 7px 14px 7px 0;
  border-bottom: 1.5px solid var(--ink);
}

td {
  padding: 8px 14px 8px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}

.account {
  display: block;
  font-size: 13px;
  color: var(--ink-soft);
}

.off,
.tries {
  color: var(--clay);
  font-weight: 600;
}

.tries {
  display: block;
  font-size: 14px;
}

.waits {
  color: var(--ochre);
}

.disabled td:first-child strong {
  font-weight: 400;
  text-decoration: line-through;
}

.acts {
  display: flex;
  gap: 14px;
  justify-content: flex-end;
}

.note td {
  font-size: 14px;
  background: var(--ochre-pale);
  padding-left: 10px;
}

.form td {
  padding: 0 0 12px;
}
</style>
