import fc from 'fast-check';
import {
  curveLength,
  curvesMeet,
  endsOf,
  leftDistance,
  nearestOn,
  offsetCurve,
  pointAlong,
  tessellated,
} from './curve';
import type { Arc, Curve, Segment } from './curve';
import { distance, turned, type Point } from './point';
import { ringArea } from './polygon';

const mm = fc.integer({ min: -40_000, max: 40_000 });
const point = fc.record({ x: mm, y: mm });
const segment: fc.Arbitrary<Segment> = fc
  .record({ kind: fc.constant('segment' as const), from: point, to: point })
  .filter(({ from, to }) => distance(from, to) > 500);
const arc: fc.Arbitrary<Arc> = fc.record({
  kind: fc.constant('arc' as const),
  centre: point,
  radiusMm: fc.integer({ min: 500, max: 30_000 }),
  fromDeg: fc.integer({ min: 0, max: 359 }),
  sweepDeg: fc.integer({ min: 10, max: 360 }),
});
const curve: fc.Arbitrary<Curve> = fc.oneof(segment, arc);

const onCurve = (given: Curve, at: Point) => distance(nearestOn(given, at), at);
const turnedCurve = (given: Curve, deg: number): Curve =>
  given.kind === 'segment'
    ? { ...given, from: turned(given.from, deg), to: turned(given.to, deg) }
    : { ...given, centre: turned(given.centre, deg), fromDeg: (given.fromDeg + deg) % 360 };

describe('where curves meet', () => {
  it('lies on both of them, and is the same whichever comes first', () => {
    fc.assert(
      fc.property(curve, curve, (a, b) => {
        const meets = curvesMeet(a, b);
        for (const at of meets) {
          expect(onCurve(a, at)).toBeLessThan(0.02);
          expect(onCurve(b, at)).toBeLessThan(0.02);
        }
        const other = curvesMeet(b, a);
        expect(other).toHaveLength(meets.length);
        for (const at of meets) expect(Math.min(...other.map((each) => distance(each, at)))).toBeLessThan(1e-3);
      }),
      { numRuns: 400 },
    );
  });

  it('turns with them', () => {
    fc.assert(
      fc.property(curve, curve, fc.constantFrom(13.1, 90, 211.7), (a, b, deg) => {
        const meets = curvesMeet(a, b);
        const there = curvesMeet(turnedCurve(a, deg), turnedCurve(b, deg));
        // Only where they touch may a point be lost or found by rounding.
        fc.pre(meets.length === there.length);
        meets.forEach((at, i) => expect(distance(turned(at, deg), there[i]!)).toBeLessThan(0.05));
      }),
      { numRuns: 300 },
    );
  });

  it('is found by hand: a line across a circle of 5 m at 3 m from its centre meets it 4 m aside', () => {
    const circle: Arc = { kind: 'arc', centre: { x: 1000, y: 2000 }, radiusMm: 5000, fromDeg: 0, sweepDeg: 360 };
    const line: Segment = { kind: 'segment', from: { x: -9000, y: 5000 }, to: { x: 9000, y: 5000 } };
    expect(curvesMeet(line, circle)).toEqual([
      { x: -3000, y: 5000 },
      { x: 5000, y: 5000 },
    ]);
    const half: Arc = { ...circle, sweepDeg: 90 };
    expect(curvesMeet(line, half)).toEqual([{ x: 5000, y: 5000 }]);
    const touching: Segment = { ...line, from: { x: -9000, y: 7000 }, to: { x: 9000, y: 7000 } };
    expect(curvesMeet(touching, circle)).toEqual([{ x: 1000, y: 7000 }]);
    const other: Arc = { ...circle, centre: { x: 9000, y: 2000 } };
    // Circles of 5 m with centres 8 m apart meet half way, 3 m aside.
    expect(curvesMeet(circle, other).map(({ x, y }) => [x, y])).toEqual(
      expect.arrayContaining([
        [5000, 5000],
        [5000, -1000],
      ]),
    );
  });
});

it('an offset curve keeps its distance, and offset back is where it was', () => {
  fc.assert(
    fc.property(curve, fc.integer({ min: -400, max: 400 }), (given, by) => {
      const moved = offsetCurve(given, by)!;
      for (const end of endsOf(moved)) expect(leftDistance(given, end)).toBeCloseTo(by, 2);
      const back = offsetCurve(moved, -by)!;
      endsOf(back).forEach((end, i) => expect(distance(end, endsOf(given)[i]!)).toBeLessThan(1e-3));
    }),
  );
  expect(offsetCurve({ kind: 'arc', centre: { x: 0, y: 0 }, radiusMm: 400, fromDeg: 0, sweepDeg: 90 }, 500)).toBeNull();
});

it('chords stay within their sagitta, and points along run from end to end', () => {
  fc.assert(
    fc.property(arc, (given) => {
      const points = tessellated(given, 1);
      points.slice(1).forEach((b, i) => {
        const middle = { x: (points[i]!.x + b.x) / 2, y: (points[i]!.y + b.y) / 2 };
        expect(given.radiusMm - distance(middle, given.centre)).toBeLessThan(1.001);
      });
      const end = pointAlong(given, curveLength(given)).at;
      expect(distance(end, endsOf(given)[1])).toBeLessThan(1e-3);
    }),
  );
  const circle = tessellated({ kind: 'arc', centre: { x: 0, y: 0 }, radiusMm: 10_000, fromDeg: 0, sweepDeg: 360 });
  expect(ringArea(circle.slice(0, -1)) / (Math.PI * 1e8)).toBeGreaterThan(0.9997);
});
