import type { Directive } from 'vue';

/** `v-focus`: the field one is asked for has the focus as it comes. The browser's own attribute does that for the first of a page only. */
export const vFocus: Directive<HTMLElement> = { mounted: (field) => field.focus() };
