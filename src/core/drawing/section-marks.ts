import type { Point } from '../geometry/point';
import type { Id } from '../model/ids';
import type { SolvedLevel, SolvedLine } from '../solving/solved';
import { dimensionString, DIMENSION_TEXT, STRING_GAP } from './dimension-strings';
import type { DimensionMark, Primitive } from './drawing';
import { GridHeads, HEAD_RADIUS } from './grid-heads';
import { spreadApart } from './spread';
import type { MarkAt } from './view-marks';

/** Sizes on paper, millimetres. */
const LEVEL_TEXT = 2.7;
export const REACH = 9;

export interface MarkLook {
  scale: number;
  writeLength: (mm: number) => string;
  writeElevation: (mm: number) => string;
  markAt: MarkAt;
}

/** A grid line where it goes through the plane of a section. */
export interface SeenLine {
  line: SolvedLine;
  x: number;
}

/** Grid lines of a section between two heights, with heads above, spread as in plan, and the bays between them. */
export function sectionGrid(
  lines: readonly SeenLine[],
  low: number,
  high: number,
  look: MarkLook,
): { primitives: Primitive[]; marks: DimensionMark[] } {
  const mm = (paper: number) => paper * look.scale;
  const [foot, head] = [low - mm(REACH), high + mm(REACH)];
  const primitives: Primitive[] = [];
  const heads = new GridHeads(look.scale);
  const labelled = lines.filter(({ line }) => line.label !== null && (look.markAt(line.id, 1)?.shown ?? true));
  const main = thinned(labelled, spanOf(labelled.map(({ x }) => x)), mm(HEAD_RADIUS * 2));
  for (const { line, x } of lines) {
    // A line that is there on some levels only is drawn past those.
    const [from, to] = [
      line.lowMm === null ? foot : Math.max(foot, line.lowMm - mm(REACH)),
      line.highMm === null ? head : Math.min(head, line.highMm + mm(REACH)),
    ];
    const isHeaded = main.some((each) => each.line === line);
    primitives.push({
      type: 'path',
      style: line.minor ? 'gridLineMinor' : 'gridLine',
      id: line.id,
      points: [
        { x, y: from },
        { x, y: isHeaded ? head : to },
      ],
      closed: false,
    });
  }
  heads.add({
    ends: main.map(({ line, x }) => ({
      id: line.id,
      label: line.label!,
      at: { x, y: head },
      out: { x: 0, y: 1 },
      bubble: line.bubble,
      minor: line.minor,
      placed: look.markAt(line.id, 1)?.placed ?? null,
    })),
    outPaperMm: STRING_GAP * 2 + HEAD_RADIUS * 2,
  });
  const { primitives: strings, marks } = dimensionString(
    main.map(({ line, x }) => ({ at: { x, y: head }, id: line.id })),
    { x: 0, y: 1 },
    look,
  );
  return { primitives: [...primitives, ...heads.primitives, ...strings], marks };
}

/** A side of a section with the level marks of one building: x outwards is `way`. */
export interface MarkSide {
  levels: readonly SolvedLevel[];
  /** Added to the levels' heights to get the drawing's. */
  liftMm: number;
  /** Where the marks begin, and from where their lines come. */
  edgeX: number;
  fromX: number;
  way: 1 | -1;
}

/** Level lines with their marks at a side, spread apart where they would overlap; hand-placed ones stay. */
export function levelMarks({ levels, liftMm, edgeX, fromX, way }: MarkSide, look: MarkLook): Primitive[] {
  const mm = (paper: number) => paper * look.scale;
  const shown = levels.filter(({ id }) => look.markAt(id, way === 1 ? 1 : 0)?.shown ?? true);
  const heights = shown.map(({ fflMm }) => fflMm + liftMm);
  const marked = thinned(shown, spanOf(heights), mm(LEVEL_TEXT * 1.35));
  const placed = marked.map(({ id }) => look.markAt(id, way === 1 ? 1 : 0)?.placed ?? null);
  const places = spreadApart(
    marked.map(({ fflMm }, i) => fflMm + liftMm + (placed[i]?.acrossMm ?? 0)),
    mm(LEVEL_TEXT * 1.35),
    placed.map((each) => each !== null),
  );
  const out = (x: number, paper: number) => x + way * mm(paper);
  return levels.flatMap((level): Primitive[] => {
    const y = level.fflMm + liftMm;
    const rank = marked.indexOf(level);
    const style = level.bounding ? 'levelLine' : 'levelLineMinor';
    const path = (points: Point[]): Primitive => ({ type: 'path', style, id: level.id, points, closed: false });
    if (rank < 0)
      return [
        path([
          { x: fromX, y },
          { x: edgeX, y },
        ]),
      ];
    const markY = places[rank]!;
    const shift = placed[rank]?.outMm ?? 0;
    const edge = edgeX + way * shift;
    return [
      path([
        { x: fromX, y },
        { x: edge, y },
        { x: out(edge, 2.5), y: markY },
      ]),
      {
        type: 'path',
        style: 'levelMark',
        id: level.id,
        points: [
          { x: out(edge, 2.5), y: markY },
          { x: out(edge, 4.6), y: markY + mm(1.1) },
          { x: out(edge, 4.6), y: markY - mm(1.1) },
        ],
        closed: true,
      },
      {
        type: 'text',
        style: way === 1 ? 'levelText' : 'levelTextLeft',
        id: level.id,
        at: { x: out(edge, 5.6), y: markY },
        text: `${level.name}  ${look.writeElevation(level.fflMm)}`,
        heightMm: mm(LEVEL_TEXT),
        turnDeg: 0,
      },
    ];
  });
}

/** Storey heights at a side, where there is room for them. */
export const storeyHeights = (levels: readonly SolvedLevel[], x: number, look: MarkLook): Primitive[] =>
  levels.flatMap((level): Primitive[] => {
    if (level.storeyHeightMm === null || level.storeyHeightMm < LEVEL_TEXT * look.scale) return [];
    return [
      {
        type: 'text',
        style: 'dimensionText',
        id: level.id as Id,
        at: { x, y: level.fflMm + level.storeyHeightMm / 2 },
        text: look.writeLength(level.storeyHeightMm),
        heightMm: DIMENSION_TEXT * look.scale,
        turnDeg: 0,
      },
    ];
  });

/** Every so many of a row, its ends always, so that marks of a size have room over a length and a half. */
function thinned<T>(row: readonly T[], lengthMm: number, sizeMm: number): T[] {
  const every = Math.max(1, Math.ceil((row.length * sizeMm) / Math.max(1.5 * lengthMm, 4 * sizeMm)));
  return row.filter((_, i) => i % every === 0 || i === row.length - 1);
}

const spanOf = (values: readonly number[]): number =>
  values.length > 0 ? Math.max(...values) - Math.min(...values) : 0;
