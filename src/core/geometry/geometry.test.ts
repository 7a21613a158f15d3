import fc from 'fast-check';
import { intersection, lessRegions, polygonCalls, subtract } from './boolean';
import { sharedArea } from './convex-clip';
import { lineCrossing, lengthOf, turned, type Point } from './point';
import { contains, isSimple, isSpike, ringArea, ringGap, ringPerimeter, ringsMeet, type Ring } from './polygon';
import { cosDeg, directionDeg, sinDeg } from './trig';
import { triangulate } from './triangulate';

const box = (x: number, y: number, w: number, d: number): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + d },
  { x, y: y + d },
];
const turnedBox = (w: number, d: number, deg: number, at: Point): Ring =>
  box(-w / 2, -d / 2, w, d).map((point) => {
    const p = turned(point, deg);
    return { x: p.x + at.x, y: p.y + at.y };
  });

describe('angles', () => {
  it('agree with the engine’s own to a few parts in 10^16, over the whole circle', () => {
    fc.assert(
      fc.property(fc.double({ min: -720, max: 720, noNaN: true }), (deg) => {
        expect(Math.abs(sinDeg(deg) - Math.sin((deg * Math.PI) / 180))).toBeLessThan(5e-15);
        expect(Math.abs(cosDeg(deg) - Math.cos((deg * Math.PI) / 180))).toBeLessThan(5e-15);
      }),
      { numRuns: 2000 },
    );
  });
  it('are exact at quarter turns', () => {
    expect([0, 90, 180, 270, 360, -90].map(sinDeg)).toEqual([0, 1, 0, -1, 0, -1]);
    expect([0, 90, 180, 270, 360].map(cosDeg)).toEqual([1, 0, -1, 0, 1]);
    expect(sinDeg(30)).toBeCloseTo(0.5, 15);
  });
  it('are found back from a direction', () => {
    for (let deg = -179; deg <= 180; deg += 1) {
      expect(directionDeg(sinDeg(deg) * 7, cosDeg(deg) * 7)).toBeCloseTo(deg, 10);
    }
    expect([directionDeg(0, 0), directionDeg(0, -1), directionDeg(-2, 0)]).toEqual([0, 180, -90]);
  });
});

describe('rings', () => {
  it('have areas and perimeters as computed by hand', () => {
    const l = [
      { x: 0, y: 0 },
      { x: 6, y: 0 },
      { x: 6, y: 2 },
      { x: 2, y: 2 },
      { x: 2, y: 5 },
      { x: 0, y: 5 },
    ];
    expect([ringArea(l), ringPerimeter(l)]).toEqual([18, 22]);
    expect(ringArea([...l].reverse())).toBe(-18);
    expect(contains(l, { x: 1, y: 4 }) && contains(l, { x: 6, y: 1 }) && !contains(l, { x: 3, y: 3 })).toBe(true);
  });
  it('are sound only when they go round once without touching themselves', () => {
    const p = (text: string): Ring =>
      text.split(' ').map((pair) => ({ x: Number(pair.split(',')[0]), y: Number(pair.split(',')[1]) }));
    expect(isSimple(p('0,0 4,0 4,4 0,4'))).toBe(true);
    expect(isSimple(p('0,0 4,4 4,0 0,4'))).toBe(false);
    expect(isSimple(p('0,0 4,0 4,0 0,4'))).toBe(false);
    expect(isSimple(p('0,0 4,0 2,0 2,3'))).toBe(false);
    expect(isSimple(p('0,0 4,0'))).toBe(false);
    expect(isSimple(p('0,0 8,0 8,4 4,0 0,4'))).toBe(false);
    expect(isSpike({ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 1, y: 0 })).toBe(true);
  });
  it('are as sound with corners in the middle of a side, turned and far from the origin', () => {
    const side = [0, 500, 1000, 3500, 4100, 7000, 9500, 12_000].map((x) => ({ x, y: 0 }));
    const sound = [...side, { x: 12_000, y: 4000 }, { x: 0, y: 4000 }];
    const crossed = [...side, { x: 12_000, y: 4000 }, { x: 6000, y: -1 }, { x: 0, y: 4000 }];
    const touching = crossed.map((point) => (point.y === -1 ? { ...point, y: 0 } : point));
    for (const far of [0, 250_000])
      for (let degrees = 0; degrees < 360; degrees += 0.5) {
        const verdicts = [sound, crossed, touching].map((ring) =>
          isSimple(ring.map((point) => turned(point, degrees)).map(({ x, y }) => ({ x: x + far, y: y - far }))),
        );
        expect([degrees, ...verdicts]).toEqual([degrees, true, false, false]);
      }
  });
  it('have a gap between them, none when they meet', () => {
    expect(ringGap(box(0, 0, 4, 4), box(4.5, 0, 2, 2))).toBe(0.5);
    expect(ringGap(box(0, 0, 4, 4), box(7, 8, 2, 2))).toBe(5);
    expect(ringsMeet(box(0, 0, 4, 4), box(4, 4, 1, 1))).toBe(true);
    expect(ringsMeet(box(0, 0, 9, 9), box(3, 3, 1, 1))).toBe(true);
    expect(lengthOf(lineCrossing({ x: 0, y: 0 }, { x: 1, y: 1 }, { x: 4, y: 0 }, { x: -1, y: 1 })!)).toBeCloseTo(
      Math.SQRT2 * 2,
      12,
    );
    expect(lineCrossing({ x: 0, y: 0 }, { x: 1, y: 1 }, { x: 4, y: 0 }, { x: 2, y: 2 })).toBeNull();
  });
});

