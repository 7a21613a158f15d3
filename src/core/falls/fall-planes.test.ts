import { subtract, unionLess } from '../geometry/boolean';
import { plus, times, turned, type Point } from '../geometry/point';
import { contains, ringArea, type Ring } from '../geometry/polygon';
import { numbersFrom } from '../testing/random-commands';
import { fallFaces, runOn, type FallFace, type Sink } from './fall-planes';
import { ponds } from './ponds';

const ALONG = { x: 1, y: 0 };
const box = (x: number, y: number, w: number, d: number): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + d },
  { x, y: y + d },
];
const outlet = (x: number, y: number, along: Point = ALONG): Sink => ({ from: { x, y }, to: { x, y }, along });
const areaOf = (faces: readonly FallFace[]) => faces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
/** Run to the nearest sink, from what distances are said to be. */
const runTo = (sinks: readonly Sink[], at: Point): number =>
  Math.min(
    ...sinks.map(({ from, to, along }) => {
      const on = (p: Point) => (at.x - p.x) * along.x + (at.y - p.y) * along.y;
      const across = (at.x - from.x) * -along.y + (at.y - from.y) * along.x;
      return Math.max(Math.abs(across), on(to), -on(from));
    }),
  );
const faceAt = (faces: readonly FallFace[], at: Point) =>
  faces.find(({ pieces }) => pieces.some((ring) => contains(ring, at)));

describe('falls of 18 × 42 m to two outlets', () => {
  const sinks = [outlet(9000, 10_500), outlet(9000, 31_500)];
  const faces = fallFaces([{ outer: box(0, 0, 18_000, 42_000), holes: [] }], sinks);

  it('are four faces to each, as worked out by hand', () => {
    expect(faces).toHaveLength(8);
    // Across: triangles of 18 by 9. Along: what is left of 18 by 10.5.
    for (const { uphill, areaMm2 } of faces)
      expect(areaMm2 / 1e6).toBeCloseTo(Math.abs(uphill.x) === 1 ? 81 : 18 * 10.5 - 81, 6);
    expect(areaOf(faces) / 1e6).toBeCloseTo(18 * 42, 6);
  });

  it('lie 10.5 m from an outlet at most', () => {
    const runs = faces.flatMap((face) => face.pieces.flat().map((at) => runOn(face, at)));
    expect(Math.max(...runs)).toBeCloseTo(10_500, 6);
    expect(
      ponds(faces, (from) =>
        sinks.some((sink) => Math.abs(sink.from.x - from.x) < 1 && Math.abs(sink.from.y - from.y) < 1),
      ),
    ).toEqual([]);
  });
});

describe('falls of random roofs', () => {
  const random = numbersFrom(20);
  const between = (low: number, high: number) => Math.round((low + random() * (high - low)) / 250) * 250;

  it('cover the roof once, each place as high as its nearest sink asks, and water leaves every convex one', () => {
    for (let run = 0; run < 150; run += 1) {
      const deg = run % 3 === 0 ? 0 : random() * 90;
      const place = (p: Point) => turned(p, deg);
      const [w, d] = [between(6000, 40_000), between(6000, 40_000)];
      const outer = box(0, 0, w, d).map(place);
      const along = place(ALONG);
      const sinks: Sink[] = Array.from({ length: 1 + Math.floor(random() * 4) }, () => {
        const at = place({ x: between(500, w - 500), y: between(500, d - 500) });
        return { from: at, to: at, along };
      });
      if (run % 4 === 1) sinks.push({ from: outer[0]!, to: outer[1]!, along });
      const hole = box(between(1000, w / 2), between(1000, d / 2), 1500, 1000).map(place);
      const isHoled = run % 5 === 2;
      const regions = isHoled ? subtract(outer, [hole]).regions : [{ outer, holes: [] }];
      const faces = fallFaces(regions, sinks);
      const wanted = regions.reduce(
        (sum, region) => sum + [region.outer, ...region.holes].reduce((all, ring) => all + ringArea(ring), 0),
        0,
      );
      expect(areaOf(faces) / wanted).toBeCloseTo(1, 5);
      // Once: all of it together is no less.
      const covered = unionLess(
        faces.flatMap(({ pieces }) => pieces),
        [],
      ).areaMm2;
      expect(covered / wanted).toBeCloseTo(1, 5);
      for (let i = 0; i < 20; i += 1) {
        const at = place({ x: 100 + random() * (w - 200), y: 100 + random() * (d - 200) });
        const face = faceAt(faces, at);
        if (!face) continue;
        expect(Math.abs(runOn(face, at) - runTo(sinks, at))).toBeLessThan(0.01);
      }
      if (isHoled) continue;
      const isOut = (from: Point, to: Point) => runTo(sinks, times(plus(from, to), 0.5)) < 1;
      expect(ponds(faces, isOut)).toEqual([]);
    }
  });

  it('tell where water stands before an opening, and nowhere once an outlet is there', () => {
    const outer = box(0, 0, 20_000, 10_000);
    // Three sides of a yard that is open to the right.
    const yard = [
      [12, 2],
      [16, 2],
      [16, 3],
      [13, 3],
      [13, 7],
      [16, 7],
      [16, 8],
      [12, 8],
    ].map(([x, y]) => ({ x: x! * 1000, y: y! * 1000 }));
    const regions = subtract(outer, [yard]).regions;
    const one = [outlet(2000, 5000)];
    const isOut = (all: readonly Sink[]) => (from: Point, to: Point) => runTo(all, times(plus(from, to), 0.5)) < 300;
    const [pond, ...more] = ponds(fallFaces(regions, one), isOut(one));
    // What falls to the left within it is stopped by its back.
    expect(more).toEqual([]);
    expect(pond!.at.x).toBeCloseTo(13_000, 6);
    // An outlet there draws water from behind the back too, which is stopped by it.
    const two = [...one, outlet(13_200, pond!.at.y)];
    const [behind] = ponds(fallFaces(regions, two), isOut(two));
    expect(behind!.at.x).toBeCloseTo(12_000, 6);
    const three = [...two, outlet(11_800, behind!.at.y)];
    expect(ponds(fallFaces(regions, three), isOut(three))).toEqual([]);
  });
});
