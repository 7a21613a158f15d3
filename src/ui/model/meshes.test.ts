import type * as THREE from 'three';
import type { Slant } from '@/core/slants/slant';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given } from '@/core/testing/given';
import { prism } from './prism';
import { slanted } from './slanted';

/** What a mesh encloses, by the divergence of its triangles, which all look outwards; mm³. */
function volumeOf(mesh: THREE.BufferGeometry): number {
  const at = mesh.getAttribute('position').array as Float32Array;
  // From a corner of its own: large coordinates of small things leave few digits.
  const [x0, y0, z0] = [at[0]!, at[1]!, at[2]!];
  let sum = 0;
  for (let i = 0; i < at.length; i += 9) {
    const [a, b, c] = [0, 3, 6].map((k) => [at[i + k]! - x0, at[i + k + 1]! - y0, at[i + k + 2]! - z0]) as [
      number[],
      number[],
      number[],
    ];
    sum +=
      a[0]! * (b[1]! * c[2]! - b[2]! * c[1]!) -
      a[1]! * (b[0]! * c[2]! - b[2]! * c[0]!) +
      a[2]! * (b[0]! * c[1]! - b[1]! * c[0]!);
  }
  return sum / 6;
}

/** How often each edge is passed in one way more than in the other: closed meshes have none. */
function openEdges(mesh: THREE.BufferGeometry): number {
  const at = mesh.getAttribute('position').array as Float32Array;
  const name = (i: number) => [0, 1, 2].map((k) => Math.round(at[i + k]! * 10)).join(' ');
  const edges = new Map<string, number>();
  for (let i = 0; i < at.length; i += 9)
    for (const [p, q] of [
      [0, 3],
      [3, 6],
      [6, 0],
    ] as const) {
      const [a, b] = [name(i + p), name(i + q)];
      const [key, by] = a < b ? [`${a}|${b}`, 1] : [`${b}|${a}`, -1];
      edges.set(key, (edges.get(key) ?? 0) + by);
    }
  return [...edges.values()].filter((count) => count !== 0).length;
}

const square = (x: number, y: number, size: number) => [
  { x, y },
  { x: x + size, y },
  { x: x + size, y: y + size },
  { x, y: y + size },
];

describe('a prism', () => {
  it('encloses the area of its profile, holes left out, times its height', () => {
    const region = {
      outer: square(0, 0, 4000),
      holes: [square(1000, 1000, 500).reverse(), square(2500, 2500, 1000).reverse()],
    };
    const mesh = prism({ regions: [region] }, 300);
    expect(volumeOf(mesh)).toBeCloseTo((16e6 - 0.25e6 - 1e6) * 300, -3);
    expect(openEdges(mesh)).toBe(0);
  });

  it('of several regions encloses all of them', () => {
    const regions = [square(0, 0, 1000), square(5000, 0, 2000)].map((outer) => ({ outer, holes: [] }));
    expect(volumeOf(prism({ regions }, 100))).toBeCloseTo(5e8, -3);
  });

  it('of every slab of a furnished building is closed and has the area that was worked out', () => {
    const solved = solve(given(FURNISHED));
    expect(solved.floors.length).toBeGreaterThan(2);
    for (const { profile, thicknessMm } of solved.floors) {
      const mesh = prism(solved.profiles[profile]!, thicknessMm);
      expect(openEdges(mesh)).toBe(0);
      expect(volumeOf(mesh) / thicknessMm / solved.profiles[profile]!.areaMm2).toBeCloseTo(1, 5);
    }
  });
});

describe('a piece with a leaning top', () => {
  const corner = (x: number, y: number, bottomMm: number, topMm: number) => ({ x, y, bottomMm, topMm });
  /** Under a plane that rises 500 over 1000 along x, 200 thick. */
  const leaning = (x: number, size: number): Slant => {
    const top = (mm: number) => 1000 + mm / 2;
    return [
      corner(x, 0, top(x) - 200, top(x)),
      corner(x + size, 0, top(x + size) - 200, top(x + size)),
      corner(x + size, size, top(x + size) - 200, top(x + size)),
      corner(x, size, top(x) - 200, top(x)),
    ];
  };

  it('encloses its plan times its depth, and is closed', () => {
    const mesh = slanted([leaning(0, 1000)]);
    expect(volumeOf(mesh)).toBeCloseTo(1e6 * 200, -3);
    expect(openEdges(mesh)).toBe(0);
  });

  it('has no side where two of them meet', () => {
    const [both, one] = [slanted([leaning(0, 1000), leaning(1000, 1000)]), slanted([leaning(0, 1000)])];
    expect(volumeOf(both)).toBeCloseTo(2e6 * 200, -3);
    expect(openEdges(both)).toBe(0);
    // Eight triangles of tops and undersides and eight of sides each, less the four of the side they share.
    expect(both.getAttribute('position').count).toBe(2 * one.getAttribute('position').count - 4 * 3);
  });

  it('is closed where a long side meets two short ones', () => {
    const wide: Slant = [
      corner(-500, -2000, 0, 300),
      corner(0, -2000, 0, 300),
      corner(0, 2000, 0, 300),
      corner(-500, 2000, 0, 300),
    ];
    const flat = (y: number): Slant => [
      corner(0, y, 0, 300),
      corner(700, y, 0, 300),
      corner(700, y + 2000, 0, 300),
      corner(0, y + 2000, 0, 300),
    ];
    const mesh = slanted([wide, flat(-2000), flat(0)]);
    expect(openEdges(mesh)).toBe(0);
    expect(volumeOf(mesh)).toBeCloseTo((500 * 4000 + 700 * 4000) * 300, -4);
  });

  it('of roofs with hips, gables and an overhang encloses what their pieces have in plan times their depth', () => {
    const gables = [1, 3].map((edge) => ({ edge, is: 'gable' as const }));
    for (const more of [{}, { edges: gables }, { overhangMm: 600, ridgeMm: 2500 }]) {
      const solved = solve(
        given([
          ['buildings.add', { name: 'Hall' }],
          ['levels.setUp', { above: '2@3500' }],
          [
            'pitchedRoofs.add',
            {
              outline: { type: 'rectangle', place: '0,0', widthMm: 12_000, depthMm: 8000 },
              eavesAt: { level: 'RF' },
              ...more,
            },
          ],
        ]),
      );
      const parts = solved.assemblies.flatMap((each) => each.parts).filter(({ slants }) => slants.length > 0);
      expect(parts.length).toBeGreaterThan(0);
      for (const { slants } of parts) {
        const mm3 = slants.reduce((sum, slant) => sum + depthOver(slant), 0);
        expect(volumeOf(slanted(slants)) / mm3).toBeCloseTo(1, 3);
      }
    }
  });
});

/** Plan area times depth of a piece between two planes, in a fan of triangles from its first corner. */
function depthOver(slant: Slant): number {
  const [first, ...rest] = slant;
  return rest.slice(1).reduce((sum, c, i) => {
    const b = rest[i]!;
    const area = ((b.x - first!.x) * (c.y - first!.y) - (c.x - first!.x) * (b.y - first!.y)) / 2;
    const depth = [first!, b, c].reduce((mm, corner) => mm + corner.topMm - corner.bottomMm, 0) / 3;
    return sum + area * depth;
  }, 0);
}
