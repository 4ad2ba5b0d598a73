<script lang="ts">
/** What is asked of a person, new or known. */
export interface PersonDraft {
  userName: string;
  name: string;
  email: string | null;
  roles: string[];
}
</script>

<script setup lang="ts">
import { reactive } from 'vue';
import type { PersonLine } from '../shared/api/client';
import ActButton from '../shared/ActButton.vue';
import { vFocus } from '../shared/focus';

const props = defineProps<{ person?: PersonLine; isNew?: boolean; busy: boolean }>();
const emit = defineEmits<{ keep: [draft: PersonDraft]; leave: [] }>();

const ROLES = [
  { name: 'author', does: 'writes procedures' },
  { name: 'reviewer', does: 'reads values, returns, gives warnings a reason' },
  { name: 'approver', does: 'releases what others wrote' },
  { name: 'installer', does: 'reads what is released' },
  { name: 'administrator', does: 'people, backups, audit trail' },
];
const draft = reactive<PersonDraft>({
  userName: props.person?.userName ?? '',
  name: props.person?.name ?? '',
  email: props.person?.email ?? '',
  roles: [...(props.person?.roles ?? [])],
});
const keep = (): void => emit('keep', { ...draft, email: draft.email?.trim() || null, roles: [...draft.roles] });
</script>

<template>
  <form @submit.prevent="keep" @keydown.esc="$emit('leave')">
    <div class="fields">
      <div v-if="isNew" class="field">
        <label for="person-account">Account</label>
        <input id="person-account" v-model="draft.userName" v-focus class="plain figures" placeholder="hanne" required maxlength="100" />
      </div>
      <div class="field">
        <label for="person-name">Name</label>
        <input id="person-name" v-model="draft.name" class="plain" placeholder="Hanne Lund" required maxlength="100" />
      </div>
      <div class="field">
        <label for="person-mail">Mail <span class="quiet">(may be left away)</span></label>
        <input id="person-mail" v-model="draft.email" class="plain" type="email" maxlength="200" />
      </div>
    </div>
    <fieldset>
      <legend>Roles</legend>
      <label v-for="role in ROLES" :key="role.name" class="role">
        <input v-model="draft.roles" type="checkbox" :value="role.name" />
        <span
          >{{ role.name }} <small class="quiet">{{ role.does }}</small></span
        >
      </label>
    </fieldset>
    <div class="answers">
      <ActButton type="primary" html-type="submit" :loading="busy">{{ isNew ? 'Make the link' : 'Keep' }}</ActButton>
      <ActButton @click="$emit('leave')">Do not</ActButton>
    </div>
  </form>
</template>

<style scoped>
form {
  margin-bottom: 14px;
  padding: 14px 16px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
}

.fields {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0 18px;
}

fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin: 0 0 14px;
  padding: 0;
  border: 0;
}

legend {
  font-weight: 600;
  padding: 0;
  margin-bottom: 4px;
}

.role {
  display: flex;
  gap: 7px;
  align-items: baseline;
}

.role small {
  display: block;
}
</style>
