import { describe, expect, it } from 'vitest';
import { allGlyphs, glyphName } from './glyphNames';

describe('what a glyph says', () => {
  it('names each stage differently, and says where only some are so', () => {
    const names = allGlyphs.map(glyphName);
    expect(new Set(names).size).toBe(names.length);
    expect(names.at(-1)).toBe('some of them out');
    expect(glyphName({ stage: 'pass', pass: 2, of: 3, some: false })).toBe('pass 2 of 3');
    expect(glyphName({ stage: 'pass', pass: 2, of: 3, some: true })).toBe('some of them pass 2 of 3');
  });
});
