<script setup lang="ts">
import { ref } from 'vue';
import { api, take, type Mail, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';
import { dayAndTime } from '../shared/when';

/** The simulated outbox: what would have been sent. Links stand in it, so the password is asked for first. */
const mails = ref<Mail[] | null>(null);
const trouble = ref<Trouble | null>(null);

async function look(): Promise<void> {
  trouble.value = null;
  try {
    mails.value = await take(api.GET('/api/mail'));
  } catch (error) {
    trouble.value = troubleOf(error);
  }
}
</script>

<template>
  <section aria-labelledby="mail">
    <div class="line">
      <h2 id="mail">Mail</h2>
      <button type="button" class="link" @click="look">{{ mails ? 'Look again' : 'Show what would have been sent' }}</button>
    </div>
    <p class="quiet">No mail leaves this server. Each message lies in the data folder as a file, and is shown here.</p>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <p v-if="mails && !mails.length">Nothing has been written yet.</p>
    <article v-for="mail in mails ?? []" :key="mail.at + mail.to">
      <p class="mail-head">
        <strong>{{ mail.subject }}</strong> to {{ mail.to }} <span class="quiet">{{ dayAndTime(mail.at) }}</span>
      </p>
      <pre>{{ mail.text }}</pre>
    </article>
  </section>
</template>

<style scoped>
section {
  margin-top: 34px;
}

.line {
  display: flex;
  align-items: baseline;
  gap: 18px;
}

article {
  padding: 8px 14px;
  margin-bottom: 10px;
  background: var(--sheet);
  border: 1px solid var(--line);
}

.mail-head,
pre {
  margin: 0;
}

pre {
  margin-top: 6px;
  font: 13px/1.45 var(--figures);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
