import { sectionRing } from '../columns/section-shape';
import { cross, dot, minus, plus, times, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { ColumnPiece, FloorPiece, Solved, SolvedLine } from '../solving/solved';
import { boxOf, type Drawing, type Primitive } from './drawing';
import { spreadApart } from './spread';

/** A vertical plane through a building: a cut along a line, or a side seen from outside. Building axes. */
export interface SectionPlane {
  /** The line in plan; it runs from left to right of the drawing, and one looks to its left-hand side. */
  from: Point;
  to: Point;
  /** False for an elevation: nothing is cut, everything is seen. */
  isCut: boolean;
}

export interface SectionView {
  building: Id;
  plane: SectionPlane;
  /** Scale of the paper, 1 : scale. */
  scale: number;
  writeLength: (mm: number) => string;
  writeElevation: (mm: number) => string;
}

/** Sizes on paper, millimetres. */
const BUBBLE_RADIUS = 3.1;
const BUBBLE_TEXT = 2.9;
const LEVEL_TEXT = 2.7;
const DIMENSION_TEXT = 2.6;
const REACH = 9;

/**
 * The section or elevation: x runs along the plane, y is height. Slabs, columns and shafts are prisms, so the cut is
 * worked out from their rings, without polygons: where the plane's line crosses a slab's edges lie its cut pieces.
 */
export function drawSection(solved: Solved, view: SectionView): Drawing {
  const levels = solved.levels.filter((level) => level.building === view.building);
  const frame = frameOf(view.plane);
  if (levels.length === 0 || !frame) return { primitives: [], box: null };
  const floors = solved.floors.filter((floor) => floor.building === view.building);
  const columns = solved.columns.filter((column) => column.building === view.building);
  const body: Primitive[] = [
    ...floors.flatMap((floor) => seenSlab(floor, frame, view)),
    ...columns.flatMap((column) => drawColumn(column, frame, view, false)),
    ...drawShafts(solved, frame, view),
    ...floors.flatMap((floor) => cutSlab(solved, floor, frame, view)),
    ...columns.flatMap((column) => drawColumn(column, frame, view, true)),
  ];
  const span = boxOf(body);
  const [low, high] = [levels[0]!.fflMm, levels.at(-1)!.fflMm];
  const grid = gridLines(solved, frame, view);
  const xs = [...(span ? [span.minX, span.maxX] : []), ...grid.map(({ x }) => x)];
  const [left, right] = xs.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, 10_000];
  const primitives = [...drawGrid(grid, low, high, view), ...body, ...drawLevels(levels, left, right, view)];
  return { primitives, box: boxOf(primitives) };
}

/** The plane's own axes: along it, and into the depth one looks at. */
interface Frame {
  origin: Point;
  along: Point;
  into: Point;
}

function frameOf({ from, to }: SectionPlane): Frame | null {
  const way = minus(to, from);
  const size = Math.sqrt(dot(way, way));
  if (size < 1) return null;
  const along = times(way, 1 / size);
  return { origin: from, along, into: { x: -along.y, y: along.x } };
}

const alongOf = (frame: Frame, point: Point): number => dot(minus(point, frame.origin), frame.along);
const depthOf = (frame: Frame, point: Point): number => dot(minus(point, frame.origin), frame.into);

const box = (x0: number, y0: number, x1: number, y1: number): Ring => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];

/** Stretches of the plane's line that lie within an outline less its holes, from left to right. */
function cutStretches(frame: Frame, rings: readonly Ring[]): [number, number][] {
  const meets: number[] = [];
  for (const ring of rings) {
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const [da, db] = [depthOf(frame, a), depthOf(frame, b)];
      // Half-open, so that a corner on the line counts once.
      if (da > 0 === db > 0) return;
      const t = da / (da - db);
      meets.push(alongOf(frame, plus(a, times(minus(b, a), t))));
    });
  }
  meets.sort((p, q) => p - q);
  const stretches: [number, number][] = [];
  for (let i = 0; i + 1 < meets.length; i += 2) {
    if (meets[i + 1]! - meets[i]! > 1e-3) stretches.push([meets[i]!, meets[i + 1]!]);
  }
  return stretches;
}

function cutSlab(solved: Solved, piece: FloorPiece, frame: Frame, view: SectionView): Primitive[] {
  if (!view.plane.isCut) return [];
  const rings = solved.profiles[piece.profile]!.regions.flatMap(({ outer, holes }) => [outer, ...holes]);
  return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
    type: 'area',
    style: 'slabCut',
    id: piece.plate,
    rings: [box(x0, piece.topMm - piece.thicknessMm, x1, piece.topMm)],
  }));
}

/** The edge of a slab that is seen beyond the plane. */
function seenSlab(piece: FloorPiece, frame: Frame, view: SectionView): Primitive[] {
  const isBeyond = !view.plane.isCut || piece.outline.some((point) => depthOf(frame, point) > 0);
  if (!isBeyond) return [];
  const xs = piece.outline.map((point) => alongOf(frame, point));
  return [
    {
      type: 'area',
      style: 'slabSeen',
      id: piece.plate,
      rings: [box(Math.min(...xs), piece.topMm - piece.thicknessMm, Math.max(...xs), piece.topMm)],
    },
  ];
}

