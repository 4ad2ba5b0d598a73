<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, take, type ReleasingView, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useCursor } from '../shared/cursor';
import { useDraft } from '../shared/draft';
import { useSession } from '../shared/session';
import { dayAndTime } from '../shared/when';
import FindingLine from '../shared/FindingLine.vue';
import { byWeight } from '../shared/weights';
import StateTag from '../shared/StateTag.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import { useComments } from '../shared/comments';
import AuthorsPanel from './AuthorsPanel.vue';
import BulletinPanel from './BulletinPanel.vue';
import DifferencesPanel from './DifferencesPanel.vue';
import HoldersPanel from './HoldersPanel.vue';
import RecordPanel from './RecordPanel.vue';
import RoundPanel from './RoundPanel.vue';
import SignaturesPanel from './SignaturesPanel.vue';
import ValueReadings from './ValueReadings.vue';
import ActButton from '../shared/ActButton.vue';
import { happened } from './happened';
import { vFocus } from '../shared/focus';

/** Bringing a revision through its life: sent, returned with a reason, released by somebody else. */
const draft = useDraft();
const cursor = useCursor();
const session = useSession();
const router = useRouter();
const comments = useComments();
const trouble = ref<Trouble | null>(null);
const reason = ref('');
const waiving = ref<string | null>(null);
const asking = ref<'send' | 'return' | 'withdraw' | null>(null);
/** What is about to be released, told once more before it is. */
const releasing = ref<ReleasingView | null>(null);
const busy = ref(false);

const revision = computed(() => draft.revision!);
const path = computed(() => ({ params: { path: { id: revision.value.id } } }));

// What may happen now depends on what was written since the procedure was opened.
onMounted(async () => {
  try {
    await draft.settled();
    await draft.refresh();
  } catch (error) {
    trouble.value = troubleOf(error);
  }
});

async function attempt(work: () => Promise<unknown>): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await draft.settled();
    await work();
    asking.value = null;
    waiving.value = null;
    releasing.value = null;
    reason.value = '';
    await draft.refresh();
  } catch (error) {
    trouble.value = troubleOf(error);
    await draft.refresh();
  } finally {
    busy.value = false;
  }
}

/** Who is asked by name to look at it. */
const asked = ref<string[]>([]);
/** What was released before is not changed without a reason. */
const send = (): void => (revision.value.may.sayWhy ? void (asking.value = 'send') : void give('send', ''));
const release = (): Promise<void> => attempt(() => take(api.POST('/api/revisions/{id}/release', path.value)));
const callBack = (): Promise<void> => attempt(() => take(api.POST('/api/revisions/{id}/call-back', path.value)));

