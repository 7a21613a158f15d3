import { curvesMeet } from '../geometry/curve';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import type { Wall } from './wall';
import { pathLength, wallPath } from './wall-path';

/** A place of a wall to split it at. */
interface SplitPlace {
  /** From the start of its path, as `walls.split` takes it. */
  alongMm: number;
  /** To both ends of the wall. */
  before: number;
  after: number;
  at: Point;
  /** Across the wall there. */
  across: [Point, Point];
  words: string;
}

interface Asked {
  stepMm: number;
  reachMm: number;
  /** So far from the nearer end, instead of where it is pointed at. */
  fromEndMm?: number | undefined;
  /** Its lines that cross the wall are places, at a level. */
  solved?: Solved | null;
  level?: Id | null;
}

/**
 * Where a wall is split that is pointed at: at a corner or a line that crosses it within reach, else at a round distance from its
 * nearer end. Null where it is not pointed at.
 */
export function splitPlace(
  framework: Framework,
  wall: Wall,
  point: Point,
  { stepMm, reachMm, fromEndMm, solved, level }: Asked,
): SplitPlace | null {
  const path = wallPath(framework, wall);
  if (!path) return null;
  const { points, closed, build } = path;
  const n = points.length;
  const parts = Array.from({ length: closed ? n : n - 1 }, (_, i) => {
    const [from, to] = [points[i]!, points[(i + 1) % n]!];
    const long = distance(from, to);
    const way = times(minus(to, from), 1 / long);
    const on = Math.min(long, Math.max(0, dot(minus(point, from), way)));
    return { from, to, long, way, on, gap: distance(point, plus(from, times(way, on))) };
  });
  const starts = parts.map((_, i) => parts.slice(0, i).reduce((sum, { long }) => sum + long, 0));
  const nearest = parts.reduce((best, { gap }, i) => (gap < parts[best]!.gap ? i : best), 0);
  if (parts[nearest]!.gap > reachMm + build.thicknessMm) return null;
  const whole = pathLength(path);
  const { from, to, way, on, long } = parts[nearest]!;
  const start = starts[nearest]!;
  const fflMm = solved?.levels.find(({ id }) => id === level)?.fflMm ?? 0;
  const lines = (solved?.lines ?? []).filter(
    ({ building, lowMm, highMm }) =>
      building === wall.building && (lowMm ?? fflMm) <= fflMm && (highMm ?? fflMm) >= fflMm,
  );
  const marks = [
    { on: 0, words: 'at a corner' },
    { on: long, words: 'at a corner' },
    ...lines.flatMap(({ curve, label }) =>
      curvesMeet({ kind: 'segment', from, to }, curve).map((meet) => ({
        on: dot(minus(meet, from), way),
        words: label === null ? 'on a line' : `on line ${label}`,
      })),
    ),
  ].filter((mark) => start + mark.on > 1 && start + mark.on < whole - 1);
  const near = marks
    .filter((mark) => Math.abs(mark.on - on) <= reachMm)
    .sort((p, q) => Math.abs(p.on - on) - Math.abs(q.on - on))[0];
  const pointed = start + on;
  const isNearStart = pointed <= whole / 2;
  const stepped = isNearStart
    ? Math.round(pointed / stepMm) * stepMm
    : whole - Math.round((whole - pointed) / stepMm) * stepMm;
  const asked =
    fromEndMm !== undefined ? (isNearStart ? fromEndMm : whole - fromEndMm) : near ? start + near.on : stepped;
  const alongMm = quantiseMm(asked);
  const part = Math.max(
    0,
    starts.findLastIndex((each) => each <= alongMm),
  );
  const { from: base, way: along } = parts[part]!;
  const at = plus(base, times(along, alongMm - starts[part]!));
  const left = { x: -along.y, y: along.x };
  const face = (depthMm: number) => plus(at, times(left, path.leftOf(depthMm)));
  return {
    alongMm,
    before: alongMm,
    after: quantiseMm(whole - alongMm),
    at,
    across: [face(-150), face(build.thicknessMm + 150)],
    words: near && fromEndMm === undefined ? near.words : `in wall ${wall.name}`,
  };
}
