<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api, take, type Trouble } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import TroubleNote from '../shared/TroubleNote.vue';

/** The formats a sheet goes out in, as the core offers them, each a file to save. */
const props = defineProps<{ revision: number; walkAs: string }>();

const formats = ref<readonly { id: string; name: string; says: string }[] | null>(null);
const trouble = ref<Trouble | null>(null);

const address = (format: string): string =>
  `/api/revisions/${props.revision}/export/${format}${props.walkAs ? `?as=${encodeURIComponent(props.walkAs)}` : ''}`;

onMounted(async () => {
  try {
    formats.value = await take(api.GET('/api/export-formats'));
  } catch (e) {
    trouble.value = troubleOf(e);
  }
});
</script>

<template>
  <section class="out" aria-labelledby="out">
    <h2 id="out">Take it out</h2>
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <ul v-if="formats">
      <li v-for="format in formats" :key="format.id">
        <a :href="address(format.id)" download>{{ format.name }}</a>
        <span>{{ format.says }}</span>
      </li>
      <li>
        <a :href="`/api/revisions/${revision}/file`" download>Worn Path file</a>
        <span>All of it, to bring into another workshop.</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.out {
  max-width: 210mm;
  margin: 0 auto 14px;
  padding: 10px 14px 12px;
  border: 1px solid var(--line-strong);
  background: var(--field);
}

h2 {
  margin: 0 0 6px;
  font-size: 16px;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 8px 20px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li a {
  display: inline-block;
  min-height: 24px;
  font-weight: 600;
}

li span {
  display: block;
  font-size: 13px;
}

@media print {
  .out {
    display: none;
  }
}
</style>
