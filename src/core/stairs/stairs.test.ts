import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { ringArea } from '../geometry/polygon';
import { reportOf } from '../report/report';
import { solve } from '../solving/solve';
import { given, levelId, refusal, afterFrom, step } from '../testing/given';

/** Storeys of 3.3, 3.9 and 2.7 m, floors 250 thick with 100 of build-up. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3.3m 3.9m 2.7m' }],
  ['grids.add', { baysA: '3@6000', baysB: '2@6000' }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 }, thicknessMm: 250 }],
]);
const after = afterFrom();
const well = (widthMm: number, depthMm: number, place = '6500,1000') => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
const withStair = (input: Record<string, unknown> = {}, framework = house) =>
  after('stairs.add', { name: 'ST1', well: well(2500, 5200), ...input }, framework);
const stairOf = (framework: Framework) => solve(framework).stairs[0]!;
const rules = (framework: Framework) => solve(framework).findings.map(({ rule }) => rule);

describe('a half-turn stair through storeys of different heights', () => {
  const stair = stairOf(withStair());

  it('is solved storey by storey in one well, all risers of a storey equal', () => {
    expect(stair.storeys.map(({ heightMm, steps }) => [heightMm, steps!.count, steps!.flights])).toEqual([
      [3300, 19, [10, 9]],
      [3900, 23, [12, 11]],
      [2700, 16, [8, 8]],
    ]);
    for (const { heightMm, steps } of stair.storeys) {
      expect(steps!.riserMm * steps!.count).toBeCloseTo(heightMm, 4);
      // 2R + G comes within half a millimetre of 630 wherever the well lets it: goings are whole millimetres.
      expect(Math.abs(2 * steps!.riserMm + steps!.goingMm - 630)).toBeLessThanOrEqual(0.5);
    }
  });

  it('turns on a landing at the height its first flight climbs to, as deep as the stair is wide or deeper', () => {
    const [ground] = stair.storeys;
    const { riserMm, goingMm } = ground!.steps!;
    expect(ground!.landings[0]!.topMm).toBeCloseTo(10 * riserMm, 6);
    expect(ground!.landingDepthMm).toBeCloseTo(5200 - 9 * goingMm, 6);
    expect(ground!.landingDepthMm).toBeGreaterThanOrEqual(1200);
    // Well entered over its lower side, turning left: out on the right, back on the left.
    const [out, back] = ground!.flights;
    expect([out!.from, out!.along]).toEqual([
      { x: 6500 + 2500 - 600, y: 1000 },
      { x: 0, y: 1 },
    ]);
    expect(back!.from.x).toBe(6500 + 600);
    expect(back!.along.y).toBe(-1);
    expect(back!.bottomMm + 9 * riserMm).toBeCloseTo(3300, 4);
    // Flights, landing and eye fill the well; the landing is deeper by a going before the shorter flight.
    const eye = (lengthMm: number) => 100 * lengthMm;
    const area = ringArea(out!.ring!) + ringArea(back!.ring!) + ringArea(ground!.landings[0]!.ring);
    expect(area + eye(8 * goingMm)).toBeCloseTo(2500 * 5200, 0);
  });

  it('tables first and last step riser from structure to structure, where build-ups differ', () => {
    const raised = after('levels.change', { level: '01', buildUpMm: 150 }, withStair());
    const lowered = after('levels.change', { level: '00', buildUpMm: 80 }, raised);
    const [ground] = stairOf(lowered).storeys;
    const riser = 3300 / 19;
    expect(ground!.firstStructuralMm).toBeCloseTo(riser - 30 + 80, 4);
    expect(ground!.lastStructuralMm).toBeCloseTo(riser + 30 - 150, 4);
  });

  it('cuts the floors it arrives at, not the one it starts from, and follows the levels', () => {
    const solved = solve(withStair());
    const holes = solved.floors.map(({ level, profile }) => [
      solved.levels.find(({ id }) => id === level)!.name,
      solved.profiles[profile]!.holeCount,
    ]);
    expect(holes).toEqual([
      ['00', 0],
      ['01', 1],
      ['02', 1],
      ['RF', 1],
    ]);
    const higher = after('levels.setHeight', { level: '00', heightMm: 3450, mode: 'push' }, withStair());
    expect(stairOf(higher).storeys[0]!.steps!.count).toBe(20);
    expect(stairOf(higher).storeys[1]!.flights[0]!.bottomMm).toBe(3450);
  });

  it('keeps the floors’ landing within the well out of its opening', () => {
    const solved = solve(withStair({ floorLandingMm: 1300, well: well(2700, 5600) }));
    const [cut] = solved.stairs[0]!.cuts;
    expect(ringArea(cut!.ring)).toBe(2700 * 4300);
    expect(solved.stairs[0]!.storeys[0]!.flights[0]!.from.y).toBe(1000 + 1300);
  });
});

describe('headroom', () => {
  it('is taken from the nosings, that at a landing’s edge too, to the lowest of what is above', () => {
    const same = given([
      ['buildings.add', { name: 'Same' }],
      ['levels.setUp', { above: '3@3.3m' }],
      ['grids.add', { baysA: '3@6000', baysB: '2@6000' }],
    ]);
    const stair = stairOf(withStair({}, same));
    const { riserMm, goingMm } = stair.storeys[0]!.steps!;
    // From a nosing line up to the next storey's underside: one storey, less a riser, the finish and the waist upright.
    const waist = 150 * Math.hypot(1, riserMm / goingMm);
    const underFlight = 3300 - riserMm - 30 - waist;
    // At the half landing's edge the next flight's first nosing is a riser over it, and the landing above comes up to there.
    const underLanding = 3300 - riserMm - 30 - 180;
    expect(underLanding).toBeLessThan(underFlight);
    expect(stair.storeys[0]!.headroom!.mm).toBeCloseTo(underLanding, 3);
    expect(stair.storeys[0]!.headroom!.under).toBe('the landing above');
    // The last storey has nothing above.
    expect(stair.storeys.at(-1)!.headroom).toBeNull();
  });

  it('is that of a nosing at a landing’s edge where a slab only comes up to it', () => {
    // The well is all open, so each slab ends where the first flight begins: a riser under it stands the first nosing.
    const wide = given([
      ['buildings.add', { name: 'Wide' }],
      ['levels.setUp', { above: '3.8m 3.3m 3.3m' }],
      ['floors.add', { name: 'P', thicknessMm: 250, outline: well(40000, 40000, '-20000,-20000') }],
    ]);
    const [, second] = stairOf(withStair({ well: well(4000, 5200, '0,0'), widthMm: 1100 }, wide)).storeys;
    const [level01, level02] = [3300, second!.steps!.riserMm];
    expect(second!.headroom!.mm).toBeCloseTo(level01 - 100 - 250 - level02, 3);
    expect(second!.headroom!.under).toBe('the slab of level 02');
  });

  it('under a slab that is not opened is a finding, and goes when it is', () => {
    // Another plate over the stair, at a level it starts from: it passes no end there, so nothing cuts it.
    const low = given(
      [
        ['levels.insert', { level: '00', side: 'above', heightMm: 1800, mode: 'only', name: 'M' }],
        ['levels.change', { level: 'M', levelKind: 'mezzanine' }],
        ['floors.add', { name: 'Shelf', outline: well(9000, 3000, '5000,500'), levels: { at: ['M'] } }],
      ],
      withStair(),
    );
    const [found] = solve(low).findings.filter(({ rule }) => rule === 'stair.headroom');
    expect(found!.message).toMatch(/under the slab of level M/);
    const away = after('floors.change', { floor: 'Shelf', outline: well(1000, 900, '0,8000') }, low);
    expect(rules(away)).not.toContain('stair.headroom');
  });

  it('is kept exactly by the tight opening, which is smaller than the well', () => {
    for (const turn of ['left', 'right']) {
      for (const entry of [0, 2]) {
        const made = withStair({ opening: 'tight', turn, entry });
        const solved = solve(made);
        const [, wide] = [solved, solve(withStair({ turn, entry }))];
        for (const [i, cut] of solved.stairs[0]!.cuts.entries()) {
          expect(ringArea(cut.ring)).toBeLessThan(ringArea(wide.stairs[0]!.cuts[i]!.ring));
        }
        expect(rules(made)).not.toContain('stair.headroom');
        const [first] = solved.stairs[0]!.storeys;
        expect(first!.headroom!.under).toBe('the slab of level 01');
        // Whole millimetres of opening: within one going's worth of rise of what is asked for.
        expect(first!.headroom!.mm).toBeGreaterThanOrEqual(2032);
        expect(first!.headroom!.mm).toBeLessThan(2033);
      }
    }
  });
});

describe('a storey that cannot be climbed', () => {
  const tall = after('levels.setHeight', { level: '01', heightMm: 7000, mode: 'push' }, withStair());

  it('is a finding with the least change, and each change offered makes it go', () => {
    const [found] = solve(tall).findings.filter(({ rule }) => rule === 'stair.unsolved');
    expect(found!.message).toMatch(/cannot climb 7000 mm from level 01 .* Least change: make /);
    expect(found!.fixes.map(({ command }) => command).sort()).toEqual(['levels.setHeight', 'stairs.lengthenWell']);
    for (const { command, input } of found!.fixes) {
      expect(rules(after(command, input, tall))).not.toContain('stair.unsolved');
    }
    const longer = found!.fixes.find(({ command }) => command === 'stairs.lengthenWell')!.input as { byMm: number };
    const almost = after('stairs.lengthenWell', { stair: 'ST1', byMm: longer.byMm - 1 }, tall);
    expect(rules(almost)).toContain('stair.unsolved');
  });

  it('still has its hole, and the storeys above it are solved', () => {
    const stair = stairOf(tall);
    expect(stair.storeys.map(({ steps }) => steps !== null)).toEqual([true, false, true]);
    expect(stair.cuts).toHaveLength(3);
  });

  it('in every direction of entry its well grows away from there', () => {
    for (const entry of [0, 1, 2, 3]) {
      const made = withStair({ well: well(5200, 5200), widthMm: 1200, entry });
      const before = stairOf(made).storeys[0]!.flights[0]!.from;
      const grown = stairOf(after('stairs.lengthenWell', { stair: 'ST1', byMm: 777 }, made));
      expect(grown.storeys[0]!.flights[0]!.from).toEqual(before);
      expect(ringArea(grown.ring)).toBeCloseTo(5200 * 5977, 3);
    }
  });
});

describe('checks', () => {
  it('name storeys no stair reaches, once there is a stair, and only those', () => {
    expect(rules(house)).not.toContain('storey.noStair');
    const short = withStair({ stopsAt: { level: '01' } });
    const found = solve(short).findings.filter(({ rule }) => rule === 'storey.noStair');
    expect(found.map(({ message }) => message)).toEqual(['No stair reaches level 02. Carry a stair to it']);
    expect(rules(after('stairs.change', { stair: 'ST1', stopsAt: { level: '02' } }, short))).toEqual([]);
  });
  it('name a foot or head that meets no slab', () => {
    const outside = withStair({ well: well(2500, 5200, '6500,-300') });
    expect(rules(outside)).toEqual(['stair.offSlab', 'stair.offSlab']);
    expect(
      rules(after('elements.move', { ids: [recordsOf(outside, 'stair')[0]!.id], xMm: 0, yMm: 800 }, outside)),
    ).toEqual([]);
  });
  it('refuse a well that is no rectangle or too narrow for its flights', () => {
    const bent = {
      type: 'polygon' as const,
      points: [0, 1, 2].map((i) => ({ xMm: i * 1000, yMm: i === 1 ? 3000 : 0 })),
    };
    expect(refusal(house, 'stairs.add', { well: bent })).toMatch(/four square corners/);
    expect(refusal(withStair(), 'stairs.add', { name: 'ST1', well: well(2500, 5200) })).toMatch(/already/);
    expect(rules(withStair({ widthMm: 1300 }))).toContain('stair.well');
  });
});

it('a stair in a turned well is the same stair, turned', () => {
  // A plate that the well lies within however it is turned.
  const wide = after('floors.change', { floor: 'Plate', outline: well(60000, 60000, '-30000,-30000') }, house);
  fc.assert(
    fc.property(fc.integer({ min: -180, max: 180 }), fc.constantFrom(0, 1, 2, 3), (turnDeg, entry) => {
      const straight = stairOf(withStair({ well: well(4000, 5200), widthMm: 1100, entry }, wide));
      const turned = stairOf(withStair({ well: { ...well(4000, 5200), turnDeg }, widthMm: 1100, entry }, wide));
      expect(turned.storeys.map(({ steps }) => steps)).toEqual(straight.storeys.map(({ steps }) => steps));
      turned.storeys.forEach(({ headroom, landings }, i) => {
        expect(headroom?.mm ?? 0).toBeCloseTo(straight.storeys[i]!.headroom?.mm ?? 0, 2);
        expect(ringArea(landings[0]!.ring)).toBeCloseTo(ringArea(straight.storeys[i]!.landings[0]!.ring), 0);
      });
    }),
    { numRuns: 20 },
  );
});

it('a level removed under a stair keeps it climbing from floor to floor', () => {
  const gone = after('levels.remove', { level: '01', ends: 'keepHeight' }, withStair({ startsAt: { level: '01' } }));
  expect(recordsOf(gone, 'stair')[0]!.startsAt).toEqual({ level: levelId(gone, '02'), face: 'FFL', offsetMm: 0 });
});

it('a new stair is measured against the project’s rule set where it names none', () => {
  expect(recordsOf(withStair(), 'stair')[0]!.rules).toBe('public');
  const general = after('project.describe', { rules: 'general' }, house);
  expect(recordsOf(withStair({}, general), 'stair')[0]!.rules).toBe('general');
  expect(recordsOf(withStair({ rules: 'private' }, general), 'stair')[0]!.rules).toBe('private');
});

describe('the report of stairs', () => {
  it('says form, storey, pace, pitch and width, and a verdict per storey', () => {
    const framework = given([
      ['buildings.add', { name: 'House' }],
      ['levels.setUp', { above: '3.3m 9m 3.3m', below: '' }],
      ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 12_000, depthMm: 9000 } }],
      [
        'stairs.add',
        { well: { type: 'rectangle', place: '2000,2000', widthMm: 2500, depthMm: 5200 }, rules: 'public' },
      ],
    ]);
    const [first, high] = reportOf(framework, solve(framework)).stairs;
    expect(first).toMatchObject({
      form: 'halfLanding',
      from: '00',
      to: '01',
      heightMm: 3300,
      risers: 19,
      flights: [10, 9],
      goingMm: 283,
      paceMm: 630.368421,
      pitchDeg: 31.538486,
      verdict: 'ok',
    });
    expect(first!.widthMm).toBeGreaterThan(1000);
    expect(high).toMatchObject({ from: '01', to: '02', risers: null, paceMm: null });
    expect(high!.verdict).toEqual([expect.stringMatching(/no count of step risers climbs it.*model building code/)]);
  });
});

it('floor zones at its foot and head are known to it: the storey is that much higher', () => {
  const zoned = given(
    [['floors.setZone', { floor: 'Plate', outline: well(2500, 1000, '6500,0'), levels: ['01'], shiftMm: -120 }]],
    withStair(),
  );
  const [before, after_] = [stairOf(withStair()), stairOf(zoned)];
  // One comes off the first storey 120 lower, and steps on to the next as much lower.
  expect(after_.storeys.map(({ heightMm }, i) => heightMm - before.storeys[i]!.heightMm)).toEqual([-120, 120, 0]);
  expect(after_.storeys[1]!.bottomMm).toBe(3300 - 120);
  for (const { steps, heightMm } of after_.storeys) expect(steps!.riserMm * steps!.count).toBeCloseTo(heightMm, 3);
});

it('a level that moves says in the history what becomes of stairs', () => {
  const planned = step(withStair(), 'levels.setHeight', { level: '00', heightMm: 3450, mode: 'push' });
  // 3300 / 19 = 173.7; 3450 / 20 = 172.5.
  expect(planned.sentence).toBe('Storey 00 made 3450 mm high; stair ST1, 00 to 01: 19 → 20 risers of 172.5 mm');
  const only = step(withStair(), 'levels.setElevation', { level: '01', fflMm: 12_000, mode: 'push' });
  expect(only.sentence).toMatch(/stair ST1, 00 to 01: cannot be climbed any more/);
  expect(step(house, 'levels.setHeight', { level: '00', heightMm: 3450, mode: 'push' }).sentence).toBe(
    'Storey 00 made 3450 mm high',
  );
});
