import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { cross, distance, minus, turned, type Point } from '../geometry/point';
import { convexHull } from '../geometry/convex-hull';
import { ringArea, type Ring } from '../geometry/polygon';
import { pitchedRoof, type PitchedRoof } from './pitched';

const runPerRise = (slope: number | null): number => (slope === null ? 0 : 1 / Math.tan((slope * Math.PI) / 180));
const roofed = (rings: readonly Ring[], slopes: readonly (number | null)[]) =>
  pitchedRoof(rings, (edge) => [{ fromMm: 0, runPerRise: runPerRise(slopes[edge]!) }], 0);
const area = (rings: readonly Ring[]) =>
  rings.reduce((sum, ring, i) => sum + (i === 0 ? 1 : -1) * Math.abs(ringArea(ring)), 0);

/** Simple outlines on a coarse grid: squares put together, with holes where they leave some. */
const cells = fc
  .array(fc.record({ x: fc.integer({ min: 0, max: 5 }), y: fc.integer({ min: 0, max: 5 }) }), {
    minLength: 1,
    maxLength: 20,
  })
  .map((list) => {
    const squares = list.map(({ x, y }): [number, number][][] => [
      [
        [x, y],
        [x + 1, y],
        [x + 1, y + 1],
        [x, y + 1],
      ],
    ]);
    const [first, ...rest] = squares;
    const [outline] = polygonClipping.union(first!, ...rest);
    return outline!.map((ring) => ring.slice(0, -1).map(([x, y]) => ({ x: x * 1000, y: y * 1000 })));
  });
/** Simple outlines of places in whole numbers, uncrossed step by step. */
const scattered = fc
  .uniqueArray(fc.record({ x: fc.integer({ min: 0, max: 12 }), y: fc.integer({ min: 0, max: 12 }) }), {
    minLength: 3,
    maxLength: 40,
    selector: ({ x, y }) => x * 100 + y,
  })
  .map((points) => uncrossed(points.map(({ x, y }) => ({ x: x * 500, y: y * 500 }))))
  .filter((ring): ring is Point[] => ring !== null)
  .map((ring) => [ringArea(ring) < 0 ? ring.reverse() : ring]);

function uncrossed(ring: Point[]): Point[] | null {
  const parts = (a: Point, b: Point, c: Point, d: Point) =>
    Math.sign(cross(minus(b, a), minus(c, a))) * Math.sign(cross(minus(b, a), minus(d, a))) < 0 &&
    Math.sign(cross(minus(d, c), minus(a, c))) * Math.sign(cross(minus(d, c), minus(b, c))) < 0;
  for (let round = 0; round < 400; round += 1) {
    let isCrossed = false;
    for (let i = 0; i < ring.length; i += 1)
      for (let j = i + 2; j < ring.length; j += 1) {
        if (i === 0 && j === ring.length - 1) continue;
        if (!parts(ring[i]!, ring[i + 1]!, ring[j]!, ring[(j + 1) % ring.length]!)) continue;
        ring.splice(i + 1, j - i, ...ring.slice(i + 1, j + 1).reverse());
        isCrossed = true;
      }
    if (!isCrossed) return ring;
  }
  return null;
}

const slope = fc.constantFrom(45, 45, 45, 30, 40, 60, 22.5, null);
const many = fc.oneof(
  fc.constant<(number | null)[]>(Array<number>(60).fill(45)),
  fc.array(slope, { minLength: 60, maxLength: 60 }),
);

/** What has to hold of every roof. */
function expectRoof(rings: readonly Ring[], slopes: readonly (number | null)[], roof: PitchedRoof) {
  const edges = rings.flatMap((ring, of) => {
    const isTurned = ringArea(ring) > 0 !== (of === 0);
    return ring.map((from, i) => {
      const to = ring[(i + 1) % ring.length]!;
      return isTurned ? [to, from] : [from, to];
    });
  });
  let sum = 0;
  for (const { edge, points, areaMm2, planAreaMm2 } of roof.faces) {
    const [from, to] = edges[edge] as [Point, Point];
    const long = distance(from, to);
    const tan = Math.tan((slopes[edge]! * Math.PI) / 180);
    for (const point of points) {
      const inwards = cross(minus(to, from), minus(point, from)) / long;
      // Its plane, and over its eaves.
      expect(Math.abs(inwards * tan - point.z)).toBeLessThan(1e-6);
      expect(point.z).toBeGreaterThan(-1e-6);
    }
    expect(areaMm2).toBeCloseTo(planAreaMm2 / Math.cos((slopes[edge]! * Math.PI) / 180), 1);
    expect(ringArea(points)).toBeGreaterThan(0);
    sum += planAreaMm2;
  }
  const whole = area(rings);
  expect(Math.abs(sum - whole)).toBeLessThan(1e-6 * whole + 1);
  return edges;
}

const outlines = fc.oneof(cells, scattered);

