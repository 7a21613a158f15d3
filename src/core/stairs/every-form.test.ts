import fc from 'fast-check';
import { dot, minus, plus, times, type Point } from '../geometry/point';
import { contains } from '../geometry/polygon';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';
import { bodiesOf, isSideBody, planOf, type StairBody } from './stair-bodies';
import type { SolvedStair, StairStorey } from './solved-stair';
import { STAIR_FORMS } from './stair-form';
import { wellOf } from './well';

const after = afterFrom();
/** Three storeys of heights in tenths of a metre, with slabs far round the stair. */
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

const someStair = fc.record({
  form: fc.constantFrom(...STAIR_FORMS),
  heights: fc
    .array(fc.integer({ min: 24, max: 40 }), { minLength: 3, maxLength: 3 })
    .map((each) => each.map((h) => h * 100)),
  turn: fc.constantFrom('left' as const, 'right' as const),
  towardsDeg: fc.integer({ min: 0, max: 359 }),
  rules: fc.constantFrom('public' as const, 'private' as const),
  carriedBy: fc.constantFrom('waist' as const, 'stringers' as const),
  opening: fc.constantFrom('well' as const, 'tight' as const),
  widthMm: fc.integer({ min: 8, max: 14 }).map((w) => w * 100),
});
type Some = typeof someStair extends fc.Arbitrary<infer T> ? T : never;

const freely = ({ heights, towardsDeg, ...rest }: Some) =>
  solve(after('stairs.add', { name: 'ST', begin: { place: '0,0', towardsDeg }, ...rest }, house(heights)));

const ringOf = (body: StairBody) => (isSideBody(body) ? planOf(body) : body.ring);

