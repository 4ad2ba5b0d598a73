<script setup lang="ts">
import { useComments } from '../shared/comments';
import { useEscape } from '../shared/escape';
import CommentsPanel from '../comments/CommentsPanel.vue';

const comments = useComments();
// Who has begun to write one types into it at once.
const focus = (isOpen: boolean): void => {
  if (isOpen && comments.writing) document.getElementById('comment')?.focus();
  comments.opening = false;
};
useEscape(
  () => comments.open,
  () => (comments.open = false),
);
</script>

<template>
  <a-drawer
    v-model:open="comments.open"
    :title="`Comments (${comments.openThreads.length} open)`"
    :width="520"
    placement="right"
    :autofocus="false"
    @after-open-change="focus"
  >
    <CommentsPanel v-if="comments.open" @gone="comments.open = false" />
  </a-drawer>
</template>
