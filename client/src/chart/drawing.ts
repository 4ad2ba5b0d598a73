import type { Chart, ChartBand, ChartRow, Glyph } from '../shared/api/client';

/** Sizes of the chart in CSS pixels. */
export const size = { names: 216, head: 46, row: 24, narrowest: 22, widest: 40, foot: 8 };

/** What of the chart is seen: how far it is scrolled, how large the window on it is. */
export interface View {
  left: number;
  top: number;
  width: number;
  height: number;
  /** Width of a step's column: a short procedure spreads over the window, a long one is scrolled. */
  column: number;
}

/** The width of a column, for so many steps in a window. */
export const columnFor = (steps: number, width: number): number =>
  Math.max(size.narrowest, Math.min(size.widest, Math.floor((width - size.names - 20) / (steps + 1))));

/** The cell under the cursor: a row's place and a step's number (0 for the beginning). */
export interface Cell {
  row: number;
  step: number;
}

/** The ink of the page, read once from its styles. */
export interface Inks {
  paper: string;
  sheet: string;
  ink: string;
  soft: string;
  line: string;
  moss: string;
  mossPale: string;
  clay: string;
  clayPale: string;
  ochre: string;
  /** On grounds of clay or moss. */
  onMark: string;
  figures: string;
  text: string;
  heading: string;
}

/** Width and height of the whole chart. */
export const extent = (chart: Chart, rows: number, column: number): { width: number; height: number } => ({
  width: size.names + (chart.steps + 1) * column + 20,
  height: size.head + rows * size.row + size.foot,
});

/** Where a step's column begins, scrolled. */
export const columnX = (step: number, view: View): number => size.names + step * view.column - view.left;

/** Where a row begins, scrolled. */
export const rowY = (row: number, view: View): number => size.head + row * size.row - view.top;

/** The cell at a place of the window; null beside the cells. */
export function cellAt(x: number, y: number, chart: Chart, rows: number, view: View): Cell | null {
  const row = Math.floor((y - size.head + view.top) / size.row);
  const step = x < size.names ? 0 : Math.floor((x - size.names + view.left) / view.column);
  if (y < size.head || row < 0 || row >= rows || step > chart.steps) return null;
  return { row, step };
}

/** The band a step falls into. */
export const bandAt = (row: ChartRow, step: number): ChartBand | undefined => row.bands.findLast((b) => b.from <= step);

/** Draws what of the chart is in the window, and nothing else of it. */
export function draw(ctx: CanvasRenderingContext2D, chart: Chart, rows: ChartRow[], view: View, cursor: Cell | null, inks: Inks): void {
  const first = Math.max(0, Math.floor(view.top / size.row));
  const last = Math.min(rows.length - 1, Math.ceil((view.top + view.height - size.head) / size.row));
  const from = Math.max(0, Math.floor(view.left / view.column));
  const to = Math.min(chart.steps, Math.ceil((view.left + view.width - size.names) / view.column));
  ctx.fillStyle = inks.sheet;
  ctx.fillRect(0, 0, view.width, view.height);
  ctx.textBaseline = 'middle';

  // Every fifth column is ruled, so that the eye finds its step.
  ctx.fillStyle = inks.line;
  for (let step = Math.ceil(from / 5) * 5; step <= to; step += 5)
    ctx.fillRect(columnX(step, view) + view.column - 1, size.head, 1, view.height - size.head);
  if (cursor) {
    ctx.fillStyle = inks.mossPale;
    ctx.fillRect(columnX(cursor.step, view), size.head, view.column, view.height);
    ctx.fillRect(size.names, rowY(cursor.row, view), view.width, size.row);
  }

  for (let r = first; r <= last; r++) {
    const row = rows[r]!;
    const y = rowY(r, view);
    for (const band of row.bands) {
      if (band.to < from) continue;
      if (band.from > to) break;
      drawBand(ctx, row, band, Math.max(band.from, from - 1), Math.min(band.to, to + 1), y, view, inks);
    }
    ctx.fillStyle = inks.line;
    ctx.fillRect(0, y + size.row - 1, view.width, 0.5);
  }

  drawNames(ctx, rows, first, last, view, cursor, inks);
  drawHead(ctx, chart, from, to, view, cursor, inks);
}