describe('a stair of any form, as large as it must be', () => {
  it('climbs each storey in equal steps, leaves its well nowhere, and has headroom', () => {
    fc.assert(
      fc.property(someStair, (some) => {
        const solved = freely(some);
        const stair = solved.stairs[0]!;
        const well = wellOf(stair.ring, 0)!;
        for (const storey of stair.storeys) {
          const { steps, walk, heightMm, bottomMm } = storey;
          // A flight of fewer limits than a straight stair or a spiral is may be too high: then it is not climbed at all.
          if (!steps) continue;
          expect(steps.riserMm * steps.count).toBeCloseTo(heightMm, 3);
          const risers = walk.filter(({ riser }) => riser !== null);
          expect(risers.map(({ riser }) => riser)).toEqual(risers.map((_, i) => i + 1));
          expect(risers).toHaveLength(steps.count);
          risers.forEach(({ mm }, i) => expect(mm).toBeCloseTo(bottomMm + (i + 1) * steps.riserMm, 3));
          for (const body of bodiesOf(stair, storey))
            for (const point of ringOf(body)) {
              const [x, y] = [well.inwards, well.left].map((axis) => dot(minus(point, well.origin), axis)) as [
                number,
                number,
              ];
              expect(Math.min(x, y, well.lengthMm - x, well.widthMm - y)).toBeGreaterThan(-1);
            }
          expect(headroomBySampling(stair, storey, solved)).toBeGreaterThan((storey.headroom?.mm ?? 12_000) - 1);
        }
        const rules = solved.findings.map(({ rule }) => rule);
        // Waists under two rounds of a spiral, or a low storey over slabs, are told; a free stair has no other fault.
        expect(
          rules.filter((rule) => !['stair.unsolved', 'stair.headroom', 'level.noFoundation'].includes(rule)),
        ).toEqual([]);
      }),
      // A spiral under a storey that is not climbed, with the next storey's spiral over that.
      {
        numRuns: 60,
        examples: [
          [
            {
              form: 'spiral',
              heights: [2400, 3700, 2400],
              turn: 'left',
              towardsDeg: 0,
              rules: 'public',
              carriedBy: 'waist',
              opening: 'well',
              widthMm: 800,
            },
          ],
        ],
      },
    );
  });

  it('walks over steps that are as deep as asked, and tapered ones as deep as that where one walks', () => {
    fc.assert(
      fc.property(someStair, (some) => {
        for (const { steps, tapered, flights } of freely(some).stairs[0]!.storeys) {
          if (!steps) continue;
          for (const { goingMm } of flights) expect(goingMm).toBe(steps.goingMm);
          for (const [i, tread] of tapered.entries()) {
            const next = tapered[i + 1];
            if (!next || Math.abs(next.topMm - tread.topMm - tread.riserMm) > 1e-3) continue;
            // From nosing to nosing where one walks: the chord of the arc, which is a little longer.
            const chord = minus(next.at, tread.at);
            const radius = radiusOf(tread.at, tread.nosing, next.nosing);
            const half = Math.sqrt(dot(chord, chord)) / 2;
            const arc = 2 * radius * Math.asin(Math.min(1, half / radius));
            expect(arc).toBeGreaterThan(steps.goingMm - 0.5);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it('lets one come on at the floor and leave at the floor, along the way one walks', () => {
    fc.assert(
      fc.property(someStair, (some) => {
        const solved = freely(some);
        const stair = solved.stairs[0]!;
        for (const storey of stair.storeys) {
          if (!storey.head) continue;
          const beyond = plus(storey.head.at, times(storey.head.along, 20));
          const cuts = stair.cuts.filter(({ level }) => level === storey.upper);
          // The floor it arrives at is there, or a landing of its own.
          const isOpen = cuts.some(({ ring }) => contains(ring, beyond));
          const onLanding = storey.landings.some(
            ({ ring, topMm }) => contains(ring, beyond) && Math.abs(topMm - storey.bottomMm - storey.heightMm) < 1,
          );
          expect(isOpen && !onLanding).toBe(false);
        }
      }),
      { numRuns: 60 },
    );
  });
});

/** Where the lines of two nosings meet, from a place on one. */
function radiusOf(at: Point, a: readonly [Point, Point], b: readonly [Point, Point]): number {
  const [u, v] = [minus(a[1], a[0]), minus(b[1], b[0])];
  const w = minus(b[0], a[0]);
  const t = (w.x * v.y - w.y * v.x) / (u.x * v.y - u.y * v.x);
  const apex = plus(a[0], times(u, t));
  const from = minus(at, apex);
  return Math.sqrt(dot(from, from));
}

/** The least height over nosings of a storey up to anything over them, at places tried on each tread: shares no code with the solver. */
function headroomBySampling(stair: SolvedStair, storey: StairStorey, solved: ReturnType<typeof solve>): number {
  const risers = storey.walk.filter(({ riser }) => riser !== null);
  let least = Infinity;
  const bodies = stair.storeys.flatMap((each) => bodiesOf(stair, each));
  for (const { at, mm } of risers.slice(0, -1)) {
    const over = (bottomMm: number) => {
      if (bottomMm > mm + 100) least = Math.min(least, bottomMm - mm);
    };
    for (const body of bodies) {
      if (!contains(ringOf(body), at)) continue;
      if (!isSideBody(body)) over(body.bottomMm);
      else {
        const x = dot(minus(at, body.flight.from), body.flight.along);
        over(lowestAt(body.side, x));
      }
    }
    for (const floor of solved.floors) {
      const isCut = stair.cuts.some(
        (cut) => cut.plate === floor.plate && cut.level === floor.level && contains(cut.ring, at),
      );
      if (!isCut && contains(floor.outline, at)) over(floor.topMm - floor.thicknessMm);
    }
  }
  return least;
}

/** The lowest height of a side at a distance along it. */
function lowestAt(side: readonly Point[], x: number): number {
  const heights = side.flatMap((a, i) => {
    const b = side[(i + 1) % side.length]!;
    if (Math.min(a.x, b.x) > x || Math.max(a.x, b.x) < x || a.x === b.x) return [];
    return [a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)];
  });
  return Math.min(...heights, Infinity);
}

describe('what cannot be climbed is offered what can', () => {
  const well = fc.record({ widthMm: fc.integer({ min: 9, max: 45 }), depthMm: fc.integer({ min: 12, max: 60 }) });

  it('each fix makes the storey one that is climbed, and a well a millimetre smaller does not', () => {
    let failures = 0;
    fc.assert(
      fc.property(someStair, well, ({ heights, form, turn, rules, widthMm }, { widthMm: w, depthMm: d }) => {
        const size = { type: 'rectangle' as const, place: '0,0', widthMm: w * 100, depthMm: d * 100 };
        const made = after('stairs.add', { name: 'ST', form, well: size, turn, rules, widthMm }, house(heights));
        const [found] = solve(made).findings.filter(({ rule }) => rule === 'stair.unsolved');
        if (!found) return;
        failures += 1;
        const id = recordsOf(made, 'stair')[0]!.id;
        const isClimbed = (fixed: typeof made, level: string | null) =>
          solve(fixed)
            .stairs.find(({ stair }) => stair === id)!
            .storeys.find((each) => each.level === level)!.steps !== null;
        // Beyond four flights within their limits nothing helps.
        if (Math.max(...heights) < 3700) expect(found.fixes.length).toBeGreaterThan(0);
        for (const { command, input } of found.fixes) {
          expect(isClimbed(after(command, input as never, made), found.level)).toBe(true);
          if (command !== 'stairs.lengthenWell') continue;
          const { byMm = 0, widerMm = 0 } = input as { byMm?: number; widerMm?: number };
          const less = {
            stair: id,
            ...(byMm > 0 ? { byMm: byMm - 1 } : {}),
            ...(widerMm > 0 ? { widerMm: widerMm - 1 } : {}),
          };
          expect(isClimbed(after('stairs.lengthenWell', less, made), found.level)).toBe(false);
        }
      }),
      { numRuns: 25 },
    );
    expect(failures).toBeGreaterThan(3);
  });
});

describe('what is asked for is judged, and what is chosen kept', () => {
  const two = house([3000, 3000, 3000]);
  const base = { name: 'ST', form: 'straightLanding' as const, begin: { place: '0,0' }, rules: 'private' as const };

  it('a number of risers and a going that break limits say which, with their source, and go back to what is best', () => {
    const asked = after('stairs.add', { ...base, risers: 12, goingMm: 200 }, two);
    const [found] = solve(asked).findings.filter(({ rule }) => rule === 'stair.limits');
    // 3000 / 12 = 250 over 220; 200 under 220; atan(250 / 200) = 51.3°.
    expect(found!.message).toMatch(
      /riser 250 mm over 220 mm \(Public guidance.*going 200 mm under 220 mm.*pitch 51.3 over 42/,
    );
    const { command, input } = found!.fixes[0]!;
    const best = solve(after(command, input as never, asked));
    expect(best.findings.map(({ rule }) => rule)).not.toContain('stair.limits');
    expect(best.stairs[0]!.storeys[0]!.steps!.riserMm).toBeLessThanOrEqual(220);
  });

  it('a way chosen for one storey is kept there alone, and told when the storey can no longer be climbed so', () => {
    const made = after('stairs.add', base, two);
    const [level] = solve(made).stairs[0]!.levels;
    const other = [10, 5];
    const chosen = after('stairs.choose', { stair: 'ST', level: level!, flights: other }, made);
    const deals = solve(chosen).stairs[0]!.storeys.map(({ steps }) => steps!.flights.join('+'));
    expect(deals[0]).toBe('10+5');
    expect(new Set(deals.slice(1))).toEqual(new Set(['8+7']));
    const higher = after('levels.setHeight', { level: level!, heightMm: 4000, mode: 'push' }, chosen);
    const [gone] = solve(higher).findings.filter(({ rule }) => rule === 'stair.choiceGone');
    expect(gone!.message).toMatch(/cannot climb from level 00 as it was chosen/);
    const { command, input } = gone!.fixes[0]!;
    expect(recordsOf(after(command, input as never, higher), 'stair')[0]!.chosen).toEqual([]);
  });
});
