<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { vFocus } from '../shared/focus';
import { say } from '../shared/say';
import { useSession } from '../shared/session';
import { dayAndTime } from '../shared/when';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';

/** Bulletins against what people work from: something on it is wrong, and everybody who has it open is told at once. */
const draft = useDraft();
const session = useSession();
const trouble = ref<Trouble | null>(null);
const busy = ref(false);
const asking = ref<'give' | number | null>(null);
const text = ref('');
const about = ref('sheet|');
const revision = computed(() => draft.revision!);
const mayGive = computed(() => session.is('approver') && revision.value.state === 'released');
const short = (said: string): string => (said.length > 60 ? `${said.slice(0, 57)}…` : said);

async function attempt(work: () => Promise<unknown>, done: string): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await work();
    [asking.value, text.value, about.value] = [null, '', 'sheet|'];
    say(done);
    await draft.refresh();
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
  }
}
function give(): Promise<void> {
  const [kind, target] = about.value.split('|') as ['sheet' | 'step' | 'value', string];
  const body = { text: text.value, kind, target };
  return attempt(
    () => take(api.POST('/api/revisions/{id}/bulletins', { params: { path: { id: revision.value.id } }, body })),
    'The bulletin is out.',
  );
}
const takeBack = (bulletin: number): Promise<void> =>
  attempt(
    () =>
      take(
        api.POST('/api/revisions/{id}/bulletins/{bulletin}/take-back', {
          params: { path: { id: revision.value.id, bulletin } },
          body: { text: text.value },
        }),
      ),
    'The bulletin is taken back.',
  );
</script>

<template>
  <section v-if="mayGive || revision.bulletins.length" aria-labelledby="bulletins">
    <h2 id="bulletins">Bulletins</h2>
    <p v-if="revision.bulletins.length === 0" class="quiet">
      None. Where something on the sheet is wrong, a bulletin says so at once: on every open page, on its print and its files, until a later
      revision is released.
    </p>
    <ul>
      <li v-for="one in revision.bulletins" :key="one.id">
        <p>
          <template v-if="one.letter !== revision.letter">Against revision {{ one.letter }}: </template
          ><template v-if="one.place">{{ one.place }}: </template><strong>{{ one.text }}</strong>
        </p>
        <p class="quiet">
          {{ one.who }}, {{ dayAndTime(one.at) }}
          <button v-if="mayGive && asking !== one.id" type="button" class="link" @click="((asking = one.id), (text = ''))">
            take it back
          </button>
        </p>
        <form v-if="asking === one.id" @submit.prevent="takeBack(one.id)">
          <label for="why-back">Why can the sheet be followed as it stands?</label>
          <textarea id="why-back" v-model="text" v-focus class="plain" rows="2" maxlength="2000"></textarea>
          <div>
            <ActButton type="primary" html-type="submit" :loading="busy">Take it back</ActButton>
            <ActButton @click="asking = null">Not now</ActButton>
          </div>
        </form>
      </li>
    </ul>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <ActButton v-if="mayGive && asking !== 'give'" size="small" @click="((asking = 'give'), (text = ''))">Give out a bulletin</ActButton>
    <form v-else-if="asking === 'give'" @submit.prevent="give">
      <label for="bulletin-about">What is wrong?</label>
      <select id="bulletin-about" v-model="about" class="plain">
        <option value="sheet|">something on the sheet</option>
        <optgroup label="Torques">
          <option v-for="joint in draft.things.filter((t) => t.kind === 'joint')" :key="joint.id" :value="`value|${joint.id}`">
            {{ joint.id }} {{ joint.name }}: {{ joint.fields.torque || 'no torque' }}
          </option>
        </optgroup>
        <optgroup label="Steps">
          <option v-for="(id, i) in draft.order" :key="id" :value="`step|${id}`">step {{ i + 1 }}: {{ short(draft.textOf(id)) }}</option>
        </optgroup>
      </select>
      <label for="bulletin">What is it, and what should be done instead?</label>
      <textarea id="bulletin" v-model="text" v-focus class="plain" rows="3" maxlength="2000"></textarea>
      <div>
        <ActButton type="primary" html-type="submit" :loading="busy">Give it out</ActButton>
        <ActButton @click="asking = null">Not now</ActButton>
      </div>
    </form>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 22px;
}

ul {
  list-style: none;
  margin: 6px 0 10px;
  padding: 0;
  display: grid;
  gap: 10px;
}

li {
  padding-left: 10px;
  border-left: 4px solid var(--ochre);
}

p {
  margin: 0;
}

form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 7px;
  margin-top: 8px;
}

label {
  font-weight: 600;
}

select,
textarea {
  width: 100%;
  box-sizing: border-box;
}

form div {
  display: flex;
  gap: 8px;
}
</style>