function drawBand(
  ctx: CanvasRenderingContext2D,
  row: ChartRow,
  band: ChartBand,
  from: number,
  to: number,
  y: number,
  view: View,
  inks: Inks,
): void {
  const x = columnX(from, view);
  const end = columnX(to + 1, view);
  const middle = y + size.row / 2;
  const isLast = row.openAtEnd && band === row.bands[row.bands.length - 1];
  if (band.open) {
    ctx.fillStyle = isLast ? inks.clay : inks.clayPale;
    ctx.fillRect(x, middle - 8, end - x, 16);
    ctx.strokeStyle = inks.clay;
    ctx.lineWidth = 1;
    ctx.strokeRect(x + 0.5, middle - 7.5, end - x - 1, 15);
  } else {
    ctx.fillStyle = inks.moss;
    ctx.fillRect(x, middle - 1, end - x, 2);
  }
  const colour = isLast ? inks.onMark : band.open ? inks.clay : inks.moss;
  // The glyph stands where the state begins, and again now and then on a long band.
  for (let step = band.from; step <= band.to; step += 12) {
    if (step < from - 1 || step > to + 1) {
      if (step + 12 < from) step += Math.floor((from - step - 12) / 12) * 12;
      continue;
    }
    if (step > band.from && band.to - step < 3) break;
    const at = columnX(step, view) + view.column / 2;
    // A thin line would run through the drawing: it stands on paper of its own.
    if (!band.open) {
      ctx.fillStyle = inks.sheet;
      ctx.fillRect(at - 9, middle - 2, 18, 4);
    }
    if (band.glyph) drawGlyph(ctx, band.glyph, at, middle, colour, isLast ? inks.clay : inks.sheet);
    else drawMark(ctx, band.mark, at, middle, colour);
  }
}

function drawNames(
  ctx: CanvasRenderingContext2D,
  rows: ChartRow[],
  first: number,
  last: number,
  view: View,
  cursor: Cell | null,
  inks: Inks,
): void {
  ctx.fillStyle = inks.paper;
  ctx.fillRect(0, size.head, size.names, view.height - size.head);
  if (cursor && cursor.row >= first && cursor.row <= last) {
    ctx.fillStyle = inks.mossPale;
    ctx.fillRect(0, rowY(cursor.row, view), size.names, size.row);
  }
  // A font is set once for all rows that have it: setting one costs more than the words.
  const each = (font: string, draw: (row: ChartRow, middle: number) => void): void => {
    ctx.font = font;
    for (let r = first; r <= last; r++) draw(rows[r]!, rowY(r, view) + size.row / 2);
  };
  each(`12.5px ${inks.figures}`, (row, middle) => {
    ctx.fillStyle = row.openAtEnd ? inks.clay : inks.soft;
    ctx.fillText(row.sheetId ?? row.id, 12, middle);
  });
  ctx.fillStyle = inks.ink;
  each(`14px ${inks.text}`, (row, middle) => {
    if (!row.openAtEnd) ctx.fillText(fit(ctx, row.name, size.names - 66), 48, middle);
  });
  if (rows.slice(first, last + 1).some((row) => row.openAtEnd)) {
    ctx.fillStyle = inks.clay;
    each(`700 14px ${inks.text}`, (row, middle) => {
      if (!row.openAtEnd) return;
      ctx.fillText(fit(ctx, row.name, size.names - 66), 48, middle);
      ctx.fillText('!', size.names - 14, middle);
    });
  }
  ctx.fillStyle = inks.ink;
  ctx.fillRect(size.names - 1, 0, 1, view.height);
}

