<script setup lang="ts">
/** A button that does something; the one of a page that matters most is filled. While it works it says so and takes no second press. */
defineProps<{
  type?: 'primary' | 'default';
  htmlType?: 'button' | 'submit';
  size?: 'small';
  loading?: boolean;
  disabled?: boolean;
  danger?: boolean;
}>();
</script>

<template>
  <button
    :type="htmlType ?? 'button'"
    class="act-button"
    :class="[type, size, { danger, loading }]"
    :disabled="disabled"
    :aria-disabled="loading || undefined"
    :aria-busy="loading || undefined"
    @click.capture="loading && ($event.preventDefault(), $event.stopImmediatePropagation())"
  >
    <slot /><span v-if="loading" class="works" aria-hidden="true"> …</span>
  </button>
</template>

<style scoped>
.act-button {
  flex: none;
  min-height: 34px;
  padding: 4px 15px;
  font: 550 15px/1.4 var(--text);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  cursor: pointer;
  white-space: nowrap;
}

.act-button:hover {
  border-color: var(--moss);
  background: var(--moss-pale);
}

.primary {
  color: var(--on-mark);
  background: var(--moss);
  border-color: var(--moss);
}

.primary:hover {
  color: var(--on-mark);
  background: var(--moss-ink);
}

.danger {
  color: var(--clay);
  border-color: var(--clay);
}

.small {
  min-height: 28px;
  padding: 1px 9px;
}

.act-button:disabled {
  color: var(--ink-soft);
  background: none;
  border-color: var(--line-strong);
  border-style: dashed;
  cursor: default;
}

.loading {
  cursor: progress;
}
</style>
