import { distance, minus, plus, times, type Point } from '../geometry/point';
import { contains, distanceToSegment, ringArea } from '../geometry/polygon';
import { runOn, type FallFace } from './fall-planes';

/** Where water stands: it can go no lower from there. */
export interface Pond {
  at: Point;
}

/** Heights nearer than this are one, mm of run. */
const LEVEL_MM = 2;
/** Corners nearer than this are one, mm. */
const NEAR_MM = 1;

interface Corner {
  at: Point;
  runMm: number;
  hasLower: boolean;
  /** Corners at its height that water reaches from it. */
  level: Set<number>;
}

/**
 * Places no water leaves: corners of the pieces from which none is lower, with those at their height beside them. `isOut`: water has a way out
 * there, at a place or somewhere between two at one height.
 */
export function ponds(faces: readonly FallFace[], isOut: (from: Point, to: Point) => boolean): Pond[] {
  const pieces = faces.flatMap((face) => face.pieces.map((ring) => ({ ring, face })));
  const corners: Corner[] = [];
  const known = new Map<string, number>();
  const indexOf = (at: Point, face: FallFace): number => {
    const cell = (x: number, y: number) => `${Math.round(at.x / NEAR_MM) + x} ${Math.round(at.y / NEAR_MM) + y}`;
    for (const x of [0, -1, 1])
      for (const y of [0, -1, 1]) {
        const found = known.get(cell(x, y));
        if (found !== undefined && distance(corners[found]!.at, at) <= NEAR_MM) return found;
      }
    corners.push({ at, runMm: runOn(face, at), hasLower: false, level: new Set() });
    known.set(cell(0, 0), corners.length - 1);
    return corners.length - 1;
  };
  const own = pieces.map(({ ring, face }) => ring.map((at) => indexOf(at, face)));
  pieces.forEach(({ ring, face }, i) => {
    const low = Math.min(...ring.map((at) => runOn(face, at)));
    for (const [k, corner] of corners.entries()) {
      // A corner on a side of a piece is one of its own too.
      const isOwn = own[i]!.includes(k);
      if (!isOwn && !touches(ring, corner.at)) continue;
      if (low < corner.runMm - LEVEL_MM) corner.hasLower = true;
      for (const other of own[i]!)
        if (other !== k && Math.abs(corners[other]!.runMm - corner.runMm) <= LEVEL_MM) {
          corner.level.add(other);
          corners[other]!.level.add(k);
        }
    }
  });
  const seen = new Set<number>();
  return corners.flatMap((_, start): Pond[] => {
    if (seen.has(start)) return [];
    const group = [start];
    seen.add(start);
    for (const each of group)
      for (const next of corners[each]!.level)
        if (!seen.has(next)) {
          seen.add(next);
          group.push(next);
        }
    if (group.some((each) => corners[each]!.hasLower)) return [];
    const spans = group.flatMap((each) => {
      const { at, level } = corners[each]!;
      return [[at, at] as const, ...[...level].map((other) => [at, corners[other]!.at] as const)];
    });
    if (spans.some(([from, to]) => isOut(from, to))) return [];
    // In the middle of the longest stretch of it.
    const [from, to] = spans.reduce((best, span) => (distance(...span) > distance(...best) ? span : best));
    return [{ at: times(plus(from, to), 0.5) }];
  });
}

const touches = (ring: readonly Point[], at: Point): boolean =>
  contains(ring, at) || ring.some((from, i) => distanceToSegment(at, from, ring[(i + 1) % ring.length]!) < NEAR_MM);

/** How far a place is from a stretch. */
export const gapTo = (at: Point, from: Point, to: Point): number =>
  distance(from, to) < NEAR_MM ? distance(at, from) : distanceToSegment(at, from, to);

/** A place so far from another towards a third. */
export function towards(at: Point, target: Point, mm: number): Point {
  const way = minus(target, at);
  const size = Math.sqrt(way.x * way.x + way.y * way.y);
  return size < mm ? target : plus(at, times(way, mm / size));
}

/** The largest piece about a place; null: none lies there. */
export function holding(faces: readonly FallFace[], at: Point): readonly Point[] | null {
  const pieces = faces.flatMap(({ pieces: own }) => own.filter((ring) => touches(ring, at)));
  return pieces.sort((a, b) => Math.abs(ringArea(b)) - Math.abs(ringArea(a)))[0] ?? null;
}
