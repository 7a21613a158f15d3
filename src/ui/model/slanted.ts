import * as THREE from 'three';
import type { Slant } from '@/core/slants/slant';

/** A piece with a leaning top and underside as one mesh: top, underside and sides. */
export function slanted(slant: Slant): THREE.BufferGeometry {
  const positions: number[] = [];
  const push = (i: number, side: 'topMm' | 'bottomMm') => {
    const corner = slant[i % slant.length]!;
    positions.push(corner.x, corner.y, corner[side]);
  };
  for (let i = 1; i + 1 < slant.length; i += 1) {
    for (const corner of [0, i, i + 1]) push(corner, 'topMm');
    for (const corner of [0, i + 1, i]) push(corner, 'bottomMm');
  }
  for (let i = 0; i < slant.length; i += 1) {
    push(i, 'bottomMm');
    push(i + 1, 'bottomMm');
    push(i + 1, 'topMm');
    push(i, 'bottomMm');
    push(i + 1, 'topMm');
    push(i, 'topMm');
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  return geometry;
}
