import { between } from '../buildings/between-buildings';
import { mmOf } from '../dimensions/resolve-length';
import { cross, distance, minus, plus, type Point } from '../geometry/point';
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
  const edges = chain.flatMap((points) =>
    points.slice(1).map((to, i) => ({ curve: { kind: 'segment' as const, from: points[i]!, to }, offsetMm: 0 })),
  );
  return edges.length > 2 ? ringOnLines(edges) : null;
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
