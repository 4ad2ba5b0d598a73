<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useDraft } from '../shared/draft';
import { dayAndTime } from '../shared/when';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';

/** Who has signed what stands on the sheet, and who still has to before it is released. */
const draft = useDraft();
const trouble = ref<Trouble | null>(null);
const busy = ref(false);
const revision = computed(() => draft.revision!);
const signing = computed(() => revision.value.signing);
const holding = computed(() => new Set(signing.value.signed.filter((s) => s.holds).map((s) => s.who)).size);
const isOpen = computed(() => revision.value.state === 'draft' || revision.value.state === 'in review');
const isShown = computed(() => signing.value.signed.length > 0 || revision.value.state === 'in review');

async function sign(): Promise<void> {
  busy.value = true;
  trouble.value = null;
  try {
    await draft.settled();
    await take(api.POST('/api/revisions/{id}/sign', { params: { path: { id: revision.value.id } } }));
  } catch (error) {
    trouble.value = troubleOf(error);
  } finally {
    await draft.refresh();
    busy.value = false;
  }
}
</script>

<template>
  <section v-if="isShown" aria-labelledby="signatures">
    <h2 id="signatures">
      Signatures <span class="figures count">{{ isOpen ? `${holding} of ${signing.needed}` : holding }}</span>
    </h2>
    <p v-if="isOpen" class="quiet">
      {{ signing.why }} Whoever releases it signs it by that. A signature is of every letter of the sheet, and falls with the first that
      changes.
    </p>
    <ul v-if="signing.signed.length">
      <li v-for="one in signing.signed" :key="one.who + one.at" :class="{ fallen: !one.holds }">
        <strong>{{ one.who }}</strong> <span class="figures when">{{ dayAndTime(one.at) }}</span>
        <template v-if="!one.holds">, fallen: the sheet has changed since</template>
      </li>
    </ul>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <ActButton v-if="revision.may.sign" :loading="busy" @click="sign">Sign it</ActButton>
  </section>
</template>

<style scoped>
.count {
  font-size: 15px;
  color: var(--ink-soft);
}

section {
  margin-bottom: 22px;
}

.when {
  font-size: 13.5px;
  color: var(--ink-soft);
}

p {
  margin: 0 0 4px;
}

ul {
  margin: 4px 0 8px;
  padding-left: 18px;
}

.fallen {
  color: var(--ink-soft);
}
</style>
