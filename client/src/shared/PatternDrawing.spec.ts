import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import PatternDrawing from './PatternDrawing.vue';

const square = [
  { x: 0, y: 0 },
  { x: 100, y: 0 },
  { x: 0, y: 100 },
  { x: 100, y: 100 },
];

describe('a pattern as drawn', () => {
  it('has the order in the rings, the position beside each, and the first one filled', () => {
    const drawing = mount(PatternDrawing, { props: { places: square, order: [1, 4, 2, 3], name: 'pad bolts' } });
    expect(drawing.findAll('.turn').map((t) => t.text())).toEqual(['1', '3', '4', '2']);
    expect(drawing.findAll('.number').map((t) => t.text())).toEqual(['1', '2', '3', '4']);
    expect(drawing.findAll('circle').map((c) => c.classes('first'))).toEqual([true, false, false, false]);
  });

  it('says the order to who does not see it', () => {
    const drawing = mount(PatternDrawing, { props: { places: square, order: [1, 4, 2, 3], name: 'pad bolts' } });
    expect(drawing.attributes('aria-label')).toContain('pad bolts: tighten in the order 1, 4, 2, 3');
    expect(drawing.attributes('role')).toBe('img');
  });

  it('draws the way from one to the next, but not through a crowd', () => {
    const way = mount(PatternDrawing, { props: { places: square, order: [1, 4, 2, 3], name: 'x' } }).find('polyline');
    expect(way.attributes('points')).toBe('0,0 100,100 100,0 0,100');
    const crowd = Array.from({ length: 30 }, (_, i) => ({ x: i, y: i % 7 }));
    const many = mount(PatternDrawing, { props: { places: crowd, order: crowd.map((_, i) => i + 1), name: 'x' } });
    expect(many.find('polyline').exists()).toBe(false);
  });

  it('keeps every ring and figure inside its frame', () => {
    for (const places of [
      square,
      [
        { x: 4, y: 50 },
        { x: 96, y: 50 },
      ],
    ]) {
      const drawing = mount(PatternDrawing, { props: { places, order: places.map((_, i) => i + 1), name: 'x' } });
      const [left, top, width, height] = (drawing.attributes('viewBox') ?? '').split(' ').map(Number) as [number, number, number, number];
      for (const ring of drawing.findAll('circle')) {
        const [x, y, r] = ['cx', 'cy', 'r'].map((name) => Number(ring.attributes(name))) as [number, number, number];
        expect(x - r).toBeGreaterThanOrEqual(left);
        expect(y - r).toBeGreaterThanOrEqual(top);
        expect(x + r).toBeLessThanOrEqual(left + width);
        expect(y + r).toBeLessThanOrEqual(top + height);
      }
    }
  });
});
