import type { Glyph } from './api/client';

const names: Record<Glyph['stage'], string> = {
  tight: 'tight',
  brokenLoose: 'broken loose',
  backedOut: 'backed out, threads in',
  out: 'out',
  started: 'started by hand',
  snug: 'snug',
  pass: 'pass',
  torqued: 'torqued',
  aligned: 'torqued, slot aligned',
  locked: 'locked',
  marked: 'marked',
};

/** Every glyph, for the legend; the last one where only some of a joint's fasteners are so. */
export const allGlyphs: Glyph[] = [
  ...(Object.keys(names) as Glyph['stage'][]).map((stage) => ({ stage, pass: 1, of: 3, some: false })),
  { stage: 'out', pass: 0, of: 0, some: true },
];

/** What a glyph says. */
export function glyphName(glyph: Glyph): string {
  const name = glyph.stage === 'pass' ? `pass ${glyph.pass} of ${glyph.of}` : names[glyph.stage];
  return glyph.some ? `some of them ${name}` : name;
}
