import earcut, { flatten } from 'earcut';
import type { Region } from './boolean';

/** Flat triangles over a region: corner coordinates x, y in a row, and three corner numbers per triangle. */
export interface Triangles {
  corners: number[];
  triangles: number[];
}

/** Triangulates a region with its holes. */
export function triangulate({ outer, holes }: Region): Triangles {
  const {
    vertices,
    holes: starts,
    dimensions,
  } = flatten([outer, ...holes].map((ring) => ring.map(({ x, y }) => [x, y])));
  return { corners: vertices as number[], triangles: earcut(vertices, starts, dimensions) };
}
