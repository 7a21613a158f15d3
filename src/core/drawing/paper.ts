import type { Point } from '../geometry/point';
import type { Drawing } from './drawing';

/** Sheets of the A series (ISO 216), shorter side first, millimetres. */
const SHEETS: readonly [name: string, short: number, long: number][] = [
  ['A4', 210, 297],
  ['A3', 297, 420],
  ['A2', 420, 594],
  ['A1', 594, 841],
  ['A0', 841, 1189],
];
const MARGIN_MM = 10;
const TITLE_MM = 14;

/** A drawing laid on a sheet to exact scale. */
export interface OnPaper {
  sheet: string;
  widthMm: number;
  heightMm: number;
  scale: number;
  /** A point of the model on the sheet, millimetres from its upper left corner, y down. */
  place: (point: Point) => Point;
  /** The strip for the title, from the upper left corner. */
  title: { xMm: number; yMm: number; widthMm: number; heightMm: number };
}

/**
 * Lays a drawing on the smallest sheet of the A series that holds it at 1 : scale, in its middle; null when none
 * does, or when there is nothing to draw.
 */
export function layOnPaper(drawing: Drawing, scale: number): OnPaper | null {
  const { box } = drawing;
  if (!box) return null;
  const [w, h] = [(box.maxX - box.minX) / scale, (box.maxY - box.minY) / scale];
  const [needW, needH] = [w + 2 * MARGIN_MM, h + 2 * MARGIN_MM + TITLE_MM];
  for (const [sheet, short, long] of SHEETS) {
    for (const [widthMm, heightMm] of [
      [long, short],
      [short, long],
    ] as const) {
      if (needW > widthMm || needH > heightMm) continue;
      const [left, top] = [(widthMm - w) / 2, (heightMm - TITLE_MM - h) / 2];
      return {
        sheet,
        widthMm,
        heightMm,
        scale,
        place: ({ x, y }) => ({ x: left + (x - box.minX) / scale, y: top + (box.maxY - y) / scale }),
        title: {
          xMm: MARGIN_MM,
          yMm: heightMm - MARGIN_MM - TITLE_MM,
          widthMm: widthMm - 2 * MARGIN_MM,
          heightMm: TITLE_MM,
        },
      };
    }
  }
  return null;
}
