import type { Figure, PrintedFigure } from './api/client';

/** Ten-thousandths of a side: what places on a picture are counted in. */
export const WHOLE = 10_000;

export interface Point {
  x: number;
  y: number;
}

export interface Area extends Point {
  width: number;
  height: number;
}

/** Sizes of what is drawn over a picture, in hundredths of its longer side that is shown. The server draws alike (FigureDrawing.cs). */
export const SIZES = { radius: 3.1, letters: 3.9, line: 0.45, edge: 1.3, dot: 0.8, shaft: 0.9, head: 3.4 };

/** Where a picture is used in another size. */
export interface Frame extends Area {
  unit: number;
}

/** A part of a picture in dots. */
export const dotsOf = (picture: { width: number; height: number }, area: Area): Area => ({
  x: (area.x * picture.width) / WHOLE,
  y: (area.y * picture.height) / WHOLE,
  width: (area.width * picture.width) / WHOLE,
  height: (area.height * picture.height) / WHOLE,
});

/** The part of a picture that is shown. */
export function frameOf(picture: { width: number; height: number }, crop: Area | null | undefined): Frame {
  const shown = dotsOf(picture, crop ?? { x: 0, y: 0, width: WHOLE, height: WHOLE });
  return { ...shown, unit: Math.max(shown.width, shown.height) / 100 };
}

/** A place in dots, kept within what is shown: what was put beside it stands at its edge. */
export function placed(point: Point, picture: { width: number; height: number }, frame: Frame, room = 0): Point {
  const within = (at: number, from: number, length: number): number =>
    Math.min(Math.max(at, from + room), from + Math.max(room, length - room));
  return {
    x: within((point.x * picture.width) / WHOLE, frame.x, frame.width),
    y: within((point.y * picture.height) / WHOLE, frame.y, frame.height),
  };
}

/** An arrow's shaft and head. */
export function arrowOf(from: Point, to: Point, unit: number): { shaft: string; head: string } {
  const length = Math.max(1e-9, Math.hypot(to.x - from.x, to.y - from.y));
  const [dx, dy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const head = Math.min(SIZES.head * unit, length);
  const [nx, ny] = [to.x - dx * head, to.y - dy * head];
  return {
    shaft: `M${from.x} ${from.y}L${nx} ${ny}`,
    head: `M${to.x} ${to.y}L${nx - (dy * head) / 2} ${ny + (dx * head) / 2}L${nx + (dy * head) / 2} ${ny - (dx * head) / 2}Z`,
  };
}

/** A figure under way, as it is drawn. */
export function drawn(figure: Figure): PrintedFigure {
  return {
    number: 1,
    picture: figure.picture ?? null,
    pattern: null,
    alt: figure.alt ?? '',
    caption: figure.caption ?? '',
    crop: null,
    balloons: (figure.balloons ?? []).map((b, i) => ({ number: i + 1, at: b.at, tip: b.tip, says: b.says, value: '' })),
    arrows: figure.arrows ?? [],
    inset: figure.inset ?? null,
  };
}

/** Where a page of a source document is fetched. */
export const pageAt = (key: string): string => `/api/workshop/pages/${key}`;

/** Where a picture of a revision is fetched. */
export const pictureAt = (revision: number, key: string): string => `/api/revisions/${revision}/pictures/${key}`;
