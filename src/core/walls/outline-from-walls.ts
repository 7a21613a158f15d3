import { between } from '../buildings/between-buildings';
import { mmOf } from '../dimensions/resolve-length';
import { distance, type Point } from '../geometry/point';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { ringOnLines } from '../outlines/outline-from-lines';
import type { Length } from '../units/parse-length';
import type { WallFace } from './wall-faces';
import { faceDepth, offsetPath, wallPath } from './wall-path';

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
  const runs = walls.flatMap((id) => {
    const wall = recordOf(framework, 'wall', id);
    const path = wall && wallPath(framework, wall);
    if (!path) return [];
    const points = offsetPath(path.points, path.closed, path.leftOf(faceDepth(path.build, face) - out));
    const { move } = between(framework, wall.building, home);
    return [{ points: wall.building === home ? points : points.map(move), closed: path.closed }];
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
