import * as THREE from 'three';
import type { Profile } from '@/core/geometry/boolean';
import { triangulate } from '@/core/geometry/triangulate';

/** A profile between two heights as one mesh: top, underside and sides. */
export function prism(profile: Pick<Profile, 'regions'>, heightMm: number): THREE.BufferGeometry {
  const positions: number[] = [];
  for (const region of profile.regions) {
    const { corners, triangles } = triangulate(region);
    const push = (corner: number, z: number) => positions.push(corners[corner * 2]!, corners[corner * 2 + 1]!, z);
    for (let i = 0; i < triangles.length; i += 3) {
      const [a, b, c] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
      for (const corner of [a, b, c]) push(corner, heightMm);
      for (const corner of [a, c, b]) push(corner, 0);
    }
    for (const ring of [region.outer, ...region.holes]) {
      ring.forEach((p, i) => {
        const q = ring[(i + 1) % ring.length]!;
        positions.push(
          p.x,
          p.y,
          0,
          q.x,
          q.y,
          0,
          q.x,
          q.y,
          heightMm,
          p.x,
          p.y,
          0,
          q.x,
          q.y,
          heightMm,
          p.x,
          p.y,
          heightMm,
        );
      });
    }
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  return geometry;
}
