import { describe, expect, it } from 'vitest';
import css from './styles.css?raw';

const colour = (name: string, night: boolean): string => {
  const found = new RegExp(`--${name}: light-dark\\((#\\w+), (#\\w+)\\)`).exec(css)!;
  return found[night ? 2 : 1]!;
};

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const full = hex.length === 4 ? [...hex.slice(1)].map((c) => c + c).join('') : hex.slice(1);
  const [r, g, b] = [0, 2, 4].map((i) => {
    const part = parseInt(full.slice(i, i + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
};

describe('the colours of the page', () => {
  const grounds = ['paper', 'sheet', 'field'];
  for (const night of [false, true])
    for (const ground of grounds) {
      it(`lines that tell a field stand out of ${ground}${night ? ' by night' : ''} by 3 : 1`, () =>
        expect(contrast(colour('line-strong', night), colour(ground, night))).toBeGreaterThanOrEqual(3));
      for (const ink of ['ink', 'ink-soft', 'moss', 'clay', 'ochre', 'slate'])
        it(`${ink} is read on ${ground}${night ? ' by night' : ''}`, () =>
          expect(contrast(colour(ink, night), colour(ground, night))).toBeGreaterThanOrEqual(4.5));
    }
});
