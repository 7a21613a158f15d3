import { between } from '../buildings/between-buildings';
import { mmOf } from '../dimensions/resolve-length';
import { cross, distance, dot, lengthOf, minus, plus, type Point } from '../geometry/point';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { ringOnLines } from '../outlines/outline-from-lines';
import type { Length } from '../units/parse-length';
import type { WallFace } from './wall-faces';
import { faceDepth, offsetPath, wallPath, type WallPath } from './wall-path';

/**
 * The corners of an outline along a face of walls, moved outwards by an offset: of one closed wall, or of walls that go
 * round one after another, in whatever order and direction each was drawn. Null where they do not go round.
 */
export function outlineFromWalls(
  framework: Framework,
  { walls, face, offsetMm }: { walls: readonly Id[]; face: WallFace; offsetMm: Length },
): readonly Point[] | null {
  const out = mmOf(framework, offsetMm);
  const records = walls.flatMap((id) => recordOf(framework, 'wall', id) ?? []);
  // A party wall may be another building's: the outline is in the axes of those that are not shared.
  const home = (records.find(({ sharedWith }) => sharedWith === null) ?? records[0])?.building ?? '';
  /** Somewhere among the walls that are not shared, in a building's axes. */
  const inside = (building: Id): Point | null => {
    const corners = records
      .filter(({ sharedWith }) => sharedWith === null)
      .flatMap((wall) => wallPath(framework, wall)?.points ?? []);
    if (corners.length === 0) return null;
    const { x, y } = corners.reduce(plus);
    return between(framework, home, building).move({ x: x / corners.length, y: y / corners.length });
  };
  const runs = walls.flatMap((id) => {
    const wall = recordOf(framework, 'wall', id);
    const path = wall && wallPath(framework, wall);
    if (!path) return [];
    const isHome = wall.building === home;
    const leftMm =
      wall.sharedWith === null
        ? path.leftOf(faceDepth(path.build, face) - out)
        : nearFace(path, inside(wall.building), out);
    const points = offsetPath(path.points, path.closed, leftMm);
    const { move } = between(framework, wall.building, home);
    return [{ points: isHome ? points : points.map(move), closed: path.closed }];
  });
  if (runs.length !== walls.length) return null;
  if (runs.length === 1 && runs[0]!.closed) return runs[0]!.points;
  if (runs.some(({ closed }) => closed)) return null;
  const chain = inTurn(runs.map(({ points }) => points));
  const sides = goingOn(chain.flatMap((points) => points.slice(1).map((to, i): Side => ({ from: points[i]!, to }))));
  const edges = sides.map(({ from, to }) => ({ curve: { kind: 'segment' as const, from, to }, offsetMm: 0 }));
  return edges.length > 2 ? ringOnLines(edges) : null;
}

interface Side {
  from: Point;
  to: Point;
}

/** Sides this far from one line are on it, mm. */
const ON_LINE_MM = 0.01;

/**
 * Sides that go on straight from one another, as the parts of a wall that was split do, as one; where the next lies beside
 * the line, as a thicker part does, with a step between them.
 */
function goingOn(sides: readonly Side[]): Side[] {
  const joined: Side[] = [];
  const push = (side: Side) => {
    const last = joined.at(-1);
    const step = last && stepTo(last, side);
    if (last && step === 0) joined[joined.length - 1] = { from: last.from, to: side.to };
    else joined.push(...(step ? [{ from: last!.to, to: side.from }] : []), side);
  };
  for (const side of sides) push(side);
  const [first, last] = [joined[0], joined.at(-1)];
  if (!first || !last || joined.length < 3) return joined;
  const step = stepTo(last, first);
  if (step === 0) return [{ from: last.from, to: first.to }, ...joined.slice(1, -1)];
  return step ? [...joined, { from: last.to, to: first.from }] : joined;
}

/** How far beside the line of a side the next one runs that has its direction, mm; null: it has another. */
function stepTo(side: Side, next: Side): number | null {
  const [way, on] = [minus(side.to, side.from), minus(next.to, next.from)];
  const [long, further] = [lengthOf(way), lengthOf(on)];
  if (long === 0 || further === 0 || dot(way, on) <= 0) return null;
  if (Math.abs(cross(way, on)) / long > ON_LINE_MM) return null;
  const beside = Math.abs(cross(way, minus(next.from, side.from))) / long;
  return beside <= ON_LINE_MM ? 0 : beside;
}

/** How far left of a party wall's path the face of its core lies that one sees from a place, moved away from it. */
function nearFace(path: WallPath, from: Point | null, outMm: number): number {
  const { points, build } = path;
  const [a, b] = build.coreMm.map((depth) => path.leftOf(depth)) as [number, number];
  const [start, end] = [points[0]!, points.at(-1)!];
  const isLeft = from === null || cross(minus(end, start), minus(from, start)) > 0;
  return isLeft ? Math.max(a, b) - outMm : Math.min(a, b) + outMm;
}

/** Runs one after another, each turned so that it begins where the one before ended, nearest first. */
function inTurn(runs: readonly (readonly Point[])[]): (readonly Point[])[] {
  const [first, ...rest] = runs;
  if (!first) return [];
  const chain: (readonly Point[])[] = [first];
  const left = [...rest];
  while (left.length > 0) {
    const end = chain.at(-1)!.at(-1)!;
    let best = { i: 0, isTurned: false, gap: Infinity };
    left.forEach((run, i) => {
      for (const isTurned of [false, true]) {
        const gap = distance(end, isTurned ? run.at(-1)! : run[0]!);
        if (gap < best.gap) best = { i, isTurned, gap };
      }
    });
    const [next] = left.splice(best.i, 1);
    chain.push(best.isTurned ? [...next!].reverse() : next!);
  }
  return chain;
}
