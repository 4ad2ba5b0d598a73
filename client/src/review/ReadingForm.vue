<script setup lang="ts">
import ActButton from '../shared/ActButton.vue';
import type { ValueView } from '../shared/api/client';

/** Where a value is written as somebody reads it: in its row, or beside the page it stands on. */
const props = defineProps<{
  value: ValueView;
  /** Its row in the table; the next one is found by it. */
  row?: number;
  besidePage?: boolean;
}>();
defineEmits<{ keep: [] }>();
const read = defineModel<string>('read');
const reason = defineModel<string>('reason');
const name = `${props.value.tag} ${props.value.name}`;
const about = props.value.about ? `, ${props.value.about},` : '';
</script>

<template>
  <form @submit.prevent="$emit('keep')">
    <input
      v-model="read"
      class="plain"
      :data-row="row"
      :aria-label="besidePage ? `${name}${about} as it stands here` : `Value of ${name}${about} as read`"
      placeholder="with its unit"
      maxlength="200"
    />
    <input
      v-if="value.wantsReason"
      v-model="reason"
      class="plain why"
      :aria-label="`Why ${name} is read again${besidePage ? ', beside its page' : ''}`"
      placeholder="why again? or leave it to somebody else"
      maxlength="500"
    />
    <ActButton html-type="submit" size="small">Read it</ActButton>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

input {
  flex: 1;
  min-width: 0;
  height: 28px;
  padding: 2px 6px;
}

input.why {
  flex-basis: 100%;
}
</style>