function drawColumn(piece: ColumnPiece, frame: Frame, view: SectionView, cut: boolean): Primitive[] {
  const ring = sectionRing(piece.section, piece.at, piece.turnDeg);
  const depths = ring.map((point) => depthOf(frame, point));
  const isCut = view.plane.isCut && Math.min(...depths) < 0 && Math.max(...depths) > 0;
  if (isCut !== cut || (!isCut && view.plane.isCut && Math.min(...depths) < 0)) return [];
  const [x0, x1] = isCut
    ? (cutStretches(frame, [ring])[0] ?? [0, 0])
    : [
        Math.min(...ring.map((point) => alongOf(frame, point))),
        Math.max(...ring.map((point) => alongOf(frame, point))),
      ];
  return [
    {
      type: 'area',
      style: isCut ? 'columnCut' : 'columnSeen',
      id: piece.stack,
      rings: [box(x0, piece.bottomMm, x1, piece.topMm)],
    },
  ];
}

/** A shaft's free space where the plane passes through it. */
function drawShafts(solved: Solved, frame: Frame, view: SectionView): Primitive[] {
  if (!view.plane.isCut) return [];
  return solved.shafts
    .filter((shaft) => shaft.building === view.building && shaft.topMm > shaft.bottomMm)
    .flatMap((shaft) =>
      cutStretches(frame, [shaft.ring]).flatMap(([x0, x1]): Primitive[] => [
        { type: 'area', style: 'shaftClosed', id: shaft.shaft, rings: [box(x0, shaft.bottomMm, x1, shaft.topMm)] },
        {
          type: 'text',
          style: 'shaftText',
          id: shaft.shaft,
          at: { x: (x0 + x1) / 2, y: shaft.topMm - 3 * view.scale },
          text: shaft.name,
          heightMm: Math.min(2.4 * view.scale, (x1 - x0) / 3),
          turnDeg: 0,
        },
      ]),
    );
}

interface SeenLine {
  line: SolvedLine;
  x: number;
}

/** Grid lines that run through the plane: those that cross its line, and for an elevation those square to it. */
function gridLines(solved: Solved, frame: Frame, view: SectionView): SeenLine[] {
  return solved.lines
    .filter((line) => line.building === view.building)
    .flatMap((line): SeenLine[] => {
      const [a, b] = line.ends;
      const way = minus(b, a);
      const size = Math.sqrt(dot(way, way));
      const sine = Math.abs(cross(frame.along, way)) / size;
      if (!view.plane.isCut) return sine > 1 - 1e-6 ? [{ line, x: alongOf(frame, a) }] : [];
      const [da, db] = [depthOf(frame, a), depthOf(frame, b)];
      if (da > 0 === db > 0) return [];
      return [{ line, x: alongOf(frame, plus(a, times(way, da / (da - db)))) }];
    })
    .sort((p, q) => p.x - q.x || (p.line.id < q.line.id ? -1 : 1));
}

function drawGrid(lines: readonly SeenLine[], low: number, high: number, view: SectionView): Primitive[] {
  const mm = (paper: number) => paper * view.scale;
  const [foot, head] = [low - mm(REACH), high + mm(REACH)];
  const labelled = lines.filter(({ line }) => line.label !== null);
  const main = thinned(labelled, spanOf(labelled.map(({ x }) => x)), mm(BUBBLE_RADIUS * 2));
  const places = spreadApart(
    main.map(({ x }) => x),
    mm(BUBBLE_RADIUS * 2),
  );
  const primitives: Primitive[] = [];
  for (const { line, x } of lines) {
    const style = line.minor ? 'gridLineMinor' : 'gridLine';
    const rank = main.findIndex((each) => each.line === line);
    if (rank < 0) {
      primitives.push({
        type: 'path',
        style,
        id: line.id,
        points: [
          { x, y: foot },
          { x, y: head },
        ],
        closed: false,
      });
      continue;
    }
    const centre = { x: places[rank]!, y: head + mm(BUBBLE_RADIUS * 3) };
    primitives.push(
      {
        type: 'path',
        style,
        id: line.id,
        // A bubble moved aside is joined by a jog.
        points: [
          { x, y: foot },
          { x, y: head },
          { x: centre.x, y: centre.y - mm(BUBBLE_RADIUS) },
        ],
        closed: false,
      },
      { type: 'circle', style: 'bubble', id: line.id, at: centre, radiusMm: mm(BUBBLE_RADIUS) },
      {
        type: 'text',
        style: 'bubbleText',
        id: line.id,
        at: centre,
        text: line.label!,
        heightMm: mm(BUBBLE_TEXT * Math.min(1, 3.2 / Math.max(2, line.label!.length))),
        turnDeg: 0,
      },
    );
  }
  main.slice(1).forEach(({ x }, i) => {
    const from = main[i]!.x;
    const text = view.writeLength(Math.round((x - from) * 1e6) / 1e6);
    if (x - from < mm(DIMENSION_TEXT) * text.length * 0.62) return;
    primitives.push({
      type: 'text',
      style: 'dimensionText',
      id: main[i + 1]!.line.id,
      at: { x: (x + from) / 2, y: head + mm(1) },
      text,
      heightMm: mm(DIMENSION_TEXT),
      turnDeg: 0,
    });
  });
  return primitives;
}

