import type { Region } from '../geometry/boolean';
import { distance, plus, times, type Point } from '../geometry/point';
import { triangulate } from '../geometry/triangulate';
import type { Step, Ways } from './walking';

/** Found to this share of its length. */
const SHARE = 0.004;
const LEAST_MM = 40;

interface Stand {
  at: Point;
  step: Step | null;
}

/**
 * The place of free floor one walks farthest from. Walking a millimetre changes a way by no more than that, so triangles that cannot hold
 * a farther place than one that is known are left, and the others halved. Null where no way leads out of it.
 */
export function farthestIn(regions: readonly Region[], ways: Pick<Ways, 'from'>): { at: Point; mm: number } | null {
  // Triangles share their corners.
  const known = new Map<string, Stand>();
  const stand = (at: Point): Stand => {
    const key = `${at.x} ${at.y}`;
    let found = known.get(key);
    if (!found) known.set(key, (found = { at, step: ways.from(at) }));
    return found;
  };
  let best: { at: Point; mm: number } | null = null;
  const seen = ({ at, step }: Stand) => {
    if (step && step.mm > (best?.mm ?? -1)) best = { at, mm: step.mm };
  };
  const open: [Stand, Stand, Stand][] = [];
  const push = (three: [Stand, Stand, Stand]) => {
    three.forEach(seen);
    // From where no way leads none leads from beside it either.
    if (three.some(({ step }) => step)) open.push(three);
  };
  for (const [a, b, c] of regions.flatMap(trianglesOf)) {
    push([stand(a), stand(b), stand(c)]);
  }
  while (open.length > 0) {
    const three = open.pop()!;
    if (isSettled(three) || mostIn(three) <= ((best as { mm: number } | null)?.mm ?? 0) * (1 + SHARE)) continue;
    const [a, b, c] = byLongestSide(three);
    if (distance(a.at, b.at) < LEAST_MM) continue;
    const middle = stand(times(plus(a.at, b.at), 0.5));
    push([a, middle, c]);
    push([middle, b, c]);
  }
  return best;
}

function trianglesOf(region: Region): [Point, Point, Point][] {
  const { corners, triangles } = triangulate(region);
  const at = (n: number): Point => ({ x: corners[2 * n]!, y: corners[2 * n + 1]! });
  return Array.from({ length: triangles.length / 3 }, (_, i) => [
    at(triangles[3 * i]!),
    at(triangles[3 * i + 1]!),
    at(triangles[3 * i + 2]!),
  ]);
}

/** All of it is left by one corner: then the farthest place is one of its own. */
const isSettled = ([a, b, c]: readonly [Stand, Stand, Stand]): boolean =>
  a.step !== null && a.step.next === b.step?.next && a.step.next === c.step?.next;

/** No place of a triangle is farther than this. */
function mostIn(three: readonly [Stand, Stand, Stand]): number {
  const [a, b, c] = three;
  const [ab, bc, ca] = [distance(a.at, b.at), distance(b.at, c.at), distance(c.at, a.at)];
  const from = (one: Stand, mm: number) => (one.step ? one.step.mm + mm : Infinity);
  const one = Math.min(from(a, Math.max(ab, ca)), from(b, Math.max(ab, bc)), from(c, Math.max(bc, ca)));
  // From any place to all three corners is no farther than along the two longest sides.
  const all = (from(a, 0) + from(b, 0) + from(c, 0) + ab + bc + ca - Math.min(ab, bc, ca)) / 3;
  return Math.min(one, all);
}

/** Its corners with those of its longest side first. */
function byLongestSide([a, b, c]: readonly [Stand, Stand, Stand]): [Stand, Stand, Stand] {
  const [ab, bc, ca] = [distance(a.at, b.at), distance(b.at, c.at), distance(c.at, a.at)];
  if (ab >= bc && ab >= ca) return [a, b, c];
  return bc >= ca ? [b, c, a] : [c, a, b];
}