function drawHead(
  ctx: CanvasRenderingContext2D,
  chart: Chart,
  from: number,
  to: number,
  view: View,
  cursor: Cell | null,
  inks: Inks,
): void {
  ctx.fillStyle = inks.paper;
  ctx.fillRect(0, 0, view.width, size.head);
  ctx.save();
  ctx.beginPath();
  ctx.rect(size.names, 0, view.width - size.names, size.head);
  ctx.clip();
  for (const phase of chart.phases) {
    if (phase.to < from || phase.from > to) continue;
    const x = columnX(phase.from, view);
    const end = columnX(phase.to + 1, view);
    ctx.fillStyle = inks.line;
    ctx.fillRect(x, 4, 1, size.head);
    ctx.fillStyle = inks.ink;
    ctx.font = `600 16px ${inks.heading}`;
    // The name stays in sight as long as its phase is.
    const at = Math.max(x + 5, size.names + 5);
    ctx.fillText(fit(ctx, phase.name, end - at - 6), at, 15);
  }
  ctx.font = `12px ${inks.figures}`;
  ctx.textAlign = 'center';
  for (let step = Math.max(from, 1); step <= to; step++) {
    const here = cursor?.step === step;
    if (!here && step % 5 !== 0 && step !== 1) continue;
    ctx.fillStyle = here ? inks.moss : inks.soft;
    ctx.fillText(String(step), columnX(step, view) + view.column / 2, 36);
  }
  ctx.restore();
  ctx.textAlign = 'left';
  ctx.fillStyle = inks.ink;
  ctx.fillRect(0, size.head - 1, view.width, 1.5);
}

const fitted = new Map<string, string>();

/** A text cut to a width, with a mark that it is. */
function fit(ctx: CanvasRenderingContext2D, text: string, width: number): string {
  // Letters are at most so wide: what is short enough need not be measured.
  if (text.length * 8 <= width) return text;
  const key = `${ctx.font}|${Math.round(width)}|${text}`;
  const known = fitted.get(key);
  if (known !== undefined) return known;
  let cut = text;
  if (width <= 12) cut = '';
  else if (ctx.measureText(text).width > width) {
    while (cut.length > 1 && ctx.measureText(`${cut}…`).width > width) cut = cut.slice(0, -1);
    cut = `${cut.trimEnd()}…`;
  }
  if (fitted.size > 5000) fitted.clear();
  fitted.set(key, cut);
  return cut;
}

/** A joint's state: the same glyphs as everywhere. */
export function drawGlyph(ctx: CanvasRenderingContext2D, glyph: Glyph, x: number, y: number, colour: string, cut: string): void {
  ctx.fillStyle = colour;
  ctx.strokeStyle = colour;
  ctx.lineWidth = 1.4;
  const ring = (radius: number): void => {
    ctx.beginPath();
    ctx.arc(x, y, radius, 0, 2 * Math.PI);
  };
  const slice = (start: number, end: number): void => {
    ctx.beginPath();
    ctx.moveTo(x, y);
    ctx.arc(x, y, 5.6, start, end);
    ctx.closePath();
    ctx.fill();
  };
  if (glyph.some) {
    ctx.beginPath();
    ctx.moveTo(x + 8.4, y - 3.5);
    ctx.lineTo(x + 8.4, y + 3.5);
    ctx.stroke();
  }

  ring(5.6);
  switch (glyph.stage) {
    case 'tight':
      ctx.fill();
      return;
    case 'brokenLoose':
      ctx.stroke();
      slice(Math.PI * 0.67, Math.PI * 1.67);
      return;
    case 'backedOut':
      ctx.stroke();
      slice(Math.PI * 1.1, Math.PI * 1.75);
      return;
    case 'out':
      ctx.stroke();
      return;
    case 'started':
      ctx.stroke();
      ring(1.8);
      ctx.fill();
      return;
    case 'snug':
      ctx.stroke();
      slice(-Math.PI / 2, Math.PI / 2);
      return;
    case 'pass':
      ctx.stroke();
      slice(-Math.PI / 2, -Math.PI / 2 + 2 * Math.PI * (glyph.of > 0 ? glyph.pass / glyph.of : 0.5));
      return;
    default:
      ring(6.6);
      ctx.lineWidth = 0.9;
      ctx.stroke();
      ring(4.8);
      ctx.fill();
      ctx.strokeStyle = cut;
      ctx.lineWidth = 2;
      ctx.beginPath();
      if (glyph.stage === 'aligned') {
        ctx.moveTo(x, y - 5);
        ctx.lineTo(x, y - 1);
      } else if (glyph.stage === 'locked') {
        ctx.moveTo(x - 5, y);
        ctx.lineTo(x + 5, y);
      } else if (glyph.stage === 'marked') {
        ctx.moveTo(x - 3.5, y + 3.5);
        ctx.lineTo(x + 3.5, y - 3.5);
      }
      ctx.stroke();
  }
}

