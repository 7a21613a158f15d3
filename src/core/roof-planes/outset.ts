import { distance, dot, lineCrossing, minus, plus, times, type Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';
import { left } from './edges';

/** A ring moved outwards, each edge by its own distance: corners are where its neighbours meet. `isHole`: outwards is into the courtyard. */
export function outset(ring: Ring, by: (edge: number) => number, isHole = false): Point[] {
  const isTurned = ringArea(ring) > 0 === isHole;
  const lines = ring.map((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const along = times(minus(to, from), 1 / distance(from, to));
    const out = times(left(along), isTurned ? by(i) : -by(i));
    return { at: plus(from, out), along, to: plus(to, out) };
  });
  return lines.map(({ at, along }, i) => {
    const before = lines[(i + lines.length - 1) % lines.length]!;
    const meet = lineCrossing(before.at, before.along, at, along);
    // Edges in one line that go out by different distances: halfway between them.
    return meet && dot(minus(meet, at), minus(meet, at)) < 1e14 ? meet : times(plus(before.to, at), 0.5);
  });
}
