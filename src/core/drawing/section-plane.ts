import { curvesMeet } from '../geometry/curve';
import { dot, lengthOf, minus, plus, times, turned, type Point } from '../geometry/point';
import type { Id } from '../model/ids';
import type { Solved, SolvedBuilding, SolvedLine } from '../solving/solved';

/** A vertical plane through a building: a cut along a line, or a side seen from outside. Building axes. */
export interface SectionPlane {
  /** The line in plan; it runs from left to right of the drawing, and one looks to its left-hand side. */
  from: Point;
  to: Point;
  /** False for an elevation: nothing is cut, everything is seen. */
  isCut: boolean;
}

/** The plane's own axes: along it, and into the depth one looks at. */
export interface Frame {
  origin: Point;
  along: Point;
  into: Point;
}

export function frameOf({ from, to }: SectionPlane): Frame | null {
  const way = minus(to, from);
  const size = Math.sqrt(dot(way, way));
  if (size < 1) return null;
  const along = times(way, 1 / size);
  return { origin: from, along, into: { x: -along.y, y: along.x } };
}

export const alongOf = (frame: Frame, point: Point): number => dot(minus(point, frame.origin), frame.along);
export const depthOf = (frame: Frame, point: Point): number => dot(minus(point, frame.origin), frame.into);

/** A plane given in one building's axes, in another's. */
export function planeIn(plane: SectionPlane, own: SolvedBuilding, other: SolvedBuilding): SectionPlane {
  if (own.id === other.id) return plane;
  const move = (point: Point): Point =>
    turned(minus(plus(own.at, turned(point, own.turnDeg)), other.at), -other.turnDeg);
  return { ...plane, from: move(plane.from), to: move(plane.to) };
}

/** Where a grid line goes through the plane's line: places along it. An elevation sees the lines square to it. */
export function placesOnPlane(line: SolvedLine, frame: Frame, isCut: boolean): number[] {
  const [a, b] = line.ends;
  if (!isCut) {
    if (line.curve.kind === 'arc') return [];
    const way = minus(b, a);
    const isSquare = Math.abs(dot(frame.along, way)) / (lengthOf(way) || 1) < 1e-6;
    return isSquare ? [alongOf(frame, a)] : [];
  }
  const reach = times(frame.along, 1e7);
  const cut = { kind: 'segment' as const, from: minus(frame.origin, reach), to: plus(frame.origin, reach) };
  return curvesMeet(cut, line.curve).map((point) => alongOf(frame, point));
}

export type Side = 'south' | 'east' | 'north' | 'west';

/** The plane of an elevation: outside the building on that side, looking at it. Null where there is nothing to look at. */
export function elevationPlane(solved: Solved, building: Id, side: Side): SectionPlane | null {
  const points = [
    ...solved.floors.filter((floor) => floor.building === building).flatMap(({ outline }) => outline),
    ...solved.assemblies.filter((each) => each.building === building).flatMap(({ ring }) => ring),
    ...solved.walls.filter((wall) => wall.building === building).flatMap(({ strips }) => strips.flat()),
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
export function planeAlong(line: Pick<SolvedLine, 'ends'>): SectionPlane {
  const [a, b] = line.ends;
  const isLeftToRight = b.x - a.x > 1e-6 || (Math.abs(b.x - a.x) <= 1e-6 && b.y > a.y);
  return isLeftToRight ? { from: a, to: b, isCut: true } : { from: b, to: a, isCut: true };
}
