import { cross, dot, lengthOf, minus, type Point } from '../geometry/point';
import { contains, isSimple, ringArea } from '../geometry/polygon';
import { directionDeg } from '../geometry/trig';
import { quantiseMm } from '../units/length-units';

/** A corner of a floor with a height of its own, mm. */
export interface HighCorner extends Point {
  z: number;
}

/** An even face of a sloped floor. */
export interface SlopedFace {
  /** Counter-clockwise in plan; edges are shared whole with the faces beside it. */
  points: readonly HighCorner[];
  /** Run per rise where it is steepest; null where it lies level. */
  slopeRatio: number | null;
  /** The direction it falls, degrees counter-clockwise from x; null where it lies level. */
  fallDeg: number | null;
  /** Of the face itself, square metres. */
  areaM2: number;
}

/** Corners this near to one plane lie on it, mm. */
const FLAT_MM = 0.05;
/** Rises per millimetre less than this are none. */
const LEVEL = 1e-7;

/** How a plane through three corners rises along x and y, per millimetre. */
export function gradientOf([a, b, c]: readonly HighCorner[]): Point {
  const [u, v] = [minus(b!, a!), minus(c!, a!)];
  const [du, dv] = [b!.z - a!.z, c!.z - a!.z];
  const area = cross(u, v);
  return { x: (du * v.y - dv * u.y) / area, y: (dv * u.x - du * v.x) / area };
}

/** True where a straight line between two corners of a ring lies within it. */
function isInside(ring: readonly HighCorner[], i: number, j: number): boolean {
  const n = ring.length;
  if (j === i + 1 || (i === 0 && j === n - 1)) return true;
  const [a, b] = [ring[i]!, ring[j]!];
  const side = (p: Point, q: Point, r: Point) => Math.sign(cross(minus(q, p), minus(r, p)));
  for (let k = 0; k < n; k += 1) {
    const m = (k + 1) % n;
    if (k === i || k === j || m === i || m === j) continue;
    const [p, q] = [ring[k]!, ring[m]!];
    if (side(a, b, p) * side(a, b, q) <= 0 && side(p, q, a) * side(p, q, b) <= 0) return false;
  }
  for (let k = 0; k < n; k += 1)
    if (k !== i && k !== j && Math.abs(cross(minus(b, a), minus(ring[k]!, a))) < 1e-6) {
      const along = dot(minus(ring[k]!, a), minus(b, a));
      if (along > 0 && along < dot(minus(b, a), minus(b, a))) return false;
    }
  return contains(ring, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
}

/** Whether corners that follow one another lie on one plane. */
function onOnePlane(ring: readonly HighCorner[]): Point | null {
  const [a] = ring;
  for (let i = 1; i < ring.length - 1; i += 1) {
    const [b, c] = [ring[i]!, ring[i + 1]!];
    if (Math.abs(cross(minus(b, a!), minus(c, a!))) < 1) continue;
    const rise = gradientOf([a!, b, c]);
    return ring.every((point) => Math.abs(a!.z + dot(minus(point, a!), rise) - point.z) <= FLAT_MM) ? rise : null;
  }
  return null;
}

function face(points: readonly HighCorner[], rise: Point): SlopedFace {
  const steep = lengthOf(rise);
  const isLevel = steep < LEVEL;
  return {
    points,
    slopeRatio: isLevel ? null : quantiseMm(1 / steep),
    fallDeg: isLevel ? null : quantiseMm((directionDeg(-rise.y, -rise.x) + 360) % 360),
    areaM2: (Math.abs(ringArea(points)) * Math.sqrt(1 + steep * steep)) / 1e6,
  };
}

/** No more corners are taken: the search looks at every triangle. */
const MOST_CORNERS = 60;

/**
 * The faces of a floor whose corners have heights: one where they lie on one plane, else triangles with all corners at those of the floor, of
 * all ways to lay them the one whose steepest face is least steep, and of equals the one with the least of all slopes together.
 * Null where the outline is not sound.
 */
export function slopedFaces(corners: readonly HighCorner[]): SlopedFace[] | null {
  const ring = ringArea(corners) < 0 ? [...corners].reverse() : [...corners];
  const n = ring.length;
  if (n < 3 || n > MOST_CORNERS || !isSimple(ring) || Math.abs(ringArea(ring)) < 1) return null;
  const plane = onOnePlane(ring);
  if (plane) return [face(ring, plane)];
  interface Best {
    most: number;
    sum: number;
    at: number;
  }
  const best = new Map<number, Best>();
  const key = (i: number, j: number) => i * n + j;
  const isBetter = (a: Best, b: Best | undefined) =>
    !b || a.most < b.most - 1e-12 || (a.most <= b.most + 1e-12 && a.sum < b.sum - 1e-12);
  for (let span = 1; span < n; span += 1)
    for (let i = 0; i + span < n; i += 1) {
      const j = i + span;
      if (!isInside(ring, i, j)) continue;
      if (span === 1) {
        best.set(key(i, j), { most: 0, sum: 0, at: -1 });
        continue;
      }
      let found: Best | undefined;
      for (let k = i + 1; k < j; k += 1) {
        const [left, right] = [best.get(key(i, k)), best.get(key(k, j))];
        if (!left || !right) continue;
        const triangle = [ring[i]!, ring[k]!, ring[j]!];
        const area = ringArea(triangle);
        if (area < 1e-3) continue;
        const steep = lengthOf(gradientOf(triangle));
        const next = { most: Math.max(steep, left.most, right.most), sum: steep * area + left.sum + right.sum, at: k };
        if (isBetter(next, found)) found = next;
      }
      if (found) best.set(key(i, j), found);
    }
  const faces: SlopedFace[] = [];
  const take = (i: number, j: number): boolean => {
    if (j - i < 2) return true;
    const chosen = best.get(key(i, j));
    if (!chosen) return false;
    const triangle = [ring[i]!, ring[chosen.at]!, ring[j]!];
    faces.push(face(triangle, gradientOf(triangle)));
    return take(i, chosen.at) && take(chosen.at, j);
  };
  return take(0, n - 1) ? faces : null;
}

/** Run per rise of the steepest of some faces; null where all lie level. */
export function steepest(faces: readonly SlopedFace[]): number | null {
  const ratios = faces.flatMap(({ slopeRatio }) => slopeRatio ?? []);
  return ratios.length === 0 ? null : Math.min(...ratios);
}
