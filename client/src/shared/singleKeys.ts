import { useLocalStorage } from '@vueuse/core';

/** Whether a key alone, outside of texts, does something (“?” opens the keys). Who speaks to the page turns it off. */
export const singleKeys = useLocalStorage('wornpath-single-keys', true);
