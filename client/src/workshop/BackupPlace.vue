<script setup lang="ts">
import { ref } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';
import { download } from '../session/download';
import { dayAndTime } from '../shared/when';

/** Backups: the whole workshop in one file, taken while everybody works on, and put back at the next start. */
const trouble = ref<Trouble | null>(null);
const waits = ref('');
const busy = ref(false);
const field = ref<HTMLInputElement | null>(null);

async function attempt(work: () => Promise<void>): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await work();
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    busy.value = false;
    if (field.value) field.value.value = '';
  }
}

const stage = (event: Event): Promise<void> =>
  attempt(async () => {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    const waiting = await take(
      api.POST('/api/backup/restore', {
        body: file as never,
        bodySerializer: (body) => body as never,
        headers: { 'Content-Type': 'application/zip' },
      }),
    );
    waits.value = dayAndTime(waiting.at);
  });

const drop = (): Promise<void> =>
  attempt(async () => {
    await take(api.DELETE('/api/backup/restore'));
    waits.value = '';
  });
</script>

<template>
  <section aria-label="Backup">
    <p class="quiet">Sessions are not in it: after a restore everybody signs in again.</p>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p class="line">
      <button type="button" class="link" :disabled="busy" @click="attempt(() => download('/api/backup'))">Save a backup</button>
      <button type="button" class="link" :disabled="busy" @click="field?.click()">Put a backup in its place</button>
      <input
        ref="field"
        type="file"
        accept=".zip,application/zip"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Backup file"
        @change="stage"
      />
    </p>
    <p class="quiet">
      In open forms it can be read without Worn Path: every table as lines of JSON, the pictures, and each revision as a procedure file and
      as text. It comes into an empty installation again. Passwords are not in it.
    </p>
    <p class="line">
      <button type="button" class="link" :disabled="busy" @click="attempt(() => download('/api/backup/open'))">
        Save the workshop in open forms
      </button>
    </p>
    <p v-if="waits" role="status" class="waits">
      The backup of {{ waits }} is sound. It is put in place when the server is started again; what stands now is put aside then, not
      deleted.
      <button type="button" class="link" @click="drop">Do not</button>
    </p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  gap: 18px;
}

.waits {
  padding: 7px 10px;
  background: var(--ochre-pale);
  border-left: 3px solid var(--ochre-mark);
}
</style>
