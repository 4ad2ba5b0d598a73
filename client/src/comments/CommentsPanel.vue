<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { useComments } from '../shared/comments';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import CommentThread from './CommentThread.vue';
import NewComment from './NewComment.vue';

/** The comments of the procedure as they stand on this revision, in the order of the sheet, what is open first. */
defineEmits<{ gone: [] }>();
const comments = useComments();
const withSettled = ref(false);
onMounted(() => comments.shown++);
onBeforeUnmount(() => comments.shown--);

const inOrder = computed(() =>
  comments.threads.toSorted(
    (a, b) => (a.place.stepNumber ?? 0) - (b.place.stepNumber ?? 0) || (a.place.at?.start ?? 0) - (b.place.at?.start ?? 0) || a.id - b.id,
  ),
);
const open = computed(() => inOrder.value.filter((t) => t.open));
const settled = computed(() => inOrder.value.filter((t) => !t.open));
</script>

<template>
  <div class="comments">
    <TroubleNote v-if="comments.trouble" :trouble="comments.trouble" />
    <p v-if="!comments.view && !comments.trouble" class="quiet" role="status">Fetching the comments …</p>
    <ActButton v-else-if="!comments.view" size="small" @click="comments.load()">Try again</ActButton>
    <template v-else>
      <p v-if="comments.view.whyNot" class="quiet">{{ comments.view.whyNot }}</p>
      <NewComment v-else-if="comments.writing" />
      <p v-else class="more"><ActButton size="small" @click="comments.write(null, false)">Write a comment</ActButton></p>
      <p v-if="comments.threads.length === 0" class="quiet">
        Nobody has commented. A comment stays with its step, its words or its value through edits and from revision to revision until it is
        settled; while one is open, no revision is released.
      </p>
      <div class="list">
        <CommentThread v-for="thread in open" :key="thread.id" :thread="thread" @gone="$emit('gone')" />
      </div>
      <p v-if="settled.length" class="more">
        <button type="button" class="link" :aria-expanded="withSettled" @click="withSettled = !withSettled">
          {{ withSettled ? 'Without those that are settled' : `Also those that are settled (${settled.length})` }}
        </button>
      </p>
      <div v-if="withSettled" class="list">
        <CommentThread v-for="thread in settled" :key="thread.id" :thread="thread" @gone="$emit('gone')" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 12px;
}

.more {
  margin: 12px 0;
}
</style>
