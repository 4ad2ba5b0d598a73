import { useLocalStorage } from '@vueuse/core';

/** Whether words are offered while a step is written. */
export const wordsAhead = useLocalStorage('wornpath-words-ahead', true);
