import fc from 'fast-check';
import { distance, dot, minus, plus, times, turned, type Point } from '../geometry/point';
import { contains, counterClockwise, distanceToSegment, ringArea, type Ring } from '../geometry/polygon';
import { clippedTo, sharedArea } from '../geometry/convex-clip';
import { convexHull } from '../geometry/convex-hull';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';
import { corneredWell, runsIn, sidesOf } from './cornered-well';
import { layCornered } from './lay-cornered';
import { layFlights } from './lay-flights';
import type { Flight, Landing } from './pieces';
import { stairCandidates } from './stair-candidates';
import { STAIR_RULES } from './rule-sets';
import { runOf } from './choose-steps';
import { wellOf } from './well';

const after = afterFrom();
const FORMS = ['threeFlight', 'fourFlight'] as const;
const turns = fc.constantFrom('left' as const, 'right' as const);
const house = (heights: readonly number[]) =>
  given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { above: heights.map((mm) => `${mm}mm`).join(' ') }],
    [
      'floors.add',
      {
        name: 'Plate',
        outline: { type: 'rectangle', place: '-30000,-30000', widthMm: 60_000, depthMm: 60_000 },
        thicknessMm: 250,
      },
    ],
  ]);
const drawn = (ring: Ring) => ({
  type: 'polygon' as const,
  place: '0,0',
  points: ring.map(({ x, y }) => ({ xMm: x, yMm: y })),
});
const area = (rings: readonly Ring[]) => rings.reduce((sum, ring) => sum + ringArea(ring), 0);
const edgeOf = (ring: Ring, point: Point) =>
  Math.min(...ring.map((corner, i) => distanceToSegment(point, corner, ring[(i + 1) % ring.length]!)));
const isIn = (ring: Ring, point: Point) => contains(ring, point) || edgeOf(ring, point) < 0.01;

/** Corners in whole millimetres that bulge outwards, none too sharp and no side too short. */
const someWell = fc
  .array(fc.record({ x: fc.integer({ min: 0, max: 9000 }), y: fc.integer({ min: 0, max: 9000 }) }), {
    minLength: 3,
    maxLength: 7,
  })
  .map((points) => counterClockwise(convexHull(points)))
  .filter((ring) => ring.length >= 3 && ring.every((p, i) => distance(p, ring[(i + 1) % ring.length]!) > 2500));

