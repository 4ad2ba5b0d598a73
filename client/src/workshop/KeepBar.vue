<script setup lang="ts">
import { several } from '../shared/several';
import { computed } from 'vue';
import ActButton from '../shared/ActButton.vue';
import TroubleNote from '../shared/TroubleNote.vue';
import { useSettings, type Part } from './settings';

/** The one way of keeping: what is not kept yet, which drafts it would touch, and keep or put back. */
const props = defineProps<{ part: Part }>();
const settings = useSettings();
const changed = computed(() => settings.changed[props.part] === true);
const touched = computed(() => settings.preview?.touched ?? []);
const trouble = computed(() => settings.troubles[props.part]);
</script>

<template>
  <section v-if="changed || trouble || settings.keptParts[part]" class="keep" aria-label="Keeping">
    <TroubleNote v-if="trouble" :trouble="trouble" />
    <div v-if="changed" class="row">
      <div class="says" role="status">
        <b>Not kept yet.</b>
        <template v-if="!trouble && settings.preview">
          <template v-if="!touched.length"> No draft and no sheet in review would be judged otherwise.</template>
          <details v-else>
            <summary>It would touch {{ several(touched.length, 'sheet') }}</summary>
            <ul>
              <li v-for="one in touched" :key="one.revisionId">
                <router-link :to="{ name: 'write', params: { id: one.revisionId } }"
                  >{{ one.number }} {{ one.title }}, {{ one.letter }}</router-link
                ><template v-if="one.comes.length">: found besides {{ one.comes.join('; ') }}</template
                ><template v-if="one.goes.length">{{ one.comes.length ? '; ' : ': ' }}no longer found {{ one.goes.join('; ') }}</template>
              </li>
            </ul>
          </details>
        </template>
      </div>
      <ActButton @click="settings.putBack(part)">Put back</ActButton>
      <ActButton type="primary" :loading="settings.busy" @click="settings.keep(part)">Keep</ActButton>
    </div>
    <p v-else-if="settings.keptParts[part]" role="status" class="kept">Kept. Every sheet that is open is judged by it from now on.</p>
  </section>
</template>

<style scoped>
.keep {
  position: sticky;
  bottom: -60px;
  margin: 22px 0 -60px;
  padding: 10px 0 14px;
  background: var(--paper);
  border-top: 2px solid var(--ink);
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 10px 12px;
}

.says {
  flex: 1 1 260px;
  padding-top: 5px;
}

details {
  display: inline;
}

summary {
  display: inline;
  margin-left: 6px;
  color: var(--moss);
  text-decoration: underline;
  cursor: pointer;
}

ul {
  max-height: 160px;
  overflow: auto;
  margin: 6px 0 0;
  padding-left: 18px;
  font-size: 14px;
}

.kept {
  margin: 0;
  color: var(--moss-ink);
  font-weight: 600;
}
</style>
