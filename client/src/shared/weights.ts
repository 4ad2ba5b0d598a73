import type { Finding, Severity } from './api/client';

/** From what stops a release down to what would only read better. */
export const weights: readonly Severity[] = ['stop', 'warn', 'hint'];

/** What weighs most first, each in the order of the steps. */
export const byWeight = (findings: readonly Finding[]): Finding[] =>
  weights.flatMap((weight) => findings.filter((f) => f.severity === weight));
