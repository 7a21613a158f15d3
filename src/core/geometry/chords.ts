import { cross, minus, plus, times, type Point } from './point';
import type { Ring } from './polygon';

/** The stretches of the straight from one point to another that lie within a ring, in order. */
export function chords(ring: Ring, from: Point, to: Point): [Point, Point][] {
  const way = minus(to, from);
  const at: number[] = [];
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [da, db] = [cross(way, minus(a, from)), cross(way, minus(b, from))];
    // Half-open, so that a corner on the straight counts once.
    if (da > 0 === db > 0) return;
    const meet = plus(a, times(minus(b, a), da / (da - db)));
    const along = minus(meet, from);
    at.push((along.x * way.x + along.y * way.y) / (way.x * way.x + way.y * way.y));
  });
  at.sort((p, q) => p - q);
  const stretches: [Point, Point][] = [];
  for (let i = 0; i + 1 < at.length; i += 2) {
    const ends = [at[i]!, at[i + 1]!].map((t) => Math.min(1, Math.max(0, t)));
    if (ends[1]! - ends[0]! > 1e-9)
      stretches.push([plus(from, times(way, ends[0]!)), plus(from, times(way, ends[1]!))]);
  }
  return stretches;
}
