import type { Region } from '../geometry/boolean';
import { distance, minus, plus, times, type Point } from '../geometry/point';
import { triangulate } from '../geometry/triangulate';
import type { Step, Ways } from './walking';

/** Found to this share of its length. */
const SHARE = 0.002;
/** Corners of a room are stood at this far from its walls, mm. */
const CLEAR_MM = 1;
const LEAST_MM = 40;

interface Stand {
  at: Point;
  step: Step | null;
}

/**
 * The place of free floor one walks farthest from. Walking a millimetre changes a way by no more than that, so triangles that cannot hold
 * a farther place than one that is known are left, and the others halved. Null where no way leads out of it.
 */
export function farthestIn(regions: readonly Region[], ways: Ways): { at: Point; mm: number } | null {
  const stand = (at: Point): Stand => ({ at, step: ways.from(at) });
  let best: { at: Point; mm: number } | null = null;
  const seen = ({ at, step }: Stand) => {
    if (step && step.mm > (best?.mm ?? -1)) best = { at, mm: step.mm };
  };
  const open: [Stand, Stand, Stand][] = [];
  const push = (three: [Stand, Stand, Stand]) => {
    three.forEach(seen);
    open.push(three);
  };
  for (const [a, b, c] of regions.flatMap(trianglesOf)) {
    const middle = times(plus(plus(a, b), c), 1 / 3);
    const inwards = (at: Point): Point => {
      const size = distance(at, middle);
      return size <= CLEAR_MM ? middle : plus(at, times(minus(middle, at), CLEAR_MM / size));
    };
    push([stand(inwards(a)), stand(inwards(b)), stand(inwards(c))]);
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
  let most = Infinity;
  for (const one of three)
    if (one.step) most = Math.min(most, one.step.mm + Math.max(...three.map(({ at }) => distance(at, one.at))));
  return most;
}

/** Its corners with those of its longest side first. */
function byLongestSide([a, b, c]: readonly [Stand, Stand, Stand]): [Stand, Stand, Stand] {
  const [ab, bc, ca] = [distance(a.at, b.at), distance(b.at, c.at), distance(c.at, a.at)];
  if (ab >= bc && ab >= ca) return [a, b, c];
  return bc >= ca ? [b, c, a] : [c, a, b];
}
