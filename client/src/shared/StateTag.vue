<script setup lang="ts">
import type { RevisionState } from './api/client';

/** Letter and state of a revision. The outline tells the states apart without colour. */
defineProps<{ state: RevisionState; letter: string }>();
</script>

<template>
  <span class="tag" :class="state.replace(' ', '-')"
    ><b>{{ letter }}</b> {{ state }}</span
  >
</template>

<style scoped>
.tag {
  display: inline-block;
  padding: 2px 8px 2px 7px;
  font-size: 13px;
  line-height: 1.3;
  border: 1px solid currentcolor;
  border-radius: 2px;
  white-space: nowrap;
}

.tag b {
  font-family: var(--figures);
  margin-right: 3px;
}

.draft {
  border-style: dashed;
}

.in-review {
  color: var(--slate);
  border-style: double;
  border-width: 3px;
}

.released {
  color: var(--on-mark);
  background: var(--moss);
  border-color: var(--moss);
}

.superseded,
.withdrawn {
  color: var(--ink-soft);
  text-decoration: line-through;
}
</style>
