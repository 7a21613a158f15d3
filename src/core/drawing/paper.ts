import type { Point } from '../geometry/point';
import type { Drawing, Style, TextStyle } from './drawing';

/** How a style looks on paper. Line weights and dashes in millimetres of paper, after drafting practice. */
export interface PaperLook {
  weightMm: number;
  stroke: string;
  fill: string | null;
  dashMm: readonly number[];
}

const look = (weightMm: number, stroke = '#1C252E', fill: string | null = null, dashMm: number[] = []): PaperLook => ({
  weightMm,
  stroke,
  fill,
  dashMm,
});

export const PAPER_LOOKS: Record<Style, PaperLook> = {
  floor: look(0.5, '#1C252E', '#FFFFFF'),
  floorZone: look(0.25, '#1C252E', '#FFFFFF'),
  columnCut: look(0.35, '#1C252E', '#1C252E'),
  columnSeen: look(0.18, '#1C252E', '#FFFFFF'),
  slabCut: look(0.5, '#1C252E', '#1C252E'),
  slabSeen: look(0.18, '#55606A', '#FFFFFF'),
  levelLine: look(0.18, '#55606A', null, [6, 1.5, 1, 1.5]),
  levelLineMinor: look(0.13, '#55606A', null, [2, 1.5]),
  levelMark: look(0.18, '#1C252E', '#1C252E'),
  shaftOpen: look(0.35, '#1C252E', '#FFFFFF'),
  shaftClosed: look(0.25, '#1C252E', null, [2, 1.2]),
  shaftCross: look(0.18),
  wallCut: look(0.5, '#1C252E', '#FFFFFF'),
  wallCore: look(0.13, '#1C252E', '#B9B4AA'),
  wallSeen: look(0.18, '#55606A', '#FFFFFF'),
  opening: look(0.18),
  openingSwing: look(0.13, '#55606A'),
  openingAbove: look(0.13, '#55606A', null, [2, 1.2]),
  stairCut: look(0.5, '#1C252E', '#1C252E'),
  stairSeen: look(0.25, '#1C252E', '#FFFFFF'),
  stairTread: look(0.18),
  stairBreak: look(0.25),
  stairArrow: look(0.25),
  stairAbove: look(0.18, '#55606A', null, [2, 1.2]),
  stairUnsolved: look(0.35, '#A52A24', null, [3, 1.5]),
  gridLine: look(0.18, '#55606A', null, [8, 1.5, 1, 1.5]),
  gridLineMinor: look(0.13, '#55606A', null, [4, 1.5, 1, 1.5]),
  settingOut: look(0.18, '#1C252E', null, [3, 1, 0.6, 1]),
  columnHead: look(0.18, '#55606A', null, [2, 1.2]),
  ceilingOver: look(0.13, '#55606A', null, [1, 1]),
  ceilingCut: look(0.25, '#55606A', '#B9B4AA'),
  bodyOver: look(0.18, '#55606A', null, [3, 1.2]),
  bodyCut: look(0.35, '#1C252E', '#B9B4AA'),
  bodySeen: look(0.18, '#55606A', '#FFFFFF'),
  bubble: look(0.25, '#1C252E', '#FFFFFF'),
  dimension: look(0.18),
  dimensionTick: look(0.35),
};

/** Texts of figures are set in the tabular face. */
export const isFigures = (style: TextStyle): boolean =>
  style === 'dimensionText' || style === 'levelText' || style === 'levelTextLeft';

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
