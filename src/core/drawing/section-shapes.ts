import { minus, plus, times, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { SectionAt } from '../kinds/drawn';
import type { Profile } from '../geometry/boolean';
import { alongOf, depthOf, type Frame } from './section-plane';

/** A rectangle between two corners. */
export const box = (x0: number, y0: number, x1: number, y1: number): Ring => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];

/** Outlines of a profile with their holes. */
export const ringsOf = ({ regions }: Profile): Ring[] => regions.flatMap(({ outer, holes }) => [outer, ...holes]);

/** How far behind the plane the nearest of some places lies; before it, less than nothing. */
export const nearestMm = (frame: Frame, points: readonly Point[]): number =>
  Math.min(...points.map((point) => depthOf(frame, point)));

/** Stretches of the plane's line that lie within an outline less its holes, from left to right. */
export function cutStretches(frame: Frame, rings: readonly Ring[]): [number, number][] {
  const meets: number[] = [];
  for (const ring of rings) {
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const [da, db] = [depthOf(frame, a), depthOf(frame, b)];
      // Half-open, so that a corner on the line counts once.
      if (da > 0 === db > 0) return;
      const t = da / (da - db);
      meets.push(alongOf(frame, plus(a, times(minus(b, a), t))));
    });
  }
  meets.sort((p, q) => p - q);
  const stretches: [number, number][] = [];
  for (let i = 0; i + 1 < meets.length; i += 2) {
    if (meets[i + 1]! - meets[i]! > 1e-3) stretches.push([meets[i]!, meets[i + 1]!]);
  }
  return stretches;
}

/** The stretch of the plane a prism is cut or seen at; null where it is neither, or not the one asked for. */
export function stretchOf(ring: Ring, { frame, isCut }: SectionAt, wantsCut: boolean): [number, number] | null {
  const depths = ring.map((point) => depthOf(frame, point));
  const cuts = isCut && Math.min(...depths) < 0 && Math.max(...depths) > 0;
  if (cuts !== wantsCut || (!cuts && isCut && Math.min(...depths) < 0)) return null;
  if (cuts) {
    const stretches = cutStretches(frame, [ring]);
    return stretches.length > 0 ? [stretches[0]![0], stretches.at(-1)![1]] : null;
  }
  const xs = ring.map((point) => alongOf(frame, point));
  return [Math.min(...xs), Math.max(...xs)];
}