describe('slabs with holes', () => {
  const slab = box(0, 0, 12_000, 9_000);
  const area = (holes: Ring[]) => subtract(slab, holes).areaMm2 / 1e6;

  it('are cut by holes inside, touching, overlapping, over the edge and through the middle', () => {
    expect(area([])).toBe(108);
    expect(area([box(1000, 1000, 2000, 1000)])).toBe(106);
    expect(area([box(1000, 1000, 2000, 1000), box(3000, 1000, 1000, 1000)])).toBe(105);
    expect(area([box(1000, 1000, 2000, 1000), box(2000, 1000, 2000, 1000)])).toBe(105);
    expect(area([box(-1000, 1000, 2000, 1000)])).toBe(107);
    const parted = subtract(slab, [box(5000, -10, 1000, 9020)]);
    expect([parted.regions.length, parted.holeCount, parted.areaMm2]).toEqual([2, 0, 99e6]);
    expect(subtract(slab, [box(-1, -1, 20_000, 20_000)]).regions).toEqual([]);
  });

  it('report perimeter, centroid and holes as computed by hand', () => {
    const profile = subtract(slab, [box(6000, 3000, 3000, 3000)]);
    expect(profile.holeCount).toBe(1);
    expect(profile.perimeterMm).toBe(42_000 + 12_000);
    expect(profile.centroid.x).toBeCloseTo((108 * 6000 - 9 * 7500) / 99, 6);
    expect(profile.centroid.y).toBeCloseTo((108 * 4500 - 9 * 4500) / 99, 6);
  });

  it('survive a level spike in a hole, which makes the polygon library run for ever', () => {
    const spiked = [
      { x: 4000, y: 2000 },
      { x: 4000, y: 0 },
      { x: 3000, y: 0 },
      { x: 0, y: 0 },
      { x: 8000, y: 0 },
    ];
    expect(Number.isFinite(subtract(slab, [spiked]).areaMm2)).toBe(true);
  });

  it('lose exactly what a hole shares with them, worked out a second way', () => {
    const boxes = fc.record({
      w: fc.integer({ min: 200, max: 6000 }),
      d: fc.integer({ min: 200, max: 6000 }),
      deg: fc.integer({ min: 0, max: 89 }),
      x: fc.integer({ min: -1000, max: 13000 }),
      y: fc.integer({ min: -1000, max: 10000 }),
    });
    fc.assert(
      fc.property(boxes, ({ w, d, deg, x, y }) => {
        const hole = turnedBox(w, d, deg, { x, y });
        const shared = sharedArea(hole, slab);
        expect(Math.abs(subtract(slab, [hole]).areaMm2 - (108e6 - shared))).toBeLessThan(40);
        expect(Math.abs(intersection(slab, hole).areaMm2 - shared)).toBeLessThan(40);
      }),
    );
  });

  it('come out the same 10 km away', () => {
    const far = (ring: Ring): Ring => ring.map(({ x, y }) => ({ x: x + 1e7, y: y - 1e7 }));
    const hole = turnedBox(2400, 2700, 13.1, { x: 5000, y: 4000 });
    expect(subtract(far(slab), [far(hole)]).areaMm2).toBeCloseTo(subtract(slab, [hole]).areaMm2, 0);
  });

  it('are triangulated without gap or overlap', () => {
    const profile = subtract(slab, [turnedBox(2400, 2700, 13.1, { x: 5000, y: 4000 }), box(9000, 0, 1000, 1000)]);
    let sum = 0;
    for (const region of profile.regions) {
      const { corners, triangles } = triangulate(region);
      for (let i = 0; i < triangles.length; i += 3) {
        const ring = [0, 1, 2].map((j) => ({
          x: corners[2 * triangles[i + j]!]!,
          y: corners[2 * triangles[i + j]! + 1]!,
        }));
        sum += Math.abs(ringArea(ring));
      }
    }
    expect(sum).toBeCloseTo(profile.areaMm2, 3);
  });

  it('are counted each time the polygon library works', () => {
    polygonCalls.reset();
    subtract(slab, []);
    intersection(slab, slab);
    expect(polygonCalls.read()).toBe(2);
  });
});

it('a region less others is open in their holes, where no other of them covers it', () => {
  const square = (x: number, y: number, mm: number) => [
    { x, y },
    { x: x + mm, y },
    { x: x + mm, y: y + mm },
    { x, y: y + mm },
  ];
  const wall = { outer: square(0, 0, 10_000), holes: [square(1000, 1000, 2000), square(5000, 5000, 2000)] };
  const whole = { outer: square(0, 0, 10_000), holes: [] };
  expect(lessRegions(whole, [wall]).areaMm2).toBe(8e6);
  // Half of one hole is covered by another region, however its ring goes round.
  const other = { outer: [...square(0, 0, 2000)].reverse(), holes: [] };
  expect(lessRegions(whole, [wall, other]).areaMm2).toBe(7e6);
  // Two with a hole at one place are open there; a hole of what is cut stays one.
  expect(lessRegions(whole, [wall, wall]).areaMm2).toBe(8e6);
  expect(lessRegions({ ...whole, holes: [square(1000, 1000, 1000)] }, [wall]).areaMm2).toBe(7e6);
});
