import type { RouteLocationRaw } from 'vue-router';

/** To the step of a sheet where something comes up: who only reads follows the sheet. */
export const atStep = (isReader: boolean, id: number, step: string): RouteLocationRaw =>
  isReader ? { name: 'follow', params: { id } } : { name: 'write', params: { id }, query: step ? { step } : {} };
