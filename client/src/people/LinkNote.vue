<script setup lang="ts">
import { ref } from 'vue';
import type { LinkMade } from '../shared/api/client';
import { dayAndTime } from '../shared/when';
import ActButton from '../shared/ActButton.vue';

/** A link that was just made. It is shown once: here is the moment to copy it. */
const props = defineProps<{ link: LinkMade & { name: string } }>();
defineEmits<{ done: [] }>();
const said = ref('');
const field = ref<HTMLInputElement | null>(null);

async function copy(): Promise<void> {
  field.value?.select();
  try {
    await navigator.clipboard.writeText(props.link.url);
    said.value = 'Copied.';
  } catch {
    said.value = 'It is marked: copy it with Ctrl+C.';
  }
}
</script>

<template>
  <section class="link-note" aria-label="Link to hand over">
    <p>
      <strong>Give this link to {{ link.name }}, and to nobody else.</strong> It opens once, until {{ dayAndTime(link.endsAt) }}, and is not
      shown again.
    </p>
    <div class="row">
      <input ref="field" class="plain figures" :value="link.url" readonly aria-label="The link" @focus="field?.select()" />
      <ActButton type="primary" @click="copy">Copy</ActButton>
      <ActButton @click="$emit('done')">I have it</ActButton>
    </div>
    <p role="status" class="quiet">{{ said }}</p>
  </section>
</template>

<style scoped>
.link-note {
  margin-bottom: 16px;
  padding: 10px 14px 4px;
  background: var(--ochre-pale);
  border-left: 4px solid var(--ochre-mark);
}

p {
  margin: 0 0 6px;
}

.row {
  display: flex;
  gap: 8px;
}

input {
  flex: 1;
  font-size: 13px;
}
</style>
