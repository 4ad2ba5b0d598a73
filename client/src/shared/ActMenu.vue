<script setup lang="ts">
import { nextTick, ref } from 'vue';
import type { Act } from './acts';

/** A button that opens a list of acts, worked by mouse and keys (the menu-button pattern of the ARIA practices guide). */
defineOptions({ inheritAttrs: false });
const props = defineProps<{ acts: () => Act[]; label: string; title?: string }>();
const button = ref<HTMLButtonElement | null>(null);
const list = ref<HTMLUListElement | null>(null);
const open = ref(false);
/** What can be done, asked when it opens. */
const shown = ref<Act[]>([]);

async function show(): Promise<void> {
  if (open.value) return;
  shown.value = props.acts();
  await nextTick();
  const [area, from] = [list.value, button.value];
  if (!area || !from) return;
  area.showPopover();
  const at = from.getBoundingClientRect();
  const below = at.bottom + area.offsetHeight < innerHeight;
  area.style.left = `${Math.max(8, Math.min(at.left, innerWidth - area.offsetWidth - 8))}px`;
  area.style.top = `${Math.max(8, below ? at.bottom + 2 : Math.min(at.top - area.offsetHeight - 2, innerHeight - area.offsetHeight - 8))}px`;
  items()[0]?.focus();
}

function toggled(event: ToggleEvent): void {
  open.value = event.newState === 'open';
  if (!open.value) shown.value = [];
}

const items = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('[role=menuitem]:not([aria-disabled=true])') ?? [])];

function hide(back: boolean): void {
  if (!open.value) return;
  list.value?.hidePopover();
  if (back) button.value?.focus();
}

function take(act: Act): void {
  if (act.disabled) return;
  hide(true);
  act.does();
}

function key(event: KeyboardEvent): void {
  const all = items();
  const at = all.indexOf(document.activeElement as HTMLElement);
  const to = (i: number): void => all[(i + all.length) % all.length]?.focus();
  // What is pressed here is meant for the list, not for the step or page around it.
  event.stopPropagation();
  if (event.key === 'ArrowDown') to(at + 1);
  else if (event.key === 'ArrowUp') to(at - 1);
  else if (event.key === 'Home') to(0);
  else if (event.key === 'End') to(-1);
  else if (event.key === 'Escape') hide(true);
  else if (event.key === 'Tab') {
    hide(true);
    return;
  } else if (event.key === 'Enter' || event.key === ' ') (document.activeElement as HTMLElement).click();
  else if (/^\p{L}$/u.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
    const begins = (e: HTMLElement): boolean => (e.textContent ?? '').trim().toLowerCase().startsWith(event.key.toLowerCase());
    to(all.indexOf([...all.slice(at + 1), ...all].find(begins) ?? all[Math.max(at, 0)]!));
  } else return;
  event.preventDefault();
}

defineExpose({ show });
</script>

<template>
  <button
    v-bind="$attrs"
    ref="button"
    type="button"
    aria-haspopup="menu"
    :aria-expanded="open"
    :aria-label="label"
    :title="title"
    @click.stop="open ? hide(true) : show()"
    @keydown.down.prevent.stop="show"
  >
    <slot />
  </button>
  <ul
    v-if="shown.length"
    ref="list"
    popover="auto"
    role="menu"
    class="acts-menu"
    :aria-label="label"
    @keydown="key"
    @click.stop
    @toggle="toggled"
  >
    <li
      v-for="act in shown"
      :key="act.label"
      role="menuitem"
      tabindex="-1"
      :aria-disabled="act.disabled ? 'true' : undefined"
      :aria-keyshortcuts="act.keys"
      :class="{ grave: act.grave }"
      @click="take(act)"
    >
      <span>{{ act.label }}</span>
      <kbd v-if="act.keys" aria-hidden="true">{{ act.keys.replaceAll('+', ' + ').replace('ArrowUp', '↑').replace('ArrowDown', '↓') }}</kbd>
    </li>
  </ul>
</template>

<style scoped>
.acts-menu {
  position: fixed;
  inset: auto;
  margin: 0;
  padding: 4px 0;
  min-width: 230px;
  max-width: min(92vw, 420px);
  max-height: 80vh;
  overflow: auto;
  list-style: none;
  font: 15px/1.4 var(--text);
  color: var(--ink);
  background: var(--field);
  border: 1px solid var(--ink-soft);
  border-radius: 3px;
}

li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 24px;
  min-height: 30px;
  padding: 3px 14px;
  cursor: pointer;
  border-left: 4px solid transparent;
}

li:focus,
li:hover {
  outline: none;
  background: var(--moss-pale);
  border-left-color: var(--moss);
}

.grave {
  color: var(--clay);
}

[aria-disabled] {
  color: var(--ink-soft);
  cursor: default;
}

kbd {
  font: 12px var(--figures);
  color: var(--ink-soft);
  white-space: nowrap;
}

@media (forced-colors: active) {
  li:focus {
    outline: 2px solid;
    outline-offset: -2px;
  }
}
</style>
