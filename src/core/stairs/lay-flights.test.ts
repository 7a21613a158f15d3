import fc from 'fast-check';
import { distance, plus, times } from '../geometry/point';
import { contains, distanceToSegment, ringArea, type Ring } from '../geometry/polygon';
import { runOf } from './choose-steps';
import { wellOf } from './well';
import { layFlights, type FlightsForm } from './lay-flights';
import { STAIR_RULES } from './rule-sets';
import { stairCandidates } from './stair-candidates';

const FORMS: readonly FlightsForm[] = ['straight', 'straightLanding', 'quarterLanding', 'threeFlight', 'fourFlight'];
/** Where a flight ends, a going short of its last riser. */
const edgeOf = (ring: Ring, point: { x: number; y: number }) =>
  Math.min(...ring.map((corner, i) => distanceToSegment(point, corner, ring[(i + 1) % ring.length]!)));
const isIn = (ring: Ring, point: { x: number; y: number }) => contains(ring, point) || edgeOf(ring, point) < 0.01;

const asked = fc.record({
  form: fc.constantFrom(...FORMS),
  height: fc.integer({ min: 1200, max: 4500 }),
  width: fc.integer({ min: 700, max: 1400 }),
  longer: fc.integer({ min: 0, max: 900 }),
  wider: fc.integer({ min: 0, max: 900 }),
  turn: fc.constantFrom('left' as const, 'right' as const),
  entry: fc.integer({ min: 0, max: 3 }),
  rules: fc.constantFrom('public' as const, 'private' as const),
});

it('flights and landings are within the well, one begins where the one before ends, and all rise to the storey', () => {
  fc.assert(
    fc.property(asked, ({ form, height, width, longer, wider, turn, entry, rules }) => {
      const [best] = stairCandidates({ form, heightMm: height, well: null, widthMm: width, rules: STAIR_RULES[rules] });
      if (!best) return;
      const [l, w] = [best.wellMm[0] + longer, best.wellMm[1] + wider];
      // Entered over side 0 the well is as wide as that side; over side 1 as long.
      const [x, y] = entry % 2 === 0 ? [w, l] : [l, w];
      const ring: Ring = [
        { x: 500, y: 300 },
        { x: 500 + x, y: 300 },
        { x: 500 + x, y: 300 + y },
        { x: 500, y: 300 + y },
      ];
      const well = wellOf(ring, entry)!;
      const sizes = { well, turn, flightWidthMm: width, floorLandingMm: 0 };
      const { flights, landings } = layFlights(form, sizes, best, 100, 0);
      expect(flights).toHaveLength(best.flights.length);
      expect(landings).toHaveLength(best.flights.length - 1);
      for (const corner of [...flights.flatMap((each) => each.ring ?? []), ...landings.flatMap((each) => each.ring)])
        expect(isIn(ring, corner)).toBe(true);
      flights.forEach(({ from, along, risers, bottomMm, goingMm, ring: own }, i) => {
        const end = plus(from, times(along, runOf(risers, goingMm)));
        // Its last riser is at the landing it arrives at, its first at the one it leaves.
        if (landings[i]) expect(isIn(landings[i]!.ring, end)).toBe(true);
        if (i > 0) expect(isIn(landings[i - 1]!.ring, from)).toBe(true);
        if (i > 0) expect(bottomMm).toBeCloseTo(landings[i - 1]!.topMm, 6);
        if (own) expect(ringArea(own)).toBeCloseTo(width * distance(from, end), 1);
      });
      const last = flights.at(-1)!;
      expect(last.bottomMm + last.risers * last.riserMm).toBeCloseTo(100 + height, 3);
      // Landings are as deep as flights are wide at least, and told once.
      for (const landing of landings) {
        const parts = landing.parts.reduce((sum, part) => sum + ringArea(part), 0);
        expect(ringArea(landing.ring)).toBeCloseTo(parts, 1);
        expect(parts).toBeGreaterThanOrEqual(width * Math.min(width, 1219) - 1);
      }
    }),
    { numRuns: 200, seed: 9 },
  );
});

it('a quarter-turn of 2750 with a going of 245 stands as it was worked out by hand, turned left and right', () => {
  const ring: Ring = [
    { x: 0, y: 0 },
    { x: 2470, y: 0 },
    { x: 2470, y: 2470 },
    { x: 0, y: 2470 },
  ];
  const steps = { flights: [7, 7], riserMm: 2750 / 14, goingMm: 245 };
  const lay = (turn: 'left' | 'right') =>
    layFlights('quarterLanding', { well: wellOf(ring, 0)!, turn, flightWidthMm: 1000, floorLandingMm: 0 }, steps, 0, 0);
  // One comes in over the lower side, which runs from left to right, so that in is up and left is left.
  const left = lay('left');
  expect(left.flights.map(({ from, along }) => [from, along])).toEqual([
    [
      { x: 1970, y: 0 },
      { x: 0, y: 1 },
    ],
    [
      { x: 1470, y: 1970 },
      { x: -1, y: 0 },
    ],
  ]);
  expect(left.landings[0]!.topMm).toBe(1375);
  expect(lay('right').flights.map(({ from }) => from)).toEqual([
    { x: 500, y: 0 },
    { x: 1000, y: 1970 },
  ]);
});
