import { describe, expect, it } from 'vitest';
import type { Chart, ChartRow } from '../shared/api/client';
import { bandAt, cellAt, columnFor, columnX, draw, extent, rowY, size, type Inks, type View } from './drawing';

const row = (id: string, openAtEnd = false): ChartRow => ({
  id,
  kind: 'joint',
  name: `cover ${id} bolts`,
  bands: [
    { from: 0, to: 3, mark: 'Tight', says: 'tight', open: false, glyph: { stage: 'tight', pass: 0, of: 0, some: false } },
    { from: 4, to: 9, mark: 'Out', says: 'out', open: true, glyph: { stage: 'out', pass: 0, of: 0, some: false } },
    { from: 10, to: 1000, mark: 'Torqued', says: 'torqued', open: openAtEnd, glyph: { stage: 'torqued', pass: 0, of: 0, some: false } },
  ],
  touched: [4, 10],
  openAtEnd,
});
const chart = (steps: number): Chart => ({ steps, phases: [{ name: 'Removal', from: 1, to: steps }], rows: [] });
const view = (over: Partial<View> = {}): View => ({ left: 0, top: 0, width: 1200, height: 600, column: 22, ...over });
const inks = Object.fromEntries(
  ['paper', 'sheet', 'ink', 'soft', 'line', 'moss', 'mossPale', 'clay', 'clayPale', 'ochre', 'figures', 'text', 'heading'].map((k) => [
    k,
    k,
  ]),
) as unknown as Inks;

/** A context that writes down what is drawn on it. */
function paper(): { ctx: CanvasRenderingContext2D; calls: { name: string; args: unknown[] }[] } {
  const calls: { name: string; args: unknown[] }[] = [];
  const ctx = new Proxy({} as Record<string, unknown>, {
    get: (target, name: string) =>
      name in target
        ? target[name]
        : (...args: unknown[]) => {
            calls.push({ name, args });
            return name === 'measureText' ? { width: String(args[0]).length * 7 } : undefined;
          },
    set: (target, name: string, value) => {
      target[name] = value;
      return true;
    },
  });
  return { ctx: ctx as unknown as CanvasRenderingContext2D, calls };
}

describe('the chart', () => {
  it('finds the cell that it draws at a place, wherever it is scrolled to', () => {
    for (const left of [0, 333, 4000])
      for (const top of [0, 77])
        for (const step of [200, 210, 215])
          for (const r of [5, 9]) {
            const v = view({ left, top });
            const [x, y] = [columnX(step, v) + 3, rowY(r, v) + 3];
            if (x < size.names || y < size.head) continue;
            expect(cellAt(x, y, chart(1000), 200, v)).toEqual({ row: r, step });
          }
  });

  it('has no cell in its head, below its last row or beyond its last step', () => {
    expect(cellAt(500, 10, chart(1000), 200, view())).toBeNull();
    expect(cellAt(500, size.head + size.row * 3 + 2, chart(1000), 3, view())).toBeNull();
    expect(cellAt(size.names + 22 * 12, 100, chart(10), 200, view())).toBeNull();
    // On a name: the row, and no step.
    expect(cellAt(40, size.head + 2, chart(10), 3, view())).toEqual({ row: 0, step: 0 });
  });

  it('spreads a short procedure over the window and scrolls a long one', () => {
    expect(columnFor(1000, 1280)).toBe(size.narrowest);
    expect(columnFor(5, 1280)).toBe(size.widest);
    const column = columnFor(34, 1280);
    expect(extent(chart(34), 10, column).width).toBeLessThanOrEqual(1280);
  });

  it('knows the band a step falls into', () => {
    expect(bandAt(row('1'), 0)?.says).toBe('tight');
    expect(bandAt(row('1'), 9)?.says).toBe('out');
    expect(bandAt(row('1'), 1000)?.says).toBe('torqued');
  });

  it('draws what is in sight alone: as much for a thousand steps and rows as for the window', () => {
    const count = (rows: number, steps: number): number => {
      const { ctx, calls } = paper();
      draw(
        ctx,
        chart(steps),
        Array.from({ length: rows }, (_, i) => row(String(i))),
        view({ left: 2000, top: 1000 }),
        null,
        inks,
      );
      return calls.length;
    };
    expect(count(2000, 4000)).toBeLessThanOrEqual(count(200, 1000) * 1.2);
  });

  it('says what is left open by its name, a mark and a filled band, not by its colour alone', () => {
    const words = (open: boolean): unknown[] => {
      const { ctx, calls } = paper();
      draw(ctx, chart(1000), [row('1', open)], view(), null, inks);
      return calls.filter((c) => c.name === 'fillText').map((c) => c.args[0]);
    };
    expect(words(true)).toContain('!');
    expect(words(false)).not.toContain('!');
  });
});
