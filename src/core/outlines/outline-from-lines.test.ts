import fc from 'fast-check';
import type { Curve } from '../geometry/curve';
import { isSimple, ringArea } from '../geometry/polygon';
import { circleRing, ringOnLines } from './outline-from-lines';

const line = (x0: number, y0: number, x1: number, y1: number): Curve => ({
  kind: 'segment',
  from: { x: x0, y: y0 },
  to: { x: x1, y: y1 },
});
const box = (w: number, d: number): Curve[] => [line(0, 0, w, 0), line(w, 0, w, d), line(0, d, w, d), line(0, 0, 0, d)];
const area = (curves: readonly Curve[], offsets: readonly number[]) => {
  const ring = ringOnLines(curves.map((curve, i) => ({ curve, offsetMm: offsets[i] ?? 0 })));
  return ring && Math.abs(ringArea(ring));
};

describe('an outline with edges on lines', () => {
  it('moves each edge outwards by its own distance, whichever way its line runs', () => {
    expect(area(box(6000, 4000), [])).toBe(24e6);
    expect(area(box(6000, 4000), [100, 200, 300, 400])).toBe(6600 * 4400);
    expect(area(box(6000, 4000), [-100, -100, -100, -100])).toBe(5800 * 3800);
  });

  it('is the same taken round the other way, and begun at another edge', () => {
    const side = fc.integer({ min: 2000, max: 20_000 });
    const offset = fc.integer({ min: -400, max: 400 });
    fc.assert(
      fc.property(side, side, fc.tuple(offset, offset, offset, offset), fc.nat(3), (w, d, offsets, turn) => {
        const edges = box(w, d).map((curve, i) => ({ curve, offsetMm: offsets[i]! }));
        const rolled = [...edges.slice(turn), ...edges.slice(0, turn)];
        const expected = (w + offsets[1] + offsets[3]) * (d + offsets[0] + offsets[2]);
        for (const order of [edges, rolled, [...edges].reverse()]) {
          expect(Math.abs(ringArea(ringOnLines(order)!))).toBeCloseTo(expected, 3);
        }
      }),
    );
  });

  it('is none where two neighbours never meet', () => {
    expect(
      ringOnLines(
        [line(0, 0, 1000, 0), line(0, 500, 1000, 500), line(0, 0, 0, 500)].map((curve) => ({ curve, offsetMm: 0 })),
      ),
    ).toBeNull();
  });

  it('follows an arc by chords inside 1 mm, and bulges with its offset', () => {
    const arc: Curve = { kind: 'arc', centre: { x: 0, y: 0 }, radiusMm: 10_000, fromDeg: 0, sweepDeg: 90 };
    const edges = [line(0, 0, 12_000, 0), arc, line(0, 12_000, 0, 0)];
    const quarter = (radius: number) => (Math.PI / 4) * radius * radius;
    const ring = ringOnLines(edges.map((curve) => ({ curve, offsetMm: 0 })))!;
    expect(isSimple(ring)).toBe(true);
    expect(ringArea(ring) / quarter(10_000)).toBeGreaterThan(0.9998);
    expect(area(edges, [0, 500, 0])! / quarter(10_500)).toBeGreaterThan(0.9998);
    expect(area(edges, [0, -500, 0])! / quarter(9500)).toBeGreaterThan(0.9998);
    expect(ringArea(circleRing({ x: 5, y: 5 }, 3000)) / (4 * quarter(3000))).toBeGreaterThan(0.9995);
  });
});