/** Polygons together by another library; null where that comes to no end. */
function unionOf([first, ...rest]: [number, number][][][]): [number, number][][][] | null {
  try {
    return polygonClipping.union(first!, ...rest);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

describe('a pitched roof', () => {
  it('has plane faces over its eaves that are as large as its outline together; what cannot be is refused in words', () => {
    let roofs = 0;
    fc.assert(
      fc.property(outlines, many, (rings, slopes) => {
        const made = roofed(rings, slopes);
        if (!made.ok) expect(made.message).toMatch(/^No edge|touches itself at/);
        if (!made.ok) return;
        roofs += 1;
        expectRoof(rings, slopes, made.roof);
      }),
      { numRuns: 3000 },
    );
    expect(roofs).toBeGreaterThan(2000);
  }, 240_000);

  it('has faces that tile its outline: another library finds no gap between them and no overlap', () => {
    let judged = 0;
    fc.assert(
      fc.property(outlines, many, (rings, slopes) => {
        const made = roofed(rings, slopes);
        if (!made.ok) return;
        const polygon = (ring: Ring): [number, number][][] => [ring.map(({ x, y }) => [x, y])];
        const faces = made.roof.faces.map(({ points }) => polygon(points));
        const together = unionOf(faces);
        // The other library runs in circles over few outlines: those it cannot judge.
        if (!together) return;
        judged += 1;
        const covered = together.reduce(
          (sum, shape) => sum + area(shape.map((ring) => ring.map(([x, y]) => ({ x, y })))),
          0,
        );
        expect(Math.abs(covered - area(rings))).toBeLessThan(1e-4 * area(rings));
      }),
      { numRuns: 150 },
    );
    expect(judged).toBeGreaterThan(60);
  }, 120_000);

  it('is over a convex outline the lowest of the planes of its edges everywhere', () => {
    const convex = fc
      .array(fc.record({ x: fc.integer({ min: 0, max: 9000 }), y: fc.integer({ min: 0, max: 9000 }) }), {
        minLength: 3,
        maxLength: 12,
      })
      .map((points) => convexHull(points))
      .filter((ring) => ring.length > 2 && ringArea(ring) > 1e5);
    fc.assert(
      fc.property(
        convex,
        fc.array(fc.integer({ min: 15, max: 70 }), { minLength: 12, maxLength: 12 }),
        (ring, slopes) => {
          const made = roofed([ring], slopes);
          if (!made.ok) throw new Error(made.message);
          const planes = ring.map((from, i) => {
            const to = ring[(i + 1) % ring.length]!;
            const tan = Math.tan((slopes[i]! * Math.PI) / 180);
            return (at: Point) => (cross(minus(to, from), minus(at, from)) / distance(from, to)) * tan;
          });
          for (const { points } of made.roof.faces)
            for (const point of points) {
              const lowest = Math.min(...planes.map((plane) => plane(point)));
              expect(Math.abs(lowest - point.z)).toBeLessThan(1e-4);
            }
        },
      ),
      { numRuns: 300 },
    );
  });

  it('takes sides that lie in one line however they are turned, and refuses what crosses itself by little', () => {
    const inLine = [
      [0, 1000],
      [0, 500],
      [0, 0],
      [500, 0],
      [0, 3500],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    for (let degrees = 0; degrees < 360; degrees += 1)
      expect([degrees, roofed([inLine.map((point) => turned(point, degrees))], Array(5).fill(45)).ok]).toEqual([
        degrees,
        true,
      ]);
    const bow = (by: number): Ring => [
      { x: 0, y: 0 },
      { x: 9000, y: 0 },
      { x: 9000, y: 4000 },
      { x: 4000, y: -by },
      { x: 0, y: 4000 },
    ];
    expect([bow(-1), bow(0), bow(1), bow(0.01)].map((ring) => roofed([ring], Array(5).fill(30)).ok)).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });

  it('turned and mirrored is the same roof turned and mirrored', () => {
    const told = ({ faces }: PitchedRoof) => {
      const byEdge = new Map<number, number>();
      for (const { edge, areaMm2 } of faces) byEdge.set(edge, (byEdge.get(edge) ?? 0) + areaMm2);
      return { byEdge, highest: Math.max(...faces.flatMap(({ points }) => points.map(({ z }) => z))) };
    };
    fc.assert(
      fc.property(outlines, many, fc.integer({ min: 1, max: 359 }), (rings, slopes, degrees) => {
        const [is, round, over] = [
          rings,
          rings.map((ring) => ring.map((point) => turned(point, degrees))),
          rings.map((ring) => ring.map(({ x, y }) => ({ x: -x, y }))),
        ].map((each) => roofed(each, slopes));
        expect([round!.ok, over!.ok]).toEqual([is!.ok, is!.ok]);
        if (!is!.ok || !round!.ok || !over!.ok) return;
        const was = told(is!.roof);
        for (const now of [told(round!.roof), told(over!.roof)]) {
          expect(now.highest).toBeCloseTo(was.highest, 2);
          expect([...now.byEdge.keys()].sort()).toEqual([...was.byEdge.keys()].sort());
          for (const [edge, mm2] of was.byEdge)
            expect(Math.abs(now.byEdge.get(edge)! - mm2)).toBeLessThan(1e-5 * mm2 + 10);
        }
      }),
      { numRuns: 400 },
    );
  }, 120_000);
});