describe('a well of corners that bulge outwards', () => {
  it('that is a rectangle has the flights, landings and hole of one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMS),
        fc.record({ x: fc.integer({ min: 3200, max: 6000 }), y: fc.integer({ min: 3200, max: 6000 }) }),
        fc.integer({ min: 0, max: 3 }),
        turns,
        fc.integer({ min: 0, max: 359 }),
        fc.constantFrom(0, 300),
        (form, { x, y }, entry, turn, degrees, floorLandingMm) => {
          const ring = [
            { x: 0, y: 0 },
            { x, y: 0 },
            { x, y },
            { x: 0, y },
          ].map((corner) => turned(corner, degrees));
          const steps = { flights: form === 'threeFlight' ? [5, 3, 4] : [4, 3, 4, 2], riserMm: 170, goingMm: 260 };
          const given = { flightWidthMm: 1000, floorLandingMm };
          const as = layFlights(form, { ...given, well: wellOf(ring, entry)!, turn }, steps, 0, 0);
          const is = layCornered(form, { ...given, well: corneredWell(ring, entry, turn)! }, steps, 0, 0);
          const near = (a: Point, b: Point) => expect(distance(a, b)).toBeLessThan(1e-4);
          const same = (a: Flight, b: Flight) => {
            near(a.from, b.from);
            near(times(a.along, 1000), times(b.along, 1000));
            expect(a.bottomMm).toBeCloseTo(b.bottomMm, 6);
            if (a.ring && b.ring) expect(sharedArea(a.ring, b.ring)).toBeCloseTo(ringArea(b.ring), 0);
            expect(a.ring === null).toBe(b.ring === null);
          };
          as.flights.forEach((flight, i) => same(is.flights[i]!, flight));
          as.landings.forEach((landing: Landing, i) => {
            const mine = is.landings[i]!;
            expect(mine.topMm).toBeCloseTo(landing.topMm, 6);
            expect(ringArea(mine.ring)).toBeCloseTo(ringArea(landing.ring), 0);
            expect(area(mine.parts)).toBeCloseTo(area(landing.parts), 0);
            for (const part of mine.parts) for (const point of part) expect(isIn(landing.ring, point)).toBe(true);
          });
        },
      ),
    );
  });

  it('leaves flights along the sides of a half hexagon, and of a triangle, what is worked out by hand', () => {
    // Sides of 5 m round a base of 10 m; between flights corners of 120°. A metre wide, their edges meet 1000 / tan 60° from
    // the corner; the landing is a metre along the middle 788.68 from it. At the base, 60°, they end 577.35 from it.
    const hexagon = [0, 60, 120, 180].map((degrees) => turned({ x: 5000, y: 0 }, degrees));
    const half = corneredWell(hexagon, 3, 'left')!;
    const runs = sidesOf(half, 3, 1000)!.sides.map(({ startMm, endMm }) => endMm - startMm);
    [3633.97, 3422.65, 3633.97].forEach((mm, i) => expect(runs[i]).toBeCloseTo(mm, 2));
    // Round all four sides the base has its two corners: 1000 / tan 30° each.
    const all = runsIn(half, 1000, 0).fourFlight!;
    [2479.27, 3422.65, 2479.27, 6535.9].forEach((mm, i) => expect(all[i]).toBeCloseTo(mm, 1));
    // Three sides of 8 m, corners of 60° all floor or landing: 8000 - 2 × 1000 / tan 30°.
    const triangle = [{ x: 0, y: 0 }, { x: 8000, y: 0 }, turned({ x: 8000, y: 0 }, 60)];
    const round = runsIn(corneredWell(triangle, 0, 'right')!, 1000, 0);
    expect(round.threeFlight).toHaveLength(3);
    round.threeFlight!.forEach((mm) => expect(mm).toBeCloseTo(4535.9, 1));
    expect(round.fourFlight).toBeNull();
  });

  it('is climbed in flights along its sides that nowhere leave it nor lie over one another, from landing to landing', () => {
    let climbed = 0;
    fc.assert(
      fc.property(
        someWell,
        fc.constantFrom(...FORMS),
        fc.integer({ min: 0, max: 6 }),
        turns,
        fc.integer({ min: 27, max: 40 }),
        fc.constantFrom('well' as const, 'tight' as const),
        (ring, form, side, turn, height, opening) => {
          if (form === 'fourFlight' && ring.length < 4) return;
          const entry = side % ring.length;
          const input = { name: 'ST', form, well: drawn(ring), entry, turn, widthMm: 900, rules: 'private' as const };
          const made = after('stairs.add', { ...input, opening }, house([height * 100, 3000]));
          const solved = solve(made);
          const stair = solved.stairs[0]!;
          const [storey] = stair.storeys;
          if (!storey?.steps) return;
          climbed += 1;
          const { flights, landings, walk, bottomMm } = storey;
          const { steps } = storey;
          expect(flights).toHaveLength(form === 'threeFlight' ? 3 : 4);
          expect(steps.riserMm * steps.count).toBeCloseTo(height * 100, 3);
          expect(walk.filter(({ riser }) => riser !== null)).toHaveLength(steps.count);
          const parts = [
            ...flights.flatMap((each) => (each.ring ? [each.ring] : [])),
            ...landings.flatMap((each) => each.parts),
          ];
          parts.forEach((part, i) => {
            for (const point of part) expect(isIn(ring, point)).toBe(true);
            for (const other of parts.slice(i + 1)) expect(sharedArea(part, other)).toBeLessThan(5);
          });
          flights.forEach((flight, i) => {
            const end = plus(flight.from, times(flight.along, runOf(flight.risers, flight.goingMm)));
            if (landings[i]) expect(isIn(landings[i]!.ring, end)).toBe(true);
            if (i > 0) expect(isIn(landings[i - 1]!.ring, flight.from)).toBe(true);
            if (landings[i]) expect(area(landings[i]!.parts)).toBeCloseTo(ringArea(landings[i]!.ring), 0);
            expect(flight.bottomMm).toBeCloseTo(i === 0 ? bottomMm : landings[i - 1]!.topMm, 6);
            // Along the middle of the way a landing is as deep as flights are wide.
            const next = flights[i + 1];
            if (!next) return;
            const corner = walk.findIndex(({ at }) => distance(at, next.from) < 1e-3);
            const way = walk.slice(0, corner + 1).map(({ at }) => at);
            const from = way.findIndex((at) => distance(at, end) < 1e-3);
            const walked = way.slice(from + 1).reduce((sum, at, k) => sum + distance(at, way[from + k]!), 0);
            expect(walked).toBeGreaterThan(900 - 0.01);
          });
          // The hole is over what is too high, and one steps off onto floor.
          const [cut] = stair.cuts;
          const beyond = plus(storey.head!.at, times(storey.head!.along, 20));
          expect(contains(cut!.ring, beyond)).toBe(false);
          if (opening === 'well')
            for (const part of parts)
              expect(Math.abs(ringArea(clippedTo(part, cut!.ring)) - ringArea(part))).toBeLessThan(10);
          expect(
            solved.findings.filter(({ rule }) => !['stair.unsolved', 'level.noFoundation'].includes(rule)),
          ).toEqual([]);
        },
      ),
      // A last flight of one riser, which is climbed onto the floor.
      {
        numRuns: 150,
        examples: [
          [
            [
              { x: 0, y: 0 },
              { x: 3058, y: 2667 },
              { x: 1, y: 5001 },
              { x: 0, y: 2501 },
            ],
            'fourFlight',
            3,
            'left',
            27,
            'well',
          ],
        ],
      },
    );
    expect(climbed).toBeGreaterThan(20);
  });

  it('that is too small is offered as much larger as it must be, in its own shape, and a millimetre less is not enough', () => {
    const ring = [
      { x: 0, y: 0 },
      { x: 3700, y: 300 },
      { x: 3400, y: 3200 },
      { x: 300, y: 3500 },
    ];
    const asked = {
      name: 'ST',
      form: 'fourFlight' as const,
      well: drawn(ring),
      widthMm: 1200,
      rules: 'public' as const,
    };
    const made = after('stairs.add', asked, house([3000]));
    const [found] = solve(made).findings.filter(({ rule }) => rule === 'stair.unsolved');
    const fix = found!.fixes.find(({ command }) => command === 'stairs.lengthenWell')!;
    const input = fix.input as { stair: string; byMm: number };
    const isClimbed = (by: typeof input) =>
      solve(after('stairs.lengthenWell', by, made)).stairs[0]!.storeys[0]!.steps !== null;
    expect(fix.words).toMatch(/^Make its well larger, the side of its first flight by \d/);
    expect(isClimbed(input)).toBe(true);
    expect(isClimbed({ ...input, byMm: input.byMm - 1 })).toBe(false);
    // The corner one begins at stays where it is, and angles as they are.
    const grown = recordsOf(after('stairs.lengthenWell', input, made), 'stair')[0]!.well;
    const points =
      grown.type === 'polygon' ? grown.points.map(({ xMm, yMm }) => ({ x: xMm as number, y: yMm as number })) : [];
    expect(points[1]).toEqual(ring[1]);
    expect(distance(points[1]!, points[2]!) - distance(ring[1]!, ring[2]!)).toBeCloseTo(input.byMm, 3);
    const [u, v] = [minus(points[3]!, points[2]!), minus(ring[3]!, ring[2]!)];
    expect(dot(u, v)).toBeCloseTo(distance(points[3]!, points[2]!) * distance(ring[3]!, ring[2]!), 0);
  });

  it('mirrored has the mirror image of its flights', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FORMS), fc.integer({ min: 0, max: 4 }), turns, (form, entry, turn) => {
        const ring = [
          { x: 0, y: 0 },
          { x: 6000, y: -500 },
          { x: 7500, y: 3500 },
          { x: 4000, y: 7000 },
          { x: -500, y: 5000 },
        ];
        const base = given([
          ['buildings.add', { name: 'House' }],
          ['levels.setUp', { above: '3000mm' }],
          ['grids.add', { baysA: '2@6000', baysB: '2@6000' }],
        ]);
        const made = after('stairs.add', { name: 'ST', form, well: drawn(ring), entry, turn, widthMm: 900 }, base);
        const stair = recordsOf(made, 'stair')[0]!;
        const over = after('elements.mirror', { ids: [stair.id], line: '2', copies: false }, made);
        const [was, is] = [made, over].map((each) => solve(each).stairs[0]!.storeys[0]!);
        expect(was!.flights.length).toBeGreaterThan(0);
        // Line 2 is upright, 6 m from the zero.
        was!.flights.forEach(({ from, along }, i) => {
          const image = is!.flights[i]!;
          expect(distance(image.from, { x: 12_000 - from.x, y: from.y })).toBeLessThan(0.01);
          expect(distance(image.along, { x: -along.x, y: along.y })).toBeLessThan(1e-6);
        });
      }),
      { numRuns: 20 },
    );
  });

  it('is refused in words where its form cannot go round it, and as a finding where it has become such a form', () => {
    const base = house([3000]);
    const dent = [
      { x: 0, y: 0 },
      { x: 6000, y: 0 },
      { x: 6000, y: 6000 },
      { x: 3000, y: 2000 },
      { x: 0, y: 6000 },
    ];
    const lean = [
      { x: 0, y: 0 },
      { x: 6000, y: 0 },
      { x: 6500, y: 6000 },
      { x: 0, y: 6000 },
    ];
    expect(refusal(base, 'stairs.add', { form: 'threeFlight', well: drawn(dent) })).toMatch(
      /none of which points inwards/,
    );
    expect(refusal(base, 'stairs.add', { form: 'halfLanding', well: drawn(lean) })).toMatch(/four square corners/);
    expect(refusal(base, 'stairs.add', { form: 'threeFlight', well: drawn(lean), entry: 4 })).toMatch(/has 4 sides/);
    const made = after('stairs.add', { form: 'threeFlight', well: drawn(lean) }, base);
    const stair = recordsOf(made, 'stair')[0]!.id;
    expect(solve(made).findings.map(({ rule }) => rule)).not.toContain('stair.well');
    const [found] = solve(after('stairs.change', { stair, form: 'spiral' }, made)).findings.filter(
      ({ rule }) => rule === 'stair.well',
    );
    expect(found!.message).toMatch(/is no rectangle/);
    // As large as it must be it begins at that corner of it.
    const free = solve(after('stairs.change', { stair, form: 'quarterLanding', isFree: true }, made)).stairs[0]!;
    expect(distance(free.ring[0]!, { x: 6000, y: 0 })).toBeLessThan(20_000);
    expect(free.storeys[0]!.steps).not.toBeNull();
    expect(
      stairCandidates({
        form: 'spiral',
        heightMm: 3000,
        well: { lengthMm: 5000, widthMm: 5000, runsMm: { threeFlight: [1], fourFlight: null } },
        widthMm: 1000,
        rules: STAIR_RULES.private,
      }),
    ).toEqual([]);
  });
});
