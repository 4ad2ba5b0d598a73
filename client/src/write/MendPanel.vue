<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, onMounted, ref, watch } from 'vue';
import { api, take, type Edit, type MendingView, type Saying, type ThingKind, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import TroubleNote from '../shared/TroubleNote.vue';
import ActButton from '../shared/ActButton.vue';

/**
 * The author's word on one thing that was read, or on one that was not: the likeliest answers first, each a key away; behind them
 * all that can be said of it.
 */
const props = defineProps<{ id: string; chip: number | null; words?: string }>();
const emit = defineEmits<{ done: [] }>();
const draft = useDraft();
const root = ref<HTMLElement | null>(null);
const mending = ref<MendingView | null>(null);
const trouble = ref<Trouble | null>(null);
/** What is being said in full; null while only the answers stand open. */
const saying = ref<Saying | null>(null);
/** What it is done to: an id, "vehicle", or "new". */
const target = ref('');
/** How many: "all", "rest" or a number. */
const some = ref('all');
const newKinds: ThingKind[] = ['joint', 'part', 'connection', 'aid', 'fluid', 'tool', 'consumable', 'control'];

const JointBeside = defineAsyncComponent(() => import('./JointBeside.vue'));
const showsJoint = ref(false);
const joint = computed(() => draft.things.find((t) => t.kind === 'joint' && t.id === mending.value?.now?.target));

const isMore = computed(() => props.chip === null);
const things = computed(() => [...draft.things].sort((a, b) => newKinds.indexOf(a.kind) - newKinds.indexOf(b.kind)));
const kind = computed<ThingKind | null>(() =>
  target.value === 'new' ? (saying.value?.newKind ?? null) : (draft.things.find((t) => t.id === target.value)?.kind ?? null),
);
const verbs = computed(() => mending.value?.doing.find((d) => (d.kind ?? null) === kind.value)?.verbs ?? []);
const withs = computed(() => draft.things.filter((t) => ['aid', 'tool', 'consumable'].includes(t.kind)));
/** What it comes off or goes onto, or comes along with. */
const hosts = computed(() => draft.things.filter((t) => t.kind === 'part' && t.id !== target.value));
const seated = computed(() => kind.value === 'part' && ['remove', 'fit', 'carry'].includes(saying.value?.verb ?? ''));
const isTightening = computed(() => ['torque', 'torquePass', 'retorque'].includes(saying.value?.verb ?? ''));
/** Of what can be there once a side, and of what is repeated, it is said where. */
const sided = computed(() => saying.value?.verb === 'repeat' || ['joint', 'part', 'connection', 'aid'].includes(kind.value ?? ''));
const turns = computed(() => ['turnOn', 'backOff', 'align'].includes(saying.value?.verb ?? ''));

async function load(words?: string): Promise<void> {
  try {
    const query = props.chip === null ? { words } : { chip: props.chip };
    mending.value = await take(
      api.GET('/api/revisions/{id}/steps/{step}/mending', { params: { path: { id: draft.revision?.id ?? 0, step: props.id }, query } }),
    );
    // Other words chosen: what was said of them so far stays.
    if (isMore.value && !saying.value) say();
  } catch (error) {
    trouble.value = troubleOf(error);
    return;
  }
}

onMounted(async () => {
  await load(props.words);
  await nextTick();
  root.value?.querySelector<HTMLElement>(isMore.value ? 'select' : '.answer')?.focus();
});

function say(): void {
  const now = mending.value?.now;
  const blank: Saying = { verb: 'remove', rest: false, new: false, torque: '', angle: '', position: '', if: '', steps: '' };
  saying.value = { ...blank, ...now, newKind: 'part' };
  target.value = now ? (now.target ?? 'vehicle') : (things.value[0]?.id ?? 'new');
  some.value = now?.rest ? 'rest' : now?.some ? String(now.some) : 'all';
  void nextTick(() => root.value?.querySelector<HTMLElement>('form select')?.focus());
}

// Another kind of thing, other verbs: the one chosen stays where it is one of them.
watch(verbs, (now) => {
  if (saying.value && now.length && !now.some((v) => v.verb === saying.value?.verb)) saying.value.verb = now[0]!.verb;
});

async function send(edit: Edit): Promise<void> {
  trouble.value = null;
  if (await draft.sendAndSettle(edit)) emit('done');
}

function sayIt(): void {
  const [now, about] = [saying.value, mending.value];
  if (!now || !about) return;
  const rest = some.value === 'rest';
  void send({
    do: 'sayAction',
    step: props.id,
    words: about.words,
    place: about.place,
    before: about.before,
    now: {
      ...now,
      target: target.value === 'new' || target.value === 'vehicle' ? undefined : target.value,
      newName: target.value === 'new' ? now.newName : undefined,
      newKind: target.value === 'new' ? now.newKind : undefined,
      some: rest || some.value === 'all' ? undefined : Number(some.value),
      rest,
      torque: isTightening.value ? now.torque : '',
      angle: turns.value ? now.angle : '',
      position: now.verb === 'set' ? now.position : '',
      minutes: now.verb === 'wait' ? now.minutes : undefined,
      host: seated.value ? now.host : undefined,
      side: sided.value ? now.side : undefined,
      steps: now.verb === 'repeat' ? now.steps : '',
    },
  });
}

function key(event: KeyboardEvent): void {
  if (event.key === 'Escape') {
    event.stopPropagation();
    // Out of the joint first, then out of all.
    if (showsJoint.value && (event.target as HTMLElement).closest('.beside')) {
      showsJoint.value = false;
      root.value?.querySelector<HTMLElement>('.answer[aria-expanded]')?.focus();
    } else emit('done');
    return;
  }
  if (saying.value || event.ctrlKey || event.metaKey || (event.target as HTMLElement).closest('.beside')) return;
  const answers = mending.value?.answers ?? [];
  if (/^[1-9]$/.test(event.key)) {
    const choice = answers[Number(event.key) - 1];
    if (!choice) return;
    event.preventDefault();
    void send(choice.edit);
  } else if (event.key === '0') {
    event.preventDefault();
    say();
  } else if (event.key === 'ArrowRight' || event.key === 'ArrowLeft') {
    const buttons = [...(root.value?.querySelectorAll<HTMLElement>('.answer') ?? [])];
    const at = buttons.indexOf(document.activeElement as HTMLElement);
    buttons[(at + (event.key === 'ArrowRight' ? 1 : buttons.length - 1)) % buttons.length]?.focus();
    event.preventDefault();
  }
}
</script>

<template>
  <div
    ref="root"
    class="mend"
    role="group"
    :aria-label="isMore ? 'Say what else is done' : `Mend: ${mending?.before ?? ''}`"
    @keydown="key"
  >
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <template v-if="mending && !saying">
      <p class="about">
        <b>{{ mending.before }}</b> <span v-if="mending.words" class="words">from “{{ mending.words }}”</span>
      </p>
      <span class="answers">
        <button v-for="(choice, i) in mending.answers" :key="choice.label" type="button" class="answer" @click="send(choice.edit)">
          <kbd v-if="i < 9">{{ i + 1 }}</kbd> {{ choice.label }}
        </button>
        <button v-if="mending.now" type="button" class="answer" @click="say"><kbd>0</kbd> Say it in full …</button>
        <button v-if="joint" type="button" class="answer" :aria-expanded="showsJoint" @click="showsJoint = !showsJoint">
          {{ joint.id }} {{ joint.name }}: fastener, torque, source …
        </button>
      </span>
      <JointBeside v-if="joint && showsJoint" :id="joint.id" />
    </template>
    <form v-if="mending && saying" class="form" @submit.prevent="sayIt">
      <label v-if="isMore" class="wide"
        ><span>From the words</span
        ><select class="plain" :value="mending.words" @change="load(($event.target as HTMLSelectElement).value)">
          <option v-for="clause in mending.clauses" :key="clause">{{ clause }}</option>
        </select></label
      >
      <label
        ><span>What is done</span
        ><select v-model="saying.verb" class="plain">
          <option v-for="verb in verbs" :key="verb.verb" :value="verb.verb">{{ verb.label }}</option>
        </select></label
      >
      <label
        ><span>To what</span
        ><select v-model="target" class="plain">
          <option v-for="thing in things" :key="thing.id" :value="thing.id">{{ thing.id }} {{ thing.name }}</option>
          <option value="new">something new …</option>
          <option value="vehicle">the vehicle, or nothing on the sheet</option>
        </select></label
      >
      <template v-if="target === 'new'">
        <label
          ><span>It is</span
          ><select v-model="saying.newKind" class="plain">
            <option v-for="one in newKinds" :key="one" :value="one">{{ one === 'aid' ? 'an aid' : `a ${one}` }}</option>
          </select></label
        >
        <label><span>called</span><input v-model="saying.newName" class="plain" maxlength="120" /></label>
      </template>
      <label v-if="kind === 'joint' || kind === 'part'"
        ><span>How many</span
        ><select v-model="some" class="plain">
          <option value="all">all</option>
          <option value="rest">the rest</option>
          <option v-for="n in 12" :key="n" :value="String(n)">{{ n }} of them</option>
        </select></label
      >
      <label v-if="saying.verb === 'repeat'"
        ><span>Which steps</span><input v-model="saying.steps" class="plain" maxlength="80" placeholder="those before it, or 5–9"
      /></label>
      <label v-if="seated && hosts.length"
        ><span>{{ saying.verb === 'fit' ? 'Onto' : saying.verb === 'carry' ? 'Along with' : 'Off' }}</span
        ><select v-model="saying.host" class="plain">
          <option :value="undefined">{{ saying.verb === 'carry' ? 'what it sits on' : 'nothing said' }}</option>
          <option v-for="thing in hosts" :key="thing.id" :value="thing.id">{{ thing.id }} {{ thing.name }}</option>
        </select></label
      >
      <label v-if="sided"
        ><span>On which side</span
        ><select v-model="saying.side" class="plain">
          <option :value="undefined">no side said</option>
          <option value="left">the left</option>
          <option value="right">the right</option>
          <option value="other">the other side</option>
        </select></label
      >
      <label v-if="isTightening"
        ><span>Torque</span><input v-model="saying.torque" class="plain" maxlength="80" placeholder="the joint’s value"
      /></label>
      <label v-if="turns"
        ><span>Angle</span><input v-model="saying.angle" class="plain" maxlength="40" placeholder="90° or 1/4 turn"
      /></label>
      <label v-if="saying.verb === 'set'"><span>Position</span><input v-model="saying.position" class="plain" maxlength="120" /></label>
      <label v-if="saying.verb === 'wait'"
        ><span>Minutes</span><input v-model.number="saying.minutes" class="plain" inputmode="decimal" maxlength="6"
      /></label>
      <label v-if="withs.length"
        ><span>With</span
        ><select v-model="saying.with" class="plain">
          <option :value="undefined">nothing said</option>
          <option v-for="thing in withs" :key="thing.id" :value="thing.id">{{ thing.id }} {{ thing.name }}</option>
        </select></label
      >
      <label><span>Only if</span><input v-model="saying.if" class="plain" maxlength="200" placeholder="always" /></label>
      <label v-if="kind === 'joint' || kind === 'part'" class="check"><input v-model="saying.new" type="checkbox" /> new</label>
      <span class="acts"
        ><ActButton size="small" type="primary" html-type="submit">{{ isMore ? 'Add it' : 'Say so' }}</ActButton
        ><ActButton size="small" @click="emit('done')">Not now</ActButton></span
      >
    </form>
  </div>
</template>

<style scoped>
.mend {
  margin-top: 5px;
  padding: 6px 8px;
  font-size: 14px;
  background: var(--ochre-pale);
  border-left: 3px solid var(--ochre-mark);
}

.about {
  margin: 0 0 5px;
}

.words {
  color: var(--ink-soft);
}

.form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: end;
}

.form label > span {
  display: block;
  font-size: 12.5px;
  color: var(--ink-soft);
}

.form .wide {
  flex-basis: 100%;
}

.form .wide select {
  max-width: 100%;
}

.form .check {
  align-self: center;
}

kbd {
  font: inherit;
  font-size: 11.5px;
  font-weight: 400;
  color: var(--ink-soft);
}

.acts {
  display: flex;
  gap: 6px;
}
</style>
