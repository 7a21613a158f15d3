import { cross, dot, lengthOf, minus, plus, quantised, times, type Point } from '../geometry/point';
import { bounds, type Box } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { WallUse } from './wall';
import type { WallPath } from './wall-path';

/** A wall where it may meet others. */
export interface Joining {
  id: Id;
  use: WallUse;
  path: WallPath;
  /** Round its path as drawn, as far as an end may lie that joins it. */
  box: Box;
  /** Round its straight parts. */
  around: Box;
}

/** Where a wall stands, by ranks of levels: from the first up to before the second, once or several times. */
export type Stands = readonly (readonly [low: number, high: number])[];

/** An end so little short of another wall meets it; one that is shorter leaves a gap, which is found and not closed, mm. */
export const CLOSED_MM = 1;
/** An end this far past another wall still ends at it, mm. */
const REACH_MM = 50;
/** Walls that meet at a smaller angle than this run beside each other. */
const LEAST_SINE = 0.05;

/**
 * Which wall runs through where two meet: the higher rank, then the thicker, then the one made first by id. A party wall goes
 * through the walls of both its buildings, up to their outside.
 */
const RANK: Record<WallUse, number> = { core: 5, party: 4, exterior: 3, glazed: 2, interior: 1 };

export function runsThrough(a: Joining, b: Joining): boolean {
  if (RANK[a.use] !== RANK[b.use]) return RANK[a.use] > RANK[b.use];
  if (a.path.build.thicknessMm !== b.path.build.thicknessMm) return a.path.build.thicknessMm > b.path.build.thicknessMm;
  return a.id < b.id;
}

/**
 * A wall's path with its open ends brought to the walls they meet: to the other's middle where it runs on (a T), to its
 * far face where it ends there too (a corner). What then lies in both is the one's that runs through. `others` are the walls that
 * stand in a storey of its own and may lie within reach of an end.
 */
export function joined(wall: Joining, others: (end: Point) => Iterable<Joining>): WallPath {
  const { path } = wall;
  if (path.closed) return path;
  const points = [...path.points];
  const last = points.length - 1;
  points[0] = brought(points[0]!, points[1]!, wall, others(points[0]!));
  points[last] = brought(points[last]!, points[last - 1]!, wall, others(points[last]!));
  return path.along(points);
}

/** False for a wall whose path lies too far from an end, which looks around so far, for it to be brought there. */
const mayMeet = ({ x, y }: Point, byMm: number, { box: { minX, minY, maxX, maxY } }: Joining): boolean =>
  x > minX - byMm && x < maxX + byMm && y > minY - byMm && y < maxY + byMm;

function brought(end: Point, inner: Point, wall: Joining, others: Iterable<Joining>): Point {
  const way = minus(end, inner);
  const length = lengthOf(way);
  const out = times(way, 1 / length);
  const byMm = joinReachMm(wall.path);
  let best: { by: number; to: Point; id: Id } | null = null;
  for (const other of others) {
    if (other.id === wall.id || !mayMeet(end, byMm, other)) continue;
    const { points, closed, build } = other.path;
    // The other's middle lies so far to the left of its path.
    const middleMm = other.path.leftOf(build.thicknessMm / 2);
    for (let i = 0; i < (closed ? points.length : points.length - 1); i += 1) {
      const [a, b] = [points[i]!, points[(i + 1) % points.length]!];
      const along = minus(b, a);
      const size = lengthOf(along);
      const unit = times(along, 1 / size);
      const shift = times({ x: -unit.y, y: unit.x }, middleMm);
      const sine = cross(out, unit);
      if (Math.abs(sine) < LEAST_SINE) continue;
      const by = cross(minus(plus(a, shift), end), unit) / sine;
      const half = build.thicknessMm / 2 / Math.abs(sine);
      if (by > half + CLOSED_MM || by < -half - REACH_MM) continue;
      const meet = plus(end, times(out, by));
      const at = dot(minus(meet, plus(a, shift)), unit);
      const slack = wall.path.build.thicknessMm / 2 + CLOSED_MM;
      if (at < -slack - half || at > size + slack + half) continue;
      const isAtEnd =
        !closed && ((i === 0 && at < slack + half) || (i === points.length - 2 && at > size - slack - half));
      const to = isAtEnd ? plus(end, times(out, by + half)) : meet;
      // Of two that it is as near to the first by id counts, in whatever order they come.
      const nearer = best ? Math.abs(best.by) - Math.abs(by) : 1;
      if (!best || nearer > 0 || (nearer === 0 && other.id < best.id)) best = { by, to, id: other.id };
    }
  }
  // Never back past its own other end.
  return best && dot(minus(best.to, inner), out) > 1 ? quantised(best.to) : end;
}

/** Round a path, so far as an end may lie that joins it. */
export const joinBox = (path: WallPath): Box => boxAround(path, joinReachMm(path));
/** Round the straight parts of a path. */
export const pathBox = (path: WallPath): Box => boxAround(path, path.build.thicknessMm);

function boxAround({ points }: WallPath, byMm: number): Box {
  const { minX, minY, maxX, maxY } = bounds(points);
  return { minX: minX - byMm, minY: minY - byMm, maxX: maxX + byMm, maxY: maxY + byMm };
}

/** How far from a wall's path an end may lie that joins it, and how far an end looks around, mm. */
const joinReachMm = ({ build }: WallPath): number => build.thicknessMm * (1 / LEAST_SINE) + 2 * REACH_MM;
export const endReachMm = ({ build }: WallPath): number => build.thicknessMm + 2 * REACH_MM;
