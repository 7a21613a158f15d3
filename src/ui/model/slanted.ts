import * as THREE from 'three';
import { distanceToSegment } from '@/core/geometry/polygon';
import type { Slant, SlantCorner } from '@/core/slants/slant';

/** Corners of other pieces this near to a side of one are corners of it too, mm. */
const ON_SIDE_MM = 0.5;

/** A piece with the corners of others that lie on its sides. */
function withCorners(slant: Slant, others: readonly SlantCorner[]): SlantCorner[] {
  return slant.flatMap((a, i) => {
    const b = slant[(i + 1) % slant.length]!;
    const long = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    const on = others
      .map((corner) => ({ corner, t: ((corner.x - a.x) * (b.x - a.x) + (corner.y - a.y) * (b.y - a.y)) / long }))
      .filter(
        ({ corner, t }) =>
          t > 1e-6 &&
          t < 1 - 1e-6 &&
          distanceToSegment(corner, a, b) < ON_SIDE_MM &&
          Math.abs(a.topMm + (b.topMm - a.topMm) * t - corner.topMm) < ON_SIDE_MM,
      )
      .sort((p, q) => p.t - q.t);
    const each = on.filter(({ t }, k) => k === 0 || t - on[k - 1]!.t > 1e-6).map(({ corner }) => corner);
    return [a, ...each];
  });
}

const placeOf = ({ x, y, topMm }: SlantCorner) => `${Math.round(x * 10)} ${Math.round(y * 10)} ${Math.round(topMm)}`;

/** Pieces with leaning tops and undersides as one mesh: tops, undersides, and the sides that no two of them share. */
export function slanted(slants: readonly Slant[]): THREE.BufferGeometry {
  const corners = slants.length > 1 ? slants.flat() : [];
  const rings = slants.map((slant) => withCorners(slant, corners));
  const sides = new Map<string, number>();
  const sideOf = (a: SlantCorner, b: SlantCorner) => [placeOf(a), placeOf(b)].sort().join('|');
  for (const ring of rings)
    ring.forEach((a, i) => {
      const key = sideOf(a, ring[(i + 1) % ring.length]!);
      sides.set(key, (sides.get(key) ?? 0) + 1);
    });
  const positions: number[] = [];
  const push = ({ x, y }: { x: number; y: number }, mm: number) => positions.push(x, y, mm);
  for (const ring of rings) {
    // From its middle: corners in one line with others make no triangle of nothing.
    const mean = (of: (corner: SlantCorner) => number) =>
      ring.reduce((sum, corner) => sum + of(corner), 0) / ring.length;
    const middle = {
      x: mean(({ x }) => x),
      y: mean(({ y }) => y),
      topMm: mean(({ topMm }) => topMm),
      bottomMm: mean(({ bottomMm }) => bottomMm),
    };
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      for (const corner of [middle, a, b]) push(corner, corner.topMm);
      for (const corner of [middle, b, a]) push(corner, corner.bottomMm);
      if (sides.get(sideOf(a, b))! > 1) return;
      push(a, a.bottomMm);
      push(b, b.bottomMm);
      push(b, b.topMm);
      push(a, a.bottomMm);
      push(b, b.topMm);
      push(a, a.topMm);
    });
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  return geometry;
}
