import { whereMore } from '../geometry/convex-clip';
import type { Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';
import type { Assembly } from '../slants/assembly';
import { slantOf, type Slant } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import type { RoofOpening } from './roof-opening';

/** The face an opening lies in, in its own axes: u along the edge, v up the slope in plan. */
export interface Face {
  at: (u: number, v: number) => Point;
  /** The height of the roof’s top. */
  top: (v: number) => number;
  /** Rise per run. */
  steep: number;
  ring: Ring;
  /** How thick the roof is upright. */
  plumbMm: number;
}

/** Where its sides and its roof lie. */
export interface Laid {
  /** Its sides along the edge, and its front up the slope. */
  a: number;
  b: number;
  front: number;
  /** How far up it reaches at its sides, and in its middle. */
  back: number;
  ridge: number;
  /** The height of the top of its own roof. */
  over: (u: number, v: number) => number;
  hole: Point[];
}

/** Frames round glass, mm. */
export const JAMB_MM = 150;
const SILL_MM = 120;
const LINTEL_MM = 80;
const GLASS_MM = 40;
type Local = readonly [u: number, v: number];

/** Faces of its own roof in plan. */
export function roofRings({ a, b, front, back, ridge }: Laid, is: RoofOpening['is'], overhangMm: number): Local[][] {
  const low = front - overhangMm;
  if (is !== 'saddle')
    return [
      [
        [a, low],
        [b, low],
        [b, back],
        [a, back],
      ],
    ];
  const middle = (a + b) / 2;
  return [
    [
      [a, low],
      [middle, low],
      [middle, ridge],
      [a, back],
    ],
    [
      [middle, low],
      [b, low],
      [b, back],
      [middle, ridge],
    ],
  ];
}

/** The pieces of an opening: its walls, its roof, its glass. */
export function partsOf(
  face: Face,
  { is, glazed }: RoofOpening,
  all: Laid,
  { wallMm, roofMm, overhangMm }: { wallMm: number; roofMm: number; overhangMm: number },
): Assembly['parts'] {
  const { a, b, front, back, over } = all;
  /** A piece between two heights that are even over it; where it would be none it is left out. */
  const piece = (ring: readonly Local[], bottom: (u: number, v: number) => number, top: typeof bottom): Slant[] => {
    const plan = ring.map(([x, y]) => ({ x, y }));
    const some = whereMore(plan, ({ x, y }) => top(x, y) - bottom(x, y) - 1);
    if (some.length < 3 || Math.abs(ringArea(some)) < 100) return [];
    return [
      slantOf(
        some.map(({ x, y }) => ({
          ...face.at(x, y),
          topMm: quantiseMm(top(x, y)),
          bottomMm: quantiseMm(bottom(x, y)),
        })),
      ),
    ];
  };
  const box = (u0: number, u1: number, v0: number, v1: number): Local[] => [
    [u0, v0],
    [u1, v0],
    [u1, v1],
    [u0, v1],
  ];
  const roofTop = (_: number, v: number) => face.top(v);
  if (is === 'window') {
    const glass = piece(
      box(a, b, front, back),
      (u, v) => roofTop(u, v) - GLASS_MM,
      (u, v) => roofTop(u, v) + 20,
    );
    return [{ name: 'glass', slants: glass }];
  }
  const under = (u: number, v: number) => over(u, v) - roofMm;
  const foot = (u: number, v: number) => roofTop(u, v) - face.plumbMm;
  const roof = roofRings(all, is, overhangMm).flatMap((ring) => piece(ring, under, over));
  // Of a saddle the front is cut where its ridge is: heights are even over each half.
  const middle = (a + b) / 2;
  const halves = (u0: number, u1: number): [number, number][] =>
    is === 'saddle' && u0 < middle - 1 && u1 > middle + 1
      ? [
          [u0, middle],
          [middle, u1],
        ]
      : [[u0, u1]];
  const inFront = (u0: number, u1: number, bottom: typeof under, top: typeof under): Slant[] =>
    halves(u0, u1).flatMap(([p, q]) => piece(box(p, q, front, front + wallMm), bottom, top));
  const cheeks = [
    ...piece(box(a, a + wallMm, front, back), foot, under),
    ...piece(box(b - wallMm, b, front, back), foot, under),
  ];
  const [p, q] = [a + wallMm, b - wallMm];
  const [sill, head] = [face.top(front) + SILL_MM, over(a, front) - roofMm - LINTEL_MM];
  const hasGlass = glazed && q - p > 2 * JAMB_MM + 200 && head - sill > 200;
  if (!hasGlass)
    return [
      { name: 'walls', slants: [...cheeks, ...inFront(p, q, foot, under)] },
      { name: 'roof', slants: roof },
    ];
  const [g, h] = [p + JAMB_MM, q - JAMB_MM];
  const level = (mm: number) => () => mm;
  const glass = piece(
    box(g, h, front + wallMm / 2 - GLASS_MM / 2, front + wallMm / 2 + GLASS_MM / 2),
    level(sill),
    level(head),
  );
  return [
    {
      name: 'walls',
      slants: [
        ...cheeks,
        ...inFront(p, g, foot, under),
        ...inFront(h, q, foot, under),
        ...inFront(g, h, foot, level(sill)),
        ...inFront(g, h, level(head), under),
      ],
    },
    { name: 'roof', slants: roof },
    { name: 'glass', slants: glass },
  ];
}
