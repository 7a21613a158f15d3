import fc from 'fast-check';
import { SPACE_RANKS, type SpaceSolid } from '../kinds/in-space';
import { ownersBetween, type Owned } from './owners';
import { shapeOfRegions, shapeOfRing } from './shapes';

const SIZE = fc.integer({ min: 1, max: 9 });
const AT = fc.integer({ min: 0, max: 12 });
/** Boxes on a lattice of 100 mm, each with a rank. */
/** Without walls, which are not compared with one another. */
const RANKS = SPACE_RANKS.slice(0, -1).filter((rank) => !rank.endsWith('wall'));
const boxes = fc.array(fc.record({ x: AT, y: AT, z: AT, w: SIZE, d: SIZE, h: SIZE, rank: fc.constantFrom(...RANKS) }), {
  minLength: 1,
  maxLength: 9,
});
const LATTICE_MM = 100;

type Box = typeof boxes extends fc.Arbitrary<(infer B)[]> ? B : never;
const solidOf = ({ x, y, z, w, d, h, rank }: Box, i: number): SpaceSolid => {
  const [a, b, c, e] = [x, x + w, y, y + d].map((n) => n * LATTICE_MM) as [number, number, number, number];
  return {
    thing: `${i}`,
    name: `${i}`,
    level: '',
    rank,
    shape: shapeOfRing([
      { x: a, y: c },
      { x: b, y: c },
      { x: b, y: e },
      { x: a, y: e },
    ]),
    bottomMm: z * LATTICE_MM,
    topMm: (z + h) * LATTICE_MM,
  };
};
const owners = (solids: readonly SpaceSolid[]) =>
  ownersBetween(
    solids,
    () => true,
    (_, work) => work(),
  );
const lost = (taken: Owned['taken'], solid: number): number =>
  taken.reduce((sum, [i, mm3]) => (i === solid ? sum + mm3 : sum), 0);
/** Who has each cell of the lattice, counted one by one: the highest rank, then the first. */
function counted(given: readonly Box[]): number[] {
  const own = given.map(() => 0);
  const rank = ({ rank: of }: Box) => SPACE_RANKS.indexOf(of);
  for (let x = 0; x < 22; x += 1)
    for (let y = 0; y < 22; y += 1)
      for (let z = 0; z < 22; z += 1) {
        const there = given
          .map((box, i) => ({ box, i }))
          .filter(({ box }) => x >= box.x && x < box.x + box.w && y >= box.y && y < box.y + box.d)
          .filter(({ box }) => z >= box.z && z < box.z + box.h)
          .sort((a, b) => rank(a.box) - rank(b.box) || a.i - b.i);
        if (there[0]) own[there[0].i]! += 1;
      }
  return own;
}

describe('owners of space', () => {
  it('have each cell of it once, the highest rank first, as cells counted one by one have', () => {
    fc.assert(
      fc.property(boxes, fc.integer({ min: 1, max: 20 }), (given, cut) => {
        const solids = given.map(solidOf);
        const { taken } = owners(solids);
        const own = given.map(({ w, d, h }, i) => w * d * h - lost(taken, i) / LATTICE_MM ** 3);
        expect(own.map((cells) => Math.round(cells * 1e6) / 1e6)).toEqual(counted(given));
        // Storeys cut through them and change nothing.
        const cutMm = cut * LATTICE_MM;
        const bands = [
          owners(solids.map((solid) => ({ ...solid, topMm: Math.min(solid.topMm, cutMm) }))),
          owners(solids.map((solid) => ({ ...solid, bottomMm: Math.max(solid.bottomMm, cutMm) }))),
        ];
        solids.forEach((_, i) => {
          const sum = bands.reduce((total, band) => total + lost(band.taken, i), 0);
          expect(sum).toBeCloseTo(lost(taken, i), 0);
        });
      }),
      { numRuns: 150 },
    );
  });

  it('take nothing where they only touch, and what is shared is told with its volume and place', () => {
    const box = (x: number, rank: Box['rank']): Box => ({ x, y: 0, z: 0, w: 5, d: 5, h: 5, rank });
    expect(owners([solidOf(box(0, 'slab'), 0), solidOf(box(5, 'slab'), 1)]).taken.length).toBe(0);
    const { shared } = owners([solidOf(box(0, 'interior wall'), 0), solidOf(box(4, 'column'), 1)]);
    expect(shared).toMatchObject([{ owner: 1, other: 0, volumeMm3: 100 * 500 * 500, at: { x: 400, y: 0 } }]);
  });

  it('leave holes to others', () => {
    const ring = (from: number, to: number) => [
      { x: from, y: from },
      { x: to, y: from },
      { x: to, y: to },
      { x: from, y: to },
    ];
    const slab = solidOf({ x: 0, y: 0, z: 0, w: 9, d: 9, h: 1, rank: 'slab' }, 0);
    slab.shape = shapeOfRegions([{ outer: ring(0, 900), holes: [ring(300, 600).reverse()] }]);
    const column = solidOf({ x: 2, y: 2, z: 0, w: 4, d: 4, h: 1, rank: 'column' }, 1);
    // 400 × 400 over a hole of 300 × 300: what is shared is the rim between them.
    expect(owners([slab, column]).taken).toEqual([[0, (400 * 400 - 300 * 300) * 100]]);
  });
});
