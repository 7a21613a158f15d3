import fc from 'fast-check';
import { ringArea } from '../geometry/polygon';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given, refusal } from '../testing/given';
import { readSlope, slopeInFull, slopeWords } from './slope-words';

const after = afterFrom();
/** Two storeys of 3.6 m with wide slabs of 250. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3.6m' }],
  [
    'floors.add',
    {
      name: 'Plate',
      outline: { type: 'rectangle', place: '-40000,-40000', widthMm: 80_000, depthMm: 80_000 },
      thicknessMm: 250,
    },
  ],
]);
const onGround = (toMm: number) => ({
  startsAt: { level: '00' },
  stopsAt: { level: '00', offsetMm: toMm },
});
const ramps = (framework: Framework) => assembliesOf(solve(framework).assemblies, 'ramp');
const row = (framework: Framework) => reportOf(framework, solve(framework)).ramps[0]!;

describe('a ramp on its way', () => {
  it.each([
    // Up 310 at 1:14, down 180 at 1:12, up 480 at 1:20: no landing in any.
    [310, 'general', { riseMm: 310, runMm: 4340, slopeRatio: 14, landings: 0 }],
    [-180, 'public', { riseMm: -180, runMm: 2160, slopeRatio: 12, landings: 0 }],
    [480, 'sliding', { riseMm: 480, runMm: 9600, slopeRatio: 20, landings: 0 }],
    // 3600 in 5 flights of 720 at 1:12 with 4 landings of 1525.
    [3600, 'public', { riseMm: 3600, runMm: 43_200 + 4 * 1525, slopeRatio: 12, landings: 4 }],
  ] as const)('%s, %s', (rise, rules, expected) => {
    expect(row(after('ramps.add', { place: '0,0', rules, ...onGround(rise) }, house))).toMatchObject({
      ...expected,
      verdict: 'ok',
    });
  });

  it('round 5 m from its middle, 3.6 m up in 12 segments: length and slopes by formula', () => {
    const made = after(
      'ramps.add',
      {
        place: '0,0',
        form: 'circular',
        radiusMm: 5000,
        widthMm: 3000,
        segments: 12,
        kerbMm: 0,
        runMm: 5000 * Math.PI,
        startsAt: { level: '00' },
        stopsAt: { level: '01' },
      },
      house,
    );
    const { runMm, slopeRatio, innerRatio, outerRatio, verdict } = row(made);
    // Half a round of 5 m: 15.708 m, 4.363 per rise; inside 3.5 / 5 of that, outside 6.5 / 5.
    expect(runMm).toBeCloseTo(15_707.963, 2);
    expect(slopeRatio).toBeCloseTo(15_707.963 / 3600, 5);
    expect(innerRatio).toBeCloseTo((15_707.963 / 3600) * 0.7, 5);
    expect(outerRatio).toBeCloseTo((15_707.963 / 3600) * 1.3, 5);
    expect(verdict).not.toBe('ok');
    const [ramp] = ramps(made);
    const slants = ramp!.parts.flatMap((part) => part.slants);
    expect(slants).toHaveLength(24);
    // Twelve chords of 15° across the ring between 3.5 and 6.5 m: sin 15° / 2 of its two squares' difference.
    const ring = (12 * Math.sin(Math.PI / 12) * (6500 ** 2 - 3500 ** 2)) / 2;
    expect(slants.reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / (ring * 200)).toBeCloseTo(1, 6);
  });

  it('goes through three places: where it begins, its radius, its turn and its length', () => {
    const made = after('ramps.add', { through: ['5000,0', '0,5000', '-5000,0'], ...onGround(400), kerbMm: 0 }, house);
    const { place, towardsDeg, turn, radiusMm, runMm } = recordsOf(made, 'ramp')[0]!;
    expect([place.xMm, place.yMm, turn, radiusMm]).toEqual([5000, 0, 'left', 5000]);
    expect(towardsDeg).toBeCloseTo(90, 9);
    expect(runMm).toBeCloseTo(5000 * Math.PI, 2);
    expect(ramps(made)[0]!.info.head.at.x).toBeCloseTo(-5000, 1);
    const line = refusal(house, 'ramps.add', { through: ['0,0', '1000,0', '2000,0'], ...onGround(400) });
    expect(line).toMatch(/lie on one line/);
  });

  it('of any form is one piece after the other, from the height it starts at to the one it stops at', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('straight' as const, 'quarter' as const, 'switchback' as const, 'circular' as const),
        fc.integer({ min: 60, max: 3400 }),
        fc.boolean(),
        fc.constantFrom('public' as const, 'general' as const, 'sliding' as const),
        fc.integer({ min: -180, max: 180 }),
        fc.constantFrom('left' as const, 'right' as const),
        (form, height, isDown, rules, towardsDeg, turn) => {
          const rise = isDown ? -height : height;
          const made = after('ramps.add', { place: '0,0', form, rules, towardsDeg, turn, ...onGround(rise) }, house);
          const ramp = ramps(made)[0]!;
          const { walk, rings, runMm, verdict } = ramp.info;
          expect(verdict).toBe('ok');
          expect(walk[0]!.mm).toBe(0);
          expect(walk.at(-1)!.mm).toBeCloseTo(rise, 3);
          // Straight ones cover their length once; landings where one turns are deeper.
          const area = rings.reduce((sum, { ring }) => sum + ringArea(ring), 0);
          if (form === 'straight') expect(area / 1500).toBeCloseTo(runMm, 0);
          // Flights rise evenly: nowhere steeper than what is said, as long as one walks on a flight.
          const steepest = Math.min(
            ...walk.slice(1).flatMap((to, i) => {
              const from = walk[i]!;
              const run = Math.sqrt((to.x - from.x) ** 2 + (to.y - from.y) ** 2);
              return Math.abs(to.mm - from.mm) < 1e-6 ? [] : [run / Math.abs(to.mm - from.mm)];
            }),
          );
          expect(steepest).toBeGreaterThan(ramp.info.slopeRatio * 0.97);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('opens the slab it comes up through where that would be too low, and no further', () => {
    const made = after(
      'ramps.add',
      { place: '-30000,0', form: 'straight', kerbMm: 0, startsAt: { level: '00' }, stopsAt: { level: '01' } },
      house,
    );
    const solved = solve(made);
    const [ramp] = assembliesOf(solved.assemblies, 'ramp');
    const level = solved.levels.find(({ name }) => name === '01')!;
    const hole =
      80_000 * 80_000 - solved.profiles[solved.floors.find((each) => each.level === level.id)!.profile]!.areaMm2;
    // The soffit lies 3600 − 100 − 250 = 3250 over the floor: from 1218 up there are less than 2032 to it. The rest of the
    // way: 5 flights of 720 in 8640 each and 4 landings of 1525, so 1218 is 498 up the second: 8640 + 1525 + 5976.
    const way = ramp!.info.runMm - (8640 + 1525 + 5976);
    expect(hole / 1500).toBeCloseTo(way, -1);
  });

  it('that is steeper than it may be is found, and longer as its fix; one that climbs nothing too', () => {
    const steep = after('ramps.add', { place: '0,0', runMm: 3000, ...onGround(310) }, house);
    const [found] = solve(steep).findings.filter(({ rule }) => rule === 'ramp.limits');
    expect(found!.message).toMatch(/slope 1:9.7 steeper than 1:12 \(International/);
    const { command, input } = found!.fixes[0]!;
    const mended = after(command, input as never, steep);
    expect(solve(mended).findings.map(({ rule }) => rule)).not.toContain('ramp.limits');
    expect(row(mended).runMm).toBe(3720);
    const level = after('ramps.add', { place: '0,0', ...onGround(0) }, house);
    const [none] = solve(level).findings.filter(({ rule }) => rule === 'ramp.level');
    expect(recordsOf(after(none!.fixes[0]!.command, none!.fixes[0]!.input as never, level), 'ramp')).toHaveLength(0);
  });

  it('follows its levels', () => {
    const made = after('ramps.add', { place: '0,0', startsAt: { level: '00' }, stopsAt: { level: '01' } }, house);
    const higher = after('levels.setHeight', { level: '00', heightMm: 4000, mode: 'push' }, made);
    expect([row(made).riseMm, row(higher).riseMm, row(higher).landings]).toEqual([3600, 4000, 5]);
  });
});

describe('a slope in words', () => {
  it('is one thing as ratio, percent and degrees, read and written', () => {
    expect(slopeInFull(12)).toBe('1:12 (8.3 %, 4.8°)');
    expect(slopeWords(20, 'percent')).toBe('5 %');
    expect(['1:12', '1/12', '12', '5%', '5 %', '45°', '45 deg'].map(readSlope)).toEqual([12, 12, 12, 20, 20, 1, 1]);
    expect(['', 'steep', '0', '0%', '-5%'].map(readSlope)).toEqual([null, null, null, null, null]);
  });
});

describe('a ramp across to another building', () => {
  const two = given([
    ['buildings.add', { name: 'House' }],
    ['levels.setUp', { building: 'House', above: '3.6m 3.6m' }],
    ['buildings.add', { name: 'Annex', zeroMm: 450 }],
    ['levels.setUp', { building: 'Annex', above: '3.3m 3.3m' }],
  ]);
  const across = after(
    'ramps.add',
    {
      building: 'House',
      name: 'RA1',
      place: '0,0',
      rules: 'public',
      startsAt: { level: '01' },
      stopsAt: { level: '01', building: 'Annex' },
    },
    two,
  );

  it('rises by the step between their tie levels, and does so anew when either building or level moves', () => {
    const own = recordsOf(across, 'ramp')[0]!.building;
    // 3300 + 450 over 3600.
    expect(row(across)).toMatchObject({ riseMm: 150, runMm: 1800, slopeRatio: 12 });
    expect(row(after('buildings.change', { building: 'Annex', zeroMm: 600 }, across)).riseMm).toBe(300);
    expect(
      row(
        after(
          'levels.setHeight',
          {
            level: recordsOf(across, 'level').find(({ name, building }) => name === '00' && building === own)!.id,
            heightMm: 3500,
            mode: 'only',
          },
          across,
        ),
      ).riseMm,
    ).toBe(250);
  });

  it('starts in its own building, and keeps the level it leads to when it is copied', () => {
    const ends = { startsAt: { level: '01', building: 'Annex' }, stopsAt: { level: '01' } };
    expect(refusal(two, 'ramps.add', { building: 'House', place: '0,0', ...ends })).toMatch(/is of another building/);
    expect(refusal(two, 'walls.add', { building: 'House', place: '0,0', points: [], stopsAt: ends.startsAt })).not.toBe(
      '',
    );
    const [ramp] = recordsOf(across, 'ramp');
    const copied = after('elements.copy', { ids: [ramp!.id], by: [{ xMm: 5000, yMm: 0 }] }, across);
    const made = recordsOf(copied, 'ramp');
    expect(made).toHaveLength(2);
    expect(new Set(made.map(({ stopsAt }) => stopsAt.level)).size).toBe(1);
    // The level goes: it leads to the next one under it.
    const less = after('levels.remove', { level: ramp!.stopsAt.level, ends: 'keepHeight' }, across);
    expect(row(less).riseMm).toBe(150);
  });
});
