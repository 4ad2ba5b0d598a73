import type { RevisionState } from './api/client';

/** Why a sheet is not to be worked from; empty for what is released, or while nothing is known of it. */
export function warnOf(state: RevisionState | undefined): string {
  if (state === undefined || state === 'released') return '';
  return state === 'superseded' || state === 'withdrawn' ? 'no longer valid' : 'not released';
}