/** Level lines with their marks at the right, spread apart where they would overlap, and the storey heights at the left. */
function drawLevels(levels: Solved['levels'], left: number, right: number, view: SectionView): Primitive[] {
  const mm = (paper: number) => paper * view.scale;
  const [start, end] = [left - mm(REACH), right + mm(REACH)];
  const marked = thinned(levels, spanOf(levels.map(({ fflMm }) => fflMm)), mm(LEVEL_TEXT * 1.35));
  const places = spreadApart(
    marked.map(({ fflMm }) => fflMm),
    mm(LEVEL_TEXT * 1.35),
  );
  const primitives: Primitive[] = [];
  for (const level of levels) {
    const y = level.fflMm;
    const rank = marked.indexOf(level);
    const at = { x: end + mm(4), y: places[rank] ?? y };
    const style = level.bounding ? 'levelLine' : 'levelLineMinor';
    if (rank < 0) {
      primitives.push({
        type: 'path',
        style,
        id: level.id,
        points: [
          { x: start, y },
          { x: end, y },
        ],
        closed: false,
      });
      continue;
    }
    primitives.push(
      {
        type: 'path',
        style,
        id: level.id,
        points: [
          { x: start, y },
          { x: end, y },
          { x: end + mm(2.5), y: at.y },
        ],
        closed: false,
      },
      {
        type: 'path',
        style: 'levelMark',
        id: level.id,
        points: [
          { x: end + mm(2.5), y: at.y },
          { x: end + mm(4.6), y: at.y + mm(1.1) },
          { x: end + mm(4.6), y: at.y - mm(1.1) },
        ],
        closed: true,
      },
      {
        type: 'text',
        style: 'levelText',
        id: level.id,
        at: { x: at.x + mm(1.6), y: at.y },
        text: `${level.name}  ${view.writeElevation(y)}`,
        heightMm: mm(LEVEL_TEXT),
        turnDeg: 0,
      },
    );
    if (level.storeyHeightMm === null || level.storeyHeightMm < mm(LEVEL_TEXT)) continue;
    primitives.push({
      type: 'text',
      style: 'dimensionText',
      id: level.id,
      at: { x: start - mm(5), y: y + level.storeyHeightMm / 2 },
      text: view.writeLength(level.storeyHeightMm),
      heightMm: mm(DIMENSION_TEXT),
      turnDeg: 0,
    });
  }
  return primitives;
}

/** Every so many of a row, its ends always, so that marks of a size have room over a length and a half. */
function thinned<T>(row: readonly T[], lengthMm: number, sizeMm: number): T[] {
  const every = Math.max(1, Math.ceil((row.length * sizeMm) / Math.max(1.5 * lengthMm, 4 * sizeMm)));
  return row.filter((_, i) => i % every === 0 || i === row.length - 1);
}

const spanOf = (values: readonly number[]): number =>
  values.length > 0 ? Math.max(...values) - Math.min(...values) : 0;

export type Side = 'south' | 'east' | 'north' | 'west';

/** The plane of an elevation: outside the building on that side, looking at it. Null where there is nothing to look at. */
export function elevationPlane(solved: Solved, building: Id, side: Side): SectionPlane | null {
  const points = [
    ...solved.floors.filter((floor) => floor.building === building).flatMap(({ outline }) => outline),
    ...solved.crossings.filter((crossing) => crossing.building === building).map(({ at }) => at),
  ];
  if (points.length === 0) return null;
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const [w, e, s, n] = [x0 - 1000, x1 + 1000, y0 - 1000, y1 + 1000];
  const corners: Record<Side, [Point, Point]> = {
    south: [
      { x: w, y: s },
      { x: e, y: s },
    ],
    east: [
      { x: e, y: s },
      { x: e, y: n },
    ],
    north: [
      { x: e, y: n },
      { x: w, y: n },
    ],
    west: [
      { x: w, y: n },
      { x: w, y: s },
    ],
  };
  const [from, to] = corners[side];
  return { from, to, isCut: false };
}

/** The plane of a section along a grid line, looking north or west. */
export function planeAlong(line: SolvedLine): SectionPlane {
  const [a, b] = line.ends;
  const isLeftToRight = b.x - a.x > 1e-6 || (Math.abs(b.x - a.x) <= 1e-6 && b.y > a.y);
  return isLeftToRight ? { from: a, to: b, isCut: true } : { from: b, to: a, isCut: true };
}
