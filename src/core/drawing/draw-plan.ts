import { sectionRing } from '../columns/section-shape';
import { distance, minus, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { bounds, ringMoment, ringArea } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Solved, SolvedLine, SolvedShaft } from '../solving/solved';
import { boxOf, type Drawing, type Primitive } from './drawing';
import { spreadApart } from './spread';

export interface PlanView {
  building: Id;
  level: Id;
  /** Scale of the paper, 1 : scale: texts and bubbles keep their size on paper. */
  scale: number;
  /** Height of the cut above FFL. */
  cutAboveMm: number;
  writeLength: (mm: number) => string;
}

/** Sizes on paper, millimetres. */
const BUBBLE_RADIUS = 3.1;
const BUBBLE_TEXT = 2.9;
const DIMENSION_TEXT = 2.6;
const STRING_GAP = 6;
const TICK = 1.1;

/** The plan of one level: slab with its holes, shafts, columns cut, grid with bubbles and dimension strings. */
export function drawPlan(solved: Solved, view: PlanView): Drawing {
  const level = solved.levels.find(({ id }) => id === view.level);
  if (!level) return { primitives: [], box: null };
  const cutMm = level.fflMm + view.cutAboveMm;
  const primitives: Primitive[] = [
    ...drawFloors(solved, view),
    ...solved.shafts.filter(({ levels }) => levels.includes(view.level)).flatMap((shaft) => drawShaft(shaft, view)),
    ...drawGrids(solved, view),
    ...drawColumns(solved, view, cutMm),
  ];
  return { primitives, box: boxOf(primitives) };
}

const drawFloors = (solved: Solved, view: PlanView): Primitive[] =>
  solved.floors
    .filter(({ level }) => level === view.level)
    .flatMap((piece) =>
      solved.profiles[piece.profile]!.regions.map(({ outer, holes }): Primitive => ({
        type: 'area',
        style: 'floor',
        id: piece.plate,
        rings: [outer, ...holes],
      })),
    );

function drawColumns(solved: Solved, view: PlanView, cutMm: number): Primitive[] {
  return solved.columns
    .filter(({ building, bottomMm, topMm }) => building === view.building && bottomMm <= cutMm && topMm >= cutMm)
    .map((piece): Primitive =>
      piece.section.shape === 'circle'
        ? { type: 'circle', style: 'columnCut', id: piece.stack, at: piece.at, radiusMm: piece.section.diameterMm / 2 }
        : {
            type: 'area',
            style: 'columnCut',
            id: piece.stack,
            rings: [sectionRing(piece.section, piece.at, piece.turnDeg)],
          },
    );
}

/** Outline at every level it passes; crossed diagonals where the slab is open. */
function drawShaft(shaft: SolvedShaft, view: PlanView): Primitive[] {
  const isOpen = shaft.cuts.some(({ level }) => level === view.level);
  const { ring } = shaft;
  const outline: Primitive = {
    type: 'area',
    style: isOpen ? 'shaftOpen' : 'shaftClosed',
    id: shaft.shaft,
    rings: [ring],
  };
  const diagonals =
    isOpen && ring.length === 4
      ? [
          [ring[0]!, ring[2]!],
          [ring[1]!, ring[3]!],
        ]
      : [];
  const box = bounds(ring);
  const moment = ringMoment(ring);
  const area = ringArea(ring);
  const heightMm = Math.min(2.4 * view.scale, (box.maxX - box.minX) / 3, (box.maxY - box.minY) / 1.6);
  return [
    outline,
    ...diagonals.map((points): Primitive => ({
      type: 'path',
      style: 'shaftCross',
      id: shaft.shaft,
      points,
      closed: false,
    })),
    {
      type: 'text',
      style: 'shaftText',
      id: shaft.shaft,
      at: { x: moment.x / area, y: moment.y / area },
      text: shaft.name,
      heightMm,
      turnDeg: 0,
    },
  ];
}

function drawGrids(solved: Solved, view: PlanView): Primitive[] {
  const systems = new Map<Id, SolvedLine[]>();
  for (const line of solved.lines) {
    if (line.building === view.building) systems.set(line.system, [...(systems.get(line.system) ?? []), line]);
  }
  return [...systems.values()].flatMap((lines) => [
    ...drawDirection(
      lines.filter(({ direction }) => direction === 'a'),
      1,
      view,
    ),
    ...drawDirection(
      lines.filter(({ direction }) => direction === 'b'),
      0,
      view,
    ),
  ]);
}

