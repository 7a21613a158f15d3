import fc from 'fast-check';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { contains, distanceToSegment } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';
import { layers } from '../testing/rich';

const after = afterFrom();
const box = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
/** Three storeys of 3.3 m on plates of 12 × 9 m. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3@3.3m' }],
  ['floors.add', { name: 'Plate', outline: box('0,0', 12_000, 9000), thicknessMm: 250 }],
]);
const guards = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'guard');
const rows = (framework: Framework) => reportOf(framework, solve(framework)).guards;
const rules = (framework: Framework) => solve(framework).findings.map(({ rule }) => rule);
const fixed = (framework: Framework, rule: string) => {
  const { command, input } = solve(framework).findings.find((each) => each.rule === rule)!.fixes[0]!;
  return after(command, input as never, framework);
};

describe('all open edges', () => {
  it('of every level in one act, with posts at corners and no further apart than asked', () => {
    const made = after('guards.add', { name: 'G', along: { of: 'edges' } }, house);
    // The ground floor lies on the ground, and roofs are left out: two levels of four sides, 50 in from the edge.
    expect(rows(made).map(({ level, lengthM, heightMm }) => [level, lengthM, heightMm])).toEqual([
      ['01', 2 * (11.9 + 8.9), 1067],
      ['02', 2 * (11.9 + 8.9), 1067],
    ]);
    // 11.9 m in 8 fields of 1487.5, 8.9 m in 6 of 1483.3: as many posts as fields all round.
    expect(rows(made)[0]!.posts).toBe(2 * (8 + 6));
  });

  it('walls close them, and so does a floor beside', () => {
    const walled = given(
      [
        [
          'walls.add',
          {
            name: 'W',
            type: { name: 'T', layers: layers(200) },
            use: 'exterior',
            startsAt: { level: '00' },
            stopsAt: { level: 'RF' },
            points: [
              { xMm: 0, yMm: 0 },
              { xMm: 12_000, yMm: 0 },
              { xMm: 12_000, yMm: 9000 },
            ],
          },
        ],
        ['floors.add', { name: 'Wing', outline: box('-4000,0', 4000, 9000) }],
        ['guards.add', { name: 'G', along: { of: 'edges', levels: { at: ['01'] } } }],
      ],
      house,
    );
    // South and east have walls; the west side goes on: the north side of both and three sides of the wing less its join.
    const lengths = guards(walled)[0]!.info.runs.map(({ places }) =>
      places.slice(1).reduce((sum, to, i) => sum + distance(places[i]!, to), 0),
    );
    const total = lengths.reduce((sum, mm) => sum + mm, 0);
    expect(Math.abs(total - (12_000 + 4000 + 9000 + 4000))).toBeLessThan(1200);
  });

  it('leave the mouths of stairs free, and go round their openings', () => {
    const made = given(
      [
        ['stairs.add', { name: 'ST', well: box('5000,2000', 2500, 5200) }],
        ['guards.add', { name: 'G', along: { of: 'edges', edges: 'openings', by: 'ST' } }],
      ],
      house,
    );
    const [first] = guards(made);
    // Round three sides and the eye on the fourth: the two flights' widths are free there.
    const stair = solve(made).stairs[0]!;
    const walked = [stair.storeys[0]!.head!, stair.storeys[1]!.foot!];
    for (const { at, along } of walked)
      for (const { places } of first!.info.runs)
        places.slice(1).forEach((to, i) => {
          const [over, before] = [plus(at, times(along, 200)), plus(at, times(along, -200))];
          for (let t = 0; t <= 1; t += 0.1) {
            const place = plus(before, times(minus(over, before), t));
            expect(distanceToSegment(place, places[i]!, to)).toBeGreaterThan(300);
          }
        });
    const { lengthM } = rows(made)[0]!;
    expect(lengthM).toBeGreaterThan(2.5 + 2 * 5.2);
    expect(lengthM).toBeLessThan(2.5 + 2 * 5.2 + 1);
  });

  it('follow the slab: a plate that grows has a longer guard', () => {
    const made = after('guards.add', { along: { of: 'edges', levels: { at: ['01'] } } }, house);
    const grown = after('floors.change', { floor: 'Plate', outline: box('0,0', 15_000, 9000) }, made);
    expect(rows(grown)[0]!.lengthM - rows(made)[0]!.lengthM).toBeCloseTo(6, 6);
  });

  it('a gate leaves a piece out, by two distances', () => {
    const made = after('guards.add', { name: 'G', along: { of: 'edges', levels: { at: ['01'] } } }, house);
    const gated = after('guards.change', { guard: 'G', gates: [{ fromMm: 2000, toMm: 3000 }] }, made);
    expect(rows(made)[0]!.lengthM - rows(gated)[0]!.lengthM).toBeCloseTo(1, 6);
  });
});

describe('what has none', () => {
  const walled = given(
    [
      [
        'walls.add',
        {
          name: 'W',
          type: { name: 'T', layers: layers(200) },
          use: 'exterior',
          startsAt: { level: '00' },
          stopsAt: { level: 'RF' },
          points: [
            { xMm: 0, yMm: 100 },
            { xMm: 12_000, yMm: 100 },
          ],
        },
      ],
    ],
    house,
  );

  it('is found where walls stand, by the rule set’s drop, and guarded by one press', () => {
    const found = solve(walled).findings.filter(({ rule }) => rule === 'guard.drop');
    expect(found.map(({ message }) => message).sort()).toEqual([
      'Level 01 has an open edge with a drop of 3300 mm and no guard; its rule set asks for one over 762 mm (International model building code: guards and handrails). Guard them, or bring walls there',
      'Level 02 has an open edge with a drop of 6600 mm and no guard; its rule set asks for one over 762 mm (International model building code: guards and handrails). Guard them, or bring walls there',
    ]);
    expect(rules(fixed(fixed(walled, 'guard.drop'), 'guard.drop'))).not.toContain('guard.drop');
    // Nothing is asked of slabs that have no walls yet.
    expect(rules(house)).not.toContain('guard.drop');
  });

  it('a ramp up to an edge takes its drop', () => {
    const low = after(
      'floors.add',
      { name: 'Step', outline: box('20000,0', 4000, 4000), levels: { at: ['00'] } },
      house,
    );
    const raised = after('levels.setElevation', { level: '00', fflMm: 900, mode: 'push' }, low);
    const open = after('guards.add', { name: 'G', along: { of: 'edges', levels: { at: ['00'] } } }, raised);
    const ramped = after(
      'ramps.add',
      {
        place: '22000,-12325',
        towardsDeg: 90,
        widthMm: 1500,
        kerbMm: 0,
        startsAt: { level: '00', offsetMm: -900 },
        stopsAt: { level: '00' },
      },
      open,
    );
    const length = (framework: Framework) => rows(framework).reduce((sum, { lengthM }) => sum + lengthM, 0);
    expect(length(open) - length(ramped)).toBeGreaterThan(1.2);
  });

  it.each([
    ['guard.low', { along: { of: 'edges' as const }, heightMm: 900 }, /900 mm high; International.*asks for 1067 mm/],
    ['guard.gap', { along: { of: 'edges' as const }, gapMm: 150 }, /leave 150 mm between them.*allows 102 mm/],
    ['guard.gap', { along: { of: 'edges' as const }, infill: 'rails' as const, midRails: 2 }, /open for 355.7 mm/],
  ] as const)('%s', (rule, input, words) => {
    const made = after('guards.add', { name: 'G', ...input }, walled);
    expect(solve(made).findings.find((each) => each.rule === rule)!.message).toMatch(words);
    expect(rules(fixed(made, rule))).not.toContain(rule);
  });

  it('handrails at their height, past the first and last nosing', () => {
    const stair = after('stairs.add', { name: 'ST', well: box('5000,2000', 2500, 5200) }, house);
    const made = after(
      'guards.add',
      {
        name: 'H',
        is: 'handrail',
        along: { of: 'stair', stair: 'ST', side: 'both' },
        heightMm: 1100,
        extensionMm: 100,
      },
      stair,
    );
    expect(rules(made)).toEqual(expect.arrayContaining(['guard.low', 'guard.short']));
    const good = fixed(fixed(made, 'guard.low'), 'guard.short');
    expect(rules(good)).not.toEqual(expect.arrayContaining(['guard.low']));
    expect(rules(good)).not.toEqual(expect.arrayContaining(['guard.short']));
    // A guard along what is no more goes with it; one along nothing is found.
    const gone = after('elements.remove', { ids: [recordsOf(good, 'stair')[0]!.id] }, good);
    expect(recordsOf(gone, 'guard')).toEqual([]);
    const none = after('guards.add', { along: { of: 'edges', levels: { at: ['00'] } } }, house);
    expect(recordsOf(fixed(none, 'guard.nothing'), 'guard')).toEqual([]);
    expect(refusal(house, 'guards.add', { along: { of: 'edges', by: 'S9' } })).toMatch(/no shaft, stair or ramp S9/);
  });
});

describe('along stairs of every form', () => {
  it('a side is as long as its flights and never within the way one walks; no two posts are doubled', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          'straight' as const,
          'straightLanding' as const,
          'quarterLanding' as const,
          'quarterWinders' as const,
          'halfLanding' as const,
          'halfWinders' as const,
          'threeFlight' as const,
          'fourFlight' as const,
          'spiral' as const,
          'circular' as const,
        ),
        fc.constantFrom('left' as const, 'right' as const),
        fc.integer({ min: 0, max: 359 }),
        (form, turn, towardsDeg) => {
          const made = given(
            [
              ['stairs.add', { name: 'ST', form, turn, rules: 'private', begin: { place: '6000,4000', towardsDeg } }],
              ['guards.add', { name: 'G', along: { of: 'stair', stair: 'ST', side: 'both' }, postSpacingMm: 1200 }],
            ],
            house,
          );
          const solved = solve(made);
          const stair = solved.stairs[0]!;
          for (const { info, level } of assembliesOf(solved.assemblies, 'guard')) {
            const storey = stair.storeys.find((each) => each.level === level)!;
            expect(info.runs).toHaveLength(2);
            for (const { places } of info.runs) {
              // From a riser over the floor one comes from to the floor one arrives at, never down.
              expect(places[0]!.mm).toBeCloseTo(storey.bottomMm + storey.steps!.riserMm, 3);
              expect(places.at(-1)!.mm).toBeGreaterThan(storey.bottomMm + storey.heightMm - 1);
              places.slice(1).forEach(({ mm }, i) => expect(mm).toBeGreaterThan(places[i]!.mm - 1e-6));
              // Nobody who walks up meets it.
              for (const { at } of storey.walk.filter(({ riser }) => riser !== null))
                places.slice(1).forEach((to, i) => expect(distanceToSegment(at, places[i]!, to)).toBeGreaterThan(150));
            }
          }
          const posts = assembliesOf(solved.assemblies, 'guard').flatMap(({ info, level }) =>
            info.postsAt.map((at) => ({ at, level })),
          );
          posts.forEach((one, i) =>
            posts.slice(i + 1).forEach((other) => {
              if (one.level === other.level) expect(distance(one.at, other.at)).toBeGreaterThan(40);
            }),
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});

it('over random plates with stairs and openings, every drop is guarded after the one act', () => {
  const plate = fc.record({
    w: fc.integer({ min: 16, max: 22 }),
    d: fc.integer({ min: 9, max: 16 }),
    notch: fc.integer({ min: 1, max: 4 }),
    hole: fc.integer({ min: 1, max: 3 }),
    turn: fc.constantFrom('left' as const, 'right' as const),
    form: fc.constantFrom('halfLanding' as const, 'threeFlight' as const, 'straightLanding' as const),
  });
  fc.assert(
    fc.property(plate, ({ w, d, notch, hole, turn, form }) => {
      const [x, y, n, h] = [w * 1000, d * 1000, notch * 1000, hole * 1000];
      const corners: [number, number][] = [
        [0, 0],
        [x, 0],
        [x, y - n],
        [x - n, y - n],
        [x - n, y],
        [0, y],
      ];
      const made = given([
        ['buildings.add', { name: 'House' }],
        ['levels.setUp', { above: '2@3m' }],
        [
          'floors.add',
          {
            name: 'Plate',
            outline: {
              type: 'polygon',
              place: '0,0',
              points: corners.map(([xMm, yMm]) => ({ xMm, yMm })),
            },
          },
        ],
        ['stairs.add', { name: 'ST', form, turn, rules: 'private', begin: { place: '8000,2500', towardsDeg: 90 } }],
        ['shafts.add', { name: 'S1', outline: box(`1000,${y - 1000 - h}`, h, h) }],
        ['guards.add', { name: 'G', along: { of: 'edges' } }],
      ]);
      const solved = solve(made);
      const level = solved.levels.find(({ name }) => name === '01')!.id;
      const [guard] = assembliesOf(solved.assemblies, 'guard');
      const stair = solved.stairs[0]!;
      const mouths = stair.storeys.flatMap((storey) => [
        ...(storey.level === level ? [storey.foot!] : []),
        ...(storey.upper === level ? [storey.head!] : []),
      ]);
      const piece = solved.floors.find((each) => each.level === level)!;
      // At places along every edge of the slab: a guard is within 60 of it, or one walks over it there.
      const rings = solved.profiles[piece.profile]!.regions.flatMap(({ outer, holes }) => [outer, ...holes]);
      for (const ring of rings)
        ring.forEach((a, i) => {
          const b = ring[(i + 1) % ring.length]!;
          for (let t = 0.03; t < 1; t += 0.061) {
            const place: Point = plus(a, times(minus(b, a), t));
            const near = guard!.info.runs.some(({ places, isClosed }) => {
              const all = isClosed ? [...places, places[0]!] : places;
              return all.slice(1).some((to, k) => distanceToSegment(place, all[k]!, to) < 120);
            });
            const isMouth = mouths.some(({ at, along }) => {
              const off = minus(place, at);
              return Math.abs(dot(off, along)) < 160 && Math.abs(dot(off, { x: -along.y, y: along.x })) < 650;
            });
            expect(near || isMouth).toBe(true);
          }
        });
      // No guard crosses a mouth.
      for (const { at, along } of mouths)
        for (const { places } of guard!.info.runs)
          places.slice(1).forEach((to, k) => {
            for (let s = -150; s <= 150; s += 50)
              expect(distanceToSegment(plus(at, times(along, s)), places[k]!, to)).toBeGreaterThan(200);
          });
      // Nothing of it stands over the opening.
      for (const { places } of guard!.info.runs)
        for (const place of places) expect(piece.holes.some(({ ring }) => contains(ring, place))).toBe(false);
    }),
    { numRuns: 40 },
  );
});