/** The state of anything else: a square for a part, two dots for a connection, a drop for a fluid, a diamond for an aid. */
export function drawMark(ctx: CanvasRenderingContext2D, mark: string, x: number, y: number, colour: string): void {
  ctx.fillStyle = colour;
  ctx.strokeStyle = colour;
  ctx.lineWidth = 1.4;
  const path = (points: [number, number][]): void => {
    ctx.beginPath();
    points.forEach(([dx, dy], i) => (i ? ctx.lineTo(x + dx, y + dy) : ctx.moveTo(x + dx, y + dy)));
  };
  const dot = (dx: number, radius: number): void => {
    ctx.beginPath();
    ctx.arc(x + dx, y, radius, 0, 2 * Math.PI);
    ctx.fill();
  };
  switch (mark) {
    case 'on':
      ctx.fillRect(x - 4.5, y - 4.5, 9, 9);
      return;
    case 'off':
      ctx.strokeRect(x - 4.5, y - 4.5, 9, 9);
      return;
    case 'hung':
      ctx.strokeRect(x - 4, y - 1.5, 8, 7);
      path([
        [0, -1.5],
        [0, -7],
      ]);
      ctx.stroke();
      return;
    case 'carried':
      ctx.strokeRect(x - 3, y - 6, 6, 6);
      path([
        [-6.5, 0.5],
        [6.5, 0.5],
        [6.5, 5.5],
        [-6.5, 5.5],
        [-6.5, 0.5],
      ]);
      ctx.stroke();
      return;
    case 'box':
      ctx.strokeRect(x - 5, y - 5, 10, 10);
      path([
        [-5, -1.5],
        [5, -1.5],
      ]);
      ctx.stroke();
      return;
    case 'connected':
      dot(-3.5, 2.6);
      dot(3.5, 2.6);
      ctx.fillRect(x - 3.5, y - 1, 7, 2);
      return;
    case 'disconnected':
      dot(-4.5, 2.4);
      dot(4.5, 2.4);
      return;
    case 'level':
    case 'drained':
    case 'filled':
      path([
        [0, -6],
        [4.5, 2],
        [2.6, 5.5],
        [-2.6, 5.5],
        [-4.5, 2],
      ]);
      ctx.closePath();
      if (mark === 'level') ctx.fill();
      else ctx.stroke();
      if (mark === 'filled') ctx.fillRect(x - 3, y + 1, 6, 4);
      return;
    case 'placed':
    case 'away':
      path([
        [0, -6],
        [6, 0],
        [0, 6],
        [-6, 0],
      ]);
      ctx.closePath();
      if (mark === 'placed') ctx.fill();
      else ctx.stroke();
      return;
    case 'engaged':
    case 'released':
    case 'found':
      // A lever in its gate: upright it holds, laid over it lets go.
      ctx.fillRect(x - 6, y + 5, 12, 1.2);
      if (mark === 'released')
        path([
          [0, 5],
          [5, 0],
        ]);
      else
        path([
          [0, 5],
          [0, -6],
        ]);
      ctx.stroke();
      return;
    default: {
      // The vehicle: a beam above the ground, as high as it stands.
      const lift = mark === 'raised' || mark === 'lift' ? 6 : mark === 'stands' ? 5 : mark === 'touching' ? 2 : 0;
      ctx.fillRect(x - 6, y + 1.5 - lift, 12, 3);
      ctx.fillRect(x - 7, y + 6, 14, 1.2);
      if (mark === 'stands') {
        path([
          [-4, 6],
          [-2.5, -0.5],
          [-1, 6],
        ]);
        ctx.stroke();
        path([
          [1, 6],
          [2.5, -0.5],
          [4, 6],
        ]);
        ctx.stroke();
      } else if (mark === 'raised') {
        ctx.fillRect(x - 1, y - 1, 2, 7);
      } else if (mark === 'lift') {
        ctx.fillRect(x - 5, y - 1, 2, 7);
        ctx.fillRect(x + 3, y - 1, 2, 7);
      } else if (mark === 'soft') {
        ctx.font = '700 11px sans-serif';
        ctx.fillText('~', x - 3, y - 3);
      }
    }
  }
}
