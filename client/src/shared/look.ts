import { useLocalStorage, usePreferredDark } from '@vueuse/core';
import { computed, watch } from 'vue';

/** By day, by night, or as the system has it. Kept in this browser. */
export type Look = 'system' | 'light' | 'dark';

export const look = useLocalStorage<Look>('wornpath-look', 'system');
const systemIsDark = usePreferredDark();
export const isDark = computed(() => (look.value === 'system' ? systemIsDark.value : look.value === 'dark'));

watch(
  look,
  (now) => {
    const { dataset } = document.documentElement;
    if (now === 'light' || now === 'dark') dataset.look = now;
    else delete dataset.look;
  },
  { immediate: true, flush: 'sync' },
);

/** A colour of styles.css as it is now, for what is drawn on a canvas. */
export function colourOf(name: string): string {
  const probe = document.createElement('span');
  probe.style.color = `var(--${name})`;
  document.body.append(probe);
  const { color } = getComputedStyle(probe);
  probe.remove();
  return color;
}