/** Says what would be released, and by which rules; where it cannot be, the release itself says why. */
async function askRelease(): Promise<void> {
  if (!revision.value.may.release) return release();
  await attempt(() => draft.refresh());
  if (trouble.value || !revision.value.may.release) return;
  try {
    releasing.value = await take(api.GET('/api/revisions/{id}/release', path.value));
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}

// What somebody else does meanwhile ends the question.
watch(
  () => [revision.value.state, revision.value.may.release],
  () => (releasing.value = null),
);

/** What a reason is asked for, and what is done with it. */
const REASONS = {
  send: {
    asks: 'Why does it change what people work from? It stands on the sheet beside what has changed.',
    act: 'Send it',
    does: (why: string) => take(api.POST('/api/revisions/{id}/send', { ...path.value, body: { why, ask: asked.value } })),
  },
  return: {
    asks: 'What should the author change?',
    act: 'Return it',
    does: (text: string) => take(api.POST('/api/revisions/{id}/return', { ...path.value, body: { text } })),
  },
  withdraw: {
    asks: 'Why should nobody follow it any more?',
    act: 'Withdraw it',
    does: (text: string) => take(api.POST('/api/revisions/{id}/withdraw', { ...path.value, body: { text } })),
  },
};
const give = (what: keyof typeof REASONS, text: string): Promise<void> => attempt(() => REASONS[what].does(text));

const waive = (): Promise<void> =>
  attempt(() => take(api.POST('/api/revisions/{id}/waivers', { ...path.value, body: { key: waiving.value ?? '', reason: reason.value } })));
const takeBack = (waiver: number): Promise<void> =>
  attempt(() => take(api.POST('/api/revisions/{id}/waivers/{waiver}/take-back', { params: { path: { id: revision.value.id, waiver } } })));

const former = computed(() => revision.value.revisions.find((r) => r.state === 'released')?.letter);
const releaseHead = ref<HTMLElement | null>(null);
watch(releaseHead, (head) => head?.focus());

async function revise(): Promise<void> {
  await attempt(async () => {
    const opened = await take(api.POST('/api/revisions/{id}/revise', path.value));
    await router.push({ name: 'write', params: { id: opened.revisionId } });
  });
}

const next = computed(() => {
  const { state, may } = revision.value;
  if (state === 'draft') {
    if (!revision.value.may.edit) return 'It is being written. It can be looked at; it is reviewed once its author sends it.';
    return draft.stops > 0
      ? 'It can be sent for review as it is; it cannot be released before the findings that stop it are cleared.'
      : 'Nothing stops it. Send it for review; somebody who did not write on it releases it.';
  }
  if (state === 'in review') {
    if (may.release) return 'Nothing stops it. Release it, or return it with a reason.';
    if (may.whyNotRelease) return may.whyNotRelease;
    return may.return
      ? 'Return it with a reason, or leave it to an approver to release.'
      : `A reviewer looks at it now. It stands still until it is returned or released${may.callBack ? ', or you call it back' : ''}.`;
  }
  if (state === 'released') return 'It is released and cannot be changed. A new revision starts from it.';
  return state === 'superseded' ? 'A later revision has been released.' : 'Nobody should follow it any more.';
});
</script>

<template>
  <main id="main" class="review" aria-label="Review">
    <section class="life" tabindex="0" aria-label="Life of the revision">
      <h1>Review</h1>
      <p class="state"><StateTag :state="revision.state" :letter="revision.letter" /> {{ next }}</p>
      <TroubleNote v-if="trouble" :trouble="trouble" />
      <div class="acts">
        <ActButton v-if="revision.may.send" type="primary" :loading="busy" @click="send">Send for review</ActButton>
        <ActButton
          v-if="session.is('approver') && revision.state === 'in review'"
          :type="revision.may.release ? 'primary' : 'default'"
          :loading="busy"
          :aria-expanded="releasing !== null"
          @click="askRelease"
          >Release revision {{ revision.letter }}</ActButton
        >
        <ActButton v-if="revision.may.callBack" :loading="busy" @click="callBack">Call it back</ActButton>
        <ActButton v-if="revision.may.return" @click="asking = 'return'">Return with a reason</ActButton>
        <ActButton v-if="revision.may.revise" type="primary" :loading="busy" @click="revise">Start a new revision</ActButton>
        <ActButton v-if="revision.may.withdraw" @click="asking = 'withdraw'">Withdraw</ActButton>
        <a v-if="!revision.may.blind" class="file" :href="`/api/revisions/${revision.id}/file`" download>Save as a file</a>
      </div>
      <fieldset v-if="revision.may.send && comments.view?.canBeAsked.length" class="asked">
        <legend>Asked by name to look at it</legend>
        <label v-for="one in comments.view.canBeAsked" :key="one.id"
          ><input v-model="asked" type="checkbox" :value="one.id" /> {{ one.name }}</label
        >
      </fieldset>
      <section v-if="releasing" class="releasing" aria-labelledby="releasing">
        <h2 id="releasing" ref="releaseHead" tabindex="-1">
          Release {{ revision.number }} {{ revision.title }}, revision {{ revision.letter }}?
        </h2>
        <ul>
          <li v-for="line in releasing.what" :key="line">{{ line }}</li>
          <li v-if="former">Revision {{ former }} is superseded by it.</li>
          <li>
            Judged by the house rules{{ releasing.rules ? `, version ${releasing.rules}` : ' a workshop begins with' }}.
            <details>
              <summary>Where practice has more than one way</summary>
              <ul>
                <li v-for="way in releasing.ways" :key="way">{{ way }}</li>
              </ul>
            </details>
          </li>
        </ul>
        <p>Everybody in the workshop works from it then, and it cannot be changed any more.</p>
        <ActButton type="primary" :loading="busy" @click="release">Release it</ActButton>
        <ActButton @click="releasing = null">Not now</ActButton>
      </section>
      <form v-if="asking" class="reason" @submit.prevent="give(asking, reason)">
        <label for="reason">{{ REASONS[asking].asks }}</label>
        <textarea id="reason" v-model="reason" v-focus class="plain" rows="3" maxlength="2000"></textarea>
        <div>
          <ActButton type="primary" html-type="submit" :loading="busy">{{ REASONS[asking].act }}</ActButton>
          <ActButton @click="asking = null">Not now</ActButton>
        </div>
      </form>
      <SignaturesPanel />
      <BulletinPanel />
      <HoldersPanel v-if="!session.isReader && !['draft', 'in review'].includes(revision.state)" />
      <RoundPanel />
      <DifferencesPanel v-if="revision.revisions.length > 1" />
      <ValueReadings v-if="revision.state !== 'draft'" />
      <AuthorsPanel />
      <h2>What happened</h2>
      <ol class="events">
        <li v-for="(event, i) in revision.events" :key="i">
          <span class="figures when">{{ dayAndTime(event.at) }}</span>
          <span
            ><strong>{{ event.who }}</strong> {{ happened[event.kind] }}<q v-if="event.text">{{ event.text }}</q></span
          >
        </li>
      </ol>
      <RecordPanel v-if="!revision.may.blind && !session.isReader" />
      <template v-if="revision.revisions.length > 1">
        <h2>Revisions</h2>
        <ul class="revisions">
          <li v-for="other in revision.revisions" :key="other.id">
            <router-link :to="{ name: 'review', params: { id: other.id } }"
              ><StateTag :state="other.state" :letter="other.letter"
            /></router-link>
          </li>
        </ul>
      </template>
    </section>
    <section class="found" tabindex="0" aria-label="Findings">
      <h2>
        Findings <span class="figures count">{{ draft.findings.length }}</span>
      </h2>
      <p v-if="draft.findings.length === 0">
        The walk found nothing: every joint is tight, every part where it belongs, everything connected, every aid away, the vehicle on the
        ground.
      </p>
      <ol v-else>
        <li v-for="finding in byWeight(draft.findings)" :key="finding.waiverKey + finding.message" :class="{ waived: finding.waiver }">
          <button type="button" class="place figures" @click="cursor.show(finding)">
            {{ finding.stepNumber ? `Step ${finding.stepNumber}` : 'Sheet' }}
          </button>
          <FindingLine :finding="finding" />
          <p class="waive">
            <button
              v-if="!comments.view?.whyNot"
              type="button"
              class="link"
              @click="comments.write({ kind: 'finding', target: finding.waiverKey ?? '', start: 0, length: 0 }, false)"
            >
              comment
            </button>
            <template v-if="revision.may.judge && finding.severity === 'warn'">
              <button v-if="finding.waiver" type="button" class="link" @click="takeBack(finding.waiver.id)">take the waiver back</button>
              <button
                v-else-if="waiving !== finding.waiverKey"
                type="button"
                class="link"
                @click="((waiving = finding.waiverKey ?? null), (reason = ''))"
              >
                waive with a reason
              </button>
            </template>
          </p>
          <form v-if="waiving === finding.waiverKey" class="reason" @submit.prevent="waive">
            <label for="waiver">Why may this warning stand?</label>
            <textarea id="waiver" v-model="reason" v-focus class="plain" rows="2" maxlength="2000"></textarea>
            <div>
              <ActButton type="primary" html-type="submit" :loading="busy">Let it stand</ActButton>
              <ActButton @click="waiving = null">Not now</ActButton>
            </div>
          </form>
        </li>
      </ol>
      <template v-if="revision.fallenAway.length">
        <h2>Waivers that hold nothing any more</h2>
        <p class="quiet">What they were given for has changed, or is no longer found.</p>
        <ul>
          <li v-for="old in revision.fallenAway" :key="old.id">
            <span class="figures">{{ old.key.split(':')[0] }}</span> {{ old.who }}, {{ dayAndTime(old.at) }}: <q>{{ old.why }}</q>
          </li>
        </ul>
      </template>
    </section>
  </main>
</template>

<style scoped>
.releasing {
  margin-bottom: 22px;
  padding: 10px 16px 14px;
  background: var(--field);
  border: 1.5px solid var(--moss);
}

.releasing h2 {
  margin-top: 0;
  outline: none;
}

.releasing ul {
  margin: 6px 0;
  padding-left: 18px;
  font-size: 14.5px;
}

.releasing button {
  margin-right: 8px;
}

.review {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}

@media (width <= 980px) {
  .review {
    display: block;
    overflow: auto;
  }
}

.life,
.found {
  overflow-y: auto;
  padding: 22px 30px 60px;
}

.found {
  background: var(--sheet);
  border-left: 1px solid var(--line-strong);
}

.state {
  font-size: 17px;
  max-width: 44em;
  line-height: 1.6;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-bottom: 22px;
}

.file {
  margin-left: 6px;
}

.reason {
  display: grid;
  gap: 8px;
  max-width: 520px;
  margin-bottom: 22px;
}

.reason label {
  font-weight: 600;
}

.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: -12px 0 22px;
  padding: 0;
  border: 0;
}

.asked legend {
  padding: 0;
  font-size: 14px;
  color: var(--ink-soft);
}

.reason div {
  display: flex;
  gap: 8px;
}

.events {
  list-style: none;
  margin: 8px 0 24px;
  padding: 0;
  border-top: 1px solid var(--line-strong);
}

@media (width <= 620px) {
  .life,
  .found {
    padding: 16px 14px 40px;
  }
}

.events li {
  display: grid;
  grid-template-columns: 170px 1fr;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.when {
  font-size: 13px;
  color: var(--ink-soft);
}

q {
  display: block;
  margin-top: 3px;
  quotes: '“' '”';
}

.revisions {
  list-style: none;
  padding: 0;
  display: flex;
  gap: 10px;
}

.count {
  font-size: 17px;
}

.found ol {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}

.found li {
  display: grid;
  grid-template-columns: 74px 1fr;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}

.waive {
  grid-column: 2;
  display: flex;
  gap: 14px;
  margin: 2px 0 0 26px;
}

.place {
  justify-self: start;
  align-self: start;
  font-size: 13px;
  line-height: 20px;
  color: var(--moss);
  text-decoration: underline;
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}
</style>