/**
 * Lines of one direction with bubbles and dimension strings at one of their ends: outside the building first the
 * bays, then the overall length, then the bubbles, spread apart where they would overlap.
 */
function drawDirection(lines: readonly SolvedLine[], bubbleEnd: 0 | 1, view: PlanView): Primitive[] {
  if (lines.length === 0) return [];
  const mm = (paper: number) => paper * view.scale;
  const end = (line: SolvedLine) => line.ends[bubbleEnd];
  const out = unit(lines[0]!.ends[1 - bubbleEnd]!, end(lines[0]!));
  const across = { x: -out.y, y: out.x };
  const main = lines.filter(({ label }) => label !== null);
  const inner = mm(STRING_GAP);
  const bubbleOut = lines.length > 1 ? inner * 2 + mm(BUBBLE_RADIUS * 2) : mm(BUBBLE_RADIUS * 2);
  const base = end(lines[0]!);
  const along = (point: Point) => (point.x - base.x) * across.x + (point.y - base.y) * across.y;
  const spread = spreadApart(
    main.map((line) => along(end(line))),
    mm(BUBBLE_RADIUS * 2.15),
  );
  const primitives: Primitive[] = [];
  for (const line of lines) {
    const style = line.minor ? 'gridLineMinor' : 'gridLine';
    const rank = main.indexOf(line);
    const far = line.ends[1 - bubbleEnd]!;
    if (rank < 0) {
      primitives.push({ type: 'path', style, id: line.id, points: [far, end(line)], closed: false });
      continue;
    }
    const centre = plus(plus(base, times(across, spread[rank]!)), times(out, bubbleOut));
    const neck = minus(centre, times(out, mm(BUBBLE_RADIUS)));
    // A bubble moved aside is joined by a jog.
    const knee = plus(end(line), times(out, bubbleOut - mm(BUBBLE_RADIUS * 2)));
    primitives.push(
      { type: 'path', style, id: line.id, points: [far, knee, neck], closed: false },
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
  if (lines.length > 1) primitives.push(...drawString(lines, end, out, inner, view));
  return primitives;
}

/** Running bays between the lines, and the overall length when there is more than one bay. */
function drawString(
  lines: readonly SolvedLine[],
  end: (line: SolvedLine) => Point,
  out: Point,
  offMm: number,
  view: PlanView,
): Primitive[] {
  const mm = (paper: number) => paper * view.scale;
  const rows = lines.length > 2 ? [lines, [lines[0]!, lines.at(-1)!]] : [lines];
  return rows.flatMap((row, i) => {
    const shift = times(out, (i === 0 ? 0.35 : 1.25) * offMm);
    const points = row.map((line) => plus(end(line), shift));
    const primitives: Primitive[] = [
      { type: 'path', style: 'dimension', id: null, points: [points[0]!, points.at(-1)!], closed: false },
    ];
    points.forEach((point, j) => {
      const tick = times(plus(out, { x: -out.y, y: out.x }), mm(TICK));
      primitives.push({
        type: 'path',
        style: 'dimensionTick',
        id: null,
        points: [minus(point, tick), plus(point, tick)],
        closed: false,
      });
      const next = points[j + 1];
      if (!next) return;
      const bay = minus(next, point);
      const size = distance(point, next);
      const text = view.writeLength(Math.round(size * 1e6) / 1e6);
      if (size < mm(DIMENSION_TEXT) * text.length * 0.62) return;
      const turn = upright(directionDeg(bay.y, bay.x));
      primitives.push({
        type: 'text',
        style: 'dimensionText',
        id: row[j + 1]!.id,
        at: plus(plus(point, times(bay, 0.5)), times(upwards(bay), mm(DIMENSION_TEXT * 0.75))),
        text,
        heightMm: mm(DIMENSION_TEXT),
        turnDeg: turn,
      });
    });
    return primitives;
  });
}

/** Readable from below or from the right. */
function upright(deg: number): number {
  if (deg > 90) return deg - 180;
  return deg <= -90 ? deg + 180 : deg;
}

/** The side of a direction on which an upright text above it stands. */
function upwards(along: Point): Point {
  const size = Math.sqrt(along.x * along.x + along.y * along.y) || 1;
  const normal = { x: -along.y / size, y: along.x / size };
  const isUp = Math.abs(normal.y) > 1e-9 ? normal.y > 0 : normal.x < 0;
  return isUp ? normal : { x: -normal.x, y: -normal.y };
}

function unit(from: Point, to: Point): Point {
  const along = minus(to, from);
  const size = Math.sqrt(along.x * along.x + along.y * along.y) || 1;
  return { x: along.x / size, y: along.y / size };
}
