import fc from 'fast-check';
import { afterFrom, given, refusal, step } from '../testing/given';
import type { Step } from '../commands/command-inputs';
import { frameworkHash, recordsOf, type Framework } from '../model/framework';
import { RAMP_RULE_SETS } from '../ramps/ramp-rules';
import { reportOf } from '../report/report';
import { solve } from '../solving/solve';
import { RULE_SETS } from '../stairs/rule-sets';
import { LIMITS, LIMIT_NAMES } from './limits';
import { baseRules, ownRules } from './own-rules';
import { limitRefused } from './rule-set';
import { ruleChoices } from './rules-in';

const HOUSE: Step[] = [
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { building: 'House', above: '3@3m', below: '' }],
  ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 20_000, depthMm: 12_000 }, thicknessMm: 200 }],
];
const house = given(HOUSE);
const after = afterFrom(house);
const copied = after('ruleSets.copy', { name: 'Brief 4', from: 'general' });
const limited = (limit: string, value: number | string | null, framework = copied): Framework =>
  step(framework, 'ruleSets.setLimit', { ruleSet: 'Brief 4', limit, value, source: 'Letter of 3 May' }).after;
const withStair = (framework: Framework) =>
  step(framework, 'stairs.add', {
    name: 'ST1',
    rules: 'Brief 4',
    well: { type: 'rectangle', place: '2000,2000', widthMm: 2500, depthMm: 6000 },
  }).after;
const findings = (framework: Framework) => solve(framework).findings;
const storeysOf = (framework: Framework) => solve(framework).stairs[0]!.storeys;

