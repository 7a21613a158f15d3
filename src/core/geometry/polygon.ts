import { cross, distance, dot, minus, plus, times, type Point } from './point';

/** A closed ring of points, the last joined to the first, not repeated. Counter-clockwise for an outline. */
export type Ring = readonly Point[];

/** Twice the signed area, positive when counter-clockwise. */
function doubleArea(ring: Ring): number {
  let sum = 0;
  const base = ring[0];
  if (!base) return 0;
  for (let i = 1; i + 1 < ring.length; i += 1) sum += cross(minus(ring[i]!, base), minus(ring[i + 1]!, base));
  return sum;
}

/** Signed area in mm², positive when counter-clockwise (shoelace formula). */
export const ringArea = (ring: Ring): number => doubleArea(ring) / 2;

export function ringPerimeter(ring: Ring): number {
  return ring.reduce((sum, point, i) => sum + distance(point, ring[(i + 1) % ring.length]!), 0);
}

/** Centroid times signed area, so that the moments of an outline and its holes add up. */
export function ringMoment(ring: Ring): Point {
  const base = ring[0];
  if (!base) return { x: 0, y: 0 };
  let [x, y] = [0, 0];
  for (let i = 1; i + 1 < ring.length; i += 1) {
    const [a, b] = [minus(ring[i]!, base), minus(ring[i + 1]!, base)];
    const area = cross(a, b) / 2;
    x += area * (base.x + (a.x + b.x) / 3);
    y += area * (base.y + (a.y + b.y) / 3);
  }
  return { x, y };
}

export const counterClockwise = (ring: Ring): Ring => (doubleArea(ring) < 0 ? [...ring].reverse() : ring);

/** True if the point is inside the ring or on its edge (crossing number, edges within 1e-6 mm count as inside). */
export function contains(ring: Ring, point: Point): boolean {
  let inside = false;
  for (let i = 0; i < ring.length; i += 1) {
    const a = ring[i]!;
    const b = ring[(i + 1) % ring.length]!;
    if (distanceToSegment(point, a, b) <= 1e-6) return true;
    if (a.y > point.y !== b.y > point.y && point.x < a.x + ((point.y - a.y) / (b.y - a.y)) * (b.x - a.x))
      inside = !inside;
  }
  return inside;
}

export function distanceToSegment(p: Point, a: Point, b: Point): number {
  const along = minus(b, a);
  const squared = dot(along, along);
  const t = squared === 0 ? 0 : Math.max(0, Math.min(1, dot(minus(p, a), along) / squared));
  return distance(p, plus(a, times(along, t)));
}

/** What lies nearer than this touches, mm. */
const TOUCH_MM = 1e-6;

/** Whether c and d lie clear of the line through a and b, either side of it: what is in one line lies beside it by a hair once turned. */
function partedBy(a: Point, b: Point, c: Point, d: Point): boolean {
  const along = minus(b, a);
  const clearMm2 = TOUCH_MM * distance(a, b);
  const [p, q] = [cross(along, minus(c, a)), cross(along, minus(d, a))];
  return Math.min(p, q) < -clearMm2 && Math.max(p, q) > clearMm2;
}

/** Whether the sides a to b and c to d cross between their ends; what only touches does not. */
export const sidesCross = (a: Point, b: Point, c: Point, d: Point): boolean =>
  partedBy(a, b, c, d) && partedBy(c, d, a, b);

const edges = (ring: Ring): [Point, Point][] => ring.map((point, i) => [point, ring[(i + 1) % ring.length]!]);

/** True if two rings share some area or touch. */
export function ringsMeet(a: Ring, b: Ring): boolean {
  if (contains(a, b[0]!) || contains(b, a[0]!)) return true;
  return edges(a).some(([p, q]) =>
    edges(b).some(([r, s]) => sidesCross(p, q, r, s) || distanceToSegment(r, p, q) <= TOUCH_MM),
  );
}

/** Least distance between two rings in plan; 0 if they meet. */
export function ringGap(a: Ring, b: Ring): number {
  if (ringsMeet(a, b)) return 0;
  let least = Infinity;
  const toEdges = (points: Ring, ring: Ring) => {
    for (const point of points)
      for (const [p, q] of edges(ring)) least = Math.min(least, distanceToSegment(point, p, q));
  };
  toEdges(a, b);
  toEdges(b, a);
  return least;
}

/** True if the ring has three corners or more, none repeated, no spike, and no two of its edges cross or touch. */
export function isSimple(ring: Ring): boolean {
  const n = ring.length;
  if (n < 3) return false;
  const at = (i: number) => ring[(i + n) % n]!;
  for (let i = 0; i < n; i += 1) {
    if (distance(at(i), at(i + 1)) <= TOUCH_MM || isSpike(at(i - 1), at(i), at(i + 1))) return false;
    for (let j = i + 2; j < n; j += 1) {
      if (i === 0 && j === n - 1) continue;
      const [p, q, r, s] = [at(i), at(i + 1), at(j), at(j + 1)];
      if (sidesCross(p, q, r, s)) return false;
      if (distanceToSegment(r, p, q) <= TOUCH_MM || distanceToSegment(p, r, s) <= TOUCH_MM) return false;
    }
  }
  return true;
}

/** True if the path a → b → c turns back on itself. */
export function isSpike(a: Point, b: Point, c: Point): boolean {
  const [u, v] = [minus(a, b), minus(c, b)];
  return Math.abs(cross(u, v)) <= 1e-6 * Math.max(1, Math.abs(dot(u, v))) && dot(u, v) > 0;
}

/** The smallest upright box around the ring. */
export interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

export function bounds(ring: readonly Point[]): Box {
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const { x, y } of ring) {
    if (x < box.minX) box.minX = x;
    if (x > box.maxX) box.maxX = x;
    if (y < box.minY) box.minY = y;
    if (y > box.maxY) box.maxY = y;
  }
  return box;
}

/** Area of a ring less that of holes within it, whichever way round they go. */
export const areaLess = (outer: Ring, holes: readonly Ring[]): number =>
  Math.abs(ringArea(outer)) - holes.reduce((sum, hole) => sum + Math.abs(ringArea(hole)), 0);

/** True if two boxes share something, or touch. */
export const boxesMeet = (a: Box, b: Box): boolean =>
  a.minX <= b.maxX && b.minX <= a.maxX && a.minY <= b.maxY && b.minY <= a.maxY;

/** The box around several rings. */
export const boundsOf = (rings: readonly Ring[]): Box => bounds(rings.flat());