describe('a rule set of the project', () => {
  it('is a copy that says the same until a limit of it is changed; the stairs measured against it are solved again', () => {
    const before = storeysOf(withStair(copied));
    const shipped = storeysOf(
      step(copied, 'stairs.add', {
        name: 'ST1',
        rules: 'general',
        well: { type: 'rectangle', place: '2000,2000', widthMm: 2500, depthMm: 6000 },
      }).after,
    );
    expect(before.map(({ steps }) => steps)).toEqual(shipped.map(({ steps }) => steps));
    expect(before[0]!.steps!.count).toBe(18);
    // 3000 in risers of at most 160: 19, of 157.9.
    const steeper = step(withStair(copied), 'ruleSets.setLimit', {
      ruleSet: 'Brief 4',
      limit: 'stairs.riser.most',
      value: 160,
      source: 'Letter of 3 May',
    });
    expect(storeysOf(steeper.after)[0]!.steps!.count).toBe(19);
    expect(steeper.sentence).toBe('Rule set Brief 4, step riser, most: 160 mm (Letter of 3 May)');
    const back = step(steeper.after, 'ruleSets.resetLimit', { ruleSet: 'Brief 4', limit: 'stairs.riser.most' });
    expect(storeysOf(back.after)[0]!.steps!.count).toBe(18);
  });

  it('gives the source of each limit it changes with the verdict, and that of the copied set with all others', () => {
    const stair = withStair(limited('stairs.headroom', 2300));
    const asked = step(stair, 'stairs.change', { stair: 'ST1', risers: 20, goingMm: 240 }).after;
    const [row] = reportOf(asked, solve(asked)).stairs;
    expect(row!.verdict).toContain('going 240 under 250 (Public guidance on stairs: general access)');
    const own = limited('stairs.going.least', 260, asked);
    expect(reportOf(own, solve(own)).stairs[0]!.verdict).toContain('going 240 under 260 (Letter of 3 May)');
    expect(solve(own).stairs[0]!.measuredBy).toEqual({
      title: 'Brief 4',
      source: 'Public guidance on stairs: general access',
      headroomMm: 2300,
      headroomSource: 'Letter of 3 May',
    });
  });

  it('measures guards, ramps and sloped floors too', () => {
    const guarded = step(limited('guards.edge', 1300), 'guards.add', {
      rules: 'Brief 4',
      heightMm: 1200,
      along: { of: 'edges', levels: { at: ['01'] } },
    }).after;
    const low = findings(guarded).find(({ rule }) => rule === 'guard.low');
    expect(low!.message).toMatch(/1200 mm high; Letter of 3 May asks for 1300 mm/);
    expect(low!.fixes[0]!.input).toMatchObject({ heightMm: 1300 });
    const ramped = step(limited('ramps.slope.1', 20), 'ramps.add', {
      name: 'R1',
      rules: 'Brief 4',
      place: '0,-9000',
      startsAt: { level: '00' },
      stopsAt: { level: '00', offsetMm: 300 },
    }).after;
    expect(reportOf(ramped, solve(ramped)).ramps[0]).toMatchObject({ slopeRatio: 20, runMm: 6000, verdict: 'ok' });
    const sloped = step(limited('ramps.slope.1', 30), 'slopedFloors.add', {
      rules: 'Brief 4',
      baseAt: { level: '00' },
      place: '0,-20000',
      corners: [
        { xMm: 0, yMm: 0, heightMm: 0 },
        { xMm: 2000, yMm: 0, heightMm: 0 },
        { xMm: 2000, yMm: 5000, heightMm: 250 },
        { xMm: 0, yMm: 5000, heightMm: 250 },
      ],
    }).after;
    expect(findings(sloped).map(({ message }) => message)).toContainEqual(
      expect.stringMatching(/1:20.*asks for 1:30.*\(Letter of 3 May\)/),
    );
  });

  it('is the project’s where it is chosen there, by name in commands and by id in what is kept', () => {
    const own = step(copied, 'project.describe', { rules: 'Brief 4' }).after;
    const id = recordsOf(own, 'ruleSet')[0]!.id;
    expect(recordsOf(own, 'project')[0]!.details!.rules).toBe(id);
    const made = step(own, 'stairs.add', {
      name: 'ST2',
      well: { type: 'rectangle', place: '2000,2000', widthMm: 2500, depthMm: 6000 },
    }).after;
    expect(recordsOf(made, 'stair')[0]!.rules).toBe(id);
    expect(ruleChoices(made).at(-1)).toEqual([id, 'Brief 4']);
    expect(refusal(made, 'ruleSets.remove', { ruleSet: 'Brief 4' })).toMatch(/Brief 4|stair ST2|project/);
    expect(recordsOf(made, 'ruleSet')).toHaveLength(1);
    const free = step(made, 'stairs.change', { stair: 'ST2', rules: 'general' }).after;
    const none = step(step(free, 'project.describe', { rules: null }).after, 'ruleSets.remove', { ruleSet: 'Brief 4' });
    expect(recordsOf(none.after, 'ruleSet')).toEqual([]);
  });

  it('refuses in words what cannot be, and changes nothing', () => {
    const hash = frameworkHash(copied);
    const set = (input: object) => refusal(copied, 'ruleSets.setLimit', { ruleSet: 'Brief 4', source: 'X', ...input });
    expect(set({ limit: 'stairs.riser.least', value: 180 })).toMatch(/least step riser of 180 is over the most of 170/);
    expect(set({ limit: 'stairs.headroom', value: null })).toMatch(/has to have a value/);
    expect(set({ limit: 'stairs.headroom', value: 20 })).toMatch(/from 1000 to 5000 mm; it is 20/);
    expect(set({ limit: 'stairs.risers.most', value: 12.5 })).toMatch(/from 2 to 100 risers/);
    expect(set({ limit: 'stairs.risers.most', value: '12' })).toMatch(/is a number/);
    expect(set({ limit: 'ramps.slope.3', value: 12 })).toMatch(/has no/);
    expect(set({ limit: 'stairs.height', value: 12 })).toMatch(/limit/i);
    expect(
      refusal(copied, 'ruleSets.setLimit', { ruleSet: 'general', limit: 'stairs.headroom', value: 2100, source: 'X' }),
    ).toMatch(/stay as they are. Copy it/);
    expect(refusal(copied, 'ruleSets.copy', { name: 'Brief 4' })).toMatch(/already/);
    expect(refusal(copied, 'stairs.add', { rules: 'Brief 5', begin: { place: '0,0' } })).toMatch(
      /no rule set named Brief 5/,
    );
    expect(frameworkHash(copied)).toBe(hash);
  });

  it('takes lengths as they are typed, and another table for ramps', () => {
    const typed = limited('stairs.headroom', `6'-8"`);
    expect(recordsOf(typed, 'ruleSet')[0]!.limits[0]!.value).toBeCloseTo(2032, 6);
    const slid = step(copied, 'ruleSets.change', { ruleSet: 'Brief 4', ramps: 'sliding' }).after;
    const third = limited('ramps.slope.3', 25, slid);
    expect(ownRules(recordsOf(third, 'ruleSet')[0]!).ramps.steepest[2]!.runPerRise).toBe(25);
    const again = step(third, 'ruleSets.change', { ruleSet: 'Brief 4', ramps: 'public' }).after;
    expect(recordsOf(again, 'ruleSet')[0]!.limits).toEqual([]);
  });

  it('every limit is read as it was written, and no other with it', () => {
    const some = fc.record({
      base: fc.constantFrom(...RULE_SETS),
      rampBase: fc.constantFrom(...RAMP_RULE_SETS),
      limit: fc.constantFrom(...LIMIT_NAMES),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(some, ({ base, rampBase, limit, share }) => {
        const rules = baseRules({ base, rampBase });
        const { read, write, least, most, mayBeNone } = LIMITS[limit]!;
        if (read(rules) === undefined) return;
        const value = share < 0.1 && mayBeNone ? null : Math.round(least + share * (most - least));
        const written = write(rules, limitRefused(limit, value) ? (value === null ? null : Math.ceil(least)) : value);
        for (const name of LIMIT_NAMES.filter((each) => each !== limit))
          expect([name, LIMITS[name]!.read(written)]).toEqual([name, LIMITS[name]!.read(rules)]);
        expect(LIMITS[limit]!.read(write(rules, LIMITS[limit]!.read(written)!))).toBe(LIMITS[limit]!.read(written));
      }),
      { numRuns: 300 },
    );
  });
});
