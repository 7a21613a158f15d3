import type { Step } from '../commands/command-inputs';
import { recordsOf, type Framework } from '../model/framework';
import { reportOf } from '../report/report';
import { solve } from '../solving/solve';
import { given, levelId, refusal, step } from '../testing/given';

/** A shaft of 2 × 2.4 m in walls 200 thick, through three storeys of 3 m and the roof over them. */
const HOUSE: Step[] = [
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3@3m', below: '' }],
  ['floors.add', { outline: { type: 'rectangle', place: '0,0', widthMm: 12_000, depthMm: 9000 }, thicknessMm: 200 }],
  [
    'shafts.add',
    {
      name: 'L1',
      purpose: 'lift',
      outline: { type: 'rectangle', place: '3000,3000', widthMm: 2000, depthMm: 2400 },
      startsAt: { level: '00', face: 'FFL', offsetMm: -1500 },
      stopsAt: { level: '02', face: 'FFL', offsetMm: 3800 },
      opensHead: true,
    },
  ],
];
const WALLS: Step[] = [
  ['walls.defineType', { name: 'K', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] }],
  [
    'walls.add',
    {
      name: 'K1',
      use: 'core',
      type: 'K',
      on: 'inside',
      outside: 'right',
      closed: true,
      points: [
        { xMm: 3000, yMm: 3000 },
        { xMm: 5000, yMm: 3000 },
        { xMm: 5000, yMm: 5400 },
        { xMm: 3000, yMm: 5400 },
      ],
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
];
const shell = given(HOUSE);
const lift = (framework: Framework, more: object = {}) =>
  step(framework, 'shafts.setLift', { shaft: 'L1', lift: { pitMm: 1500, overrunMm: 3800, ...more } }).after;
const found = (framework: Framework) => solve(framework).findings.filter(({ rule }) => rule.startsWith('lift.'));
const rules = (framework: Framework) => found(framework).map(({ rule }) => rule);
/** Presses the first fix of the first finding of a rule. */
const mended = (framework: Framework, rule: string): Framework => {
  const { command, input } = found(framework).find((each) => each.rule === rule)!.fixes[0]!;
  return step(framework, command, input).after;
};

describe('a lift', () => {
  it('is nothing until it is said, stops at every storey where its doors have room, and is told', () => {
    expect(rules(shell)).toEqual([]);
    const house = lift(shell);
    expect(rules(house)).toEqual([]);
    const [row] = reportOf(house, solve(house)).shafts;
    expect(row!.lift).toEqual({
      stops: ['00', '01', '02'],
      doorWidthMm: 900,
      doorHeightMm: 2100,
      pitMm: 1500,
      overrunMm: 3800,
      carWidthMm: 1100,
      carDepthMm: 1400,
      persons: 8,
    });
    const some = lift(shell, { stops: ['00', '02'] });
    expect(reportOf(some, solve(some)).shafts[0]!.lift!.stops).toEqual(['00', '02']);
    // A level that goes is no stop any more.
    const gone = step(some, 'levels.remove', { level: '02' }).after;
    expect(recordsOf(gone, 'shaft')[0]!.lift!.stops).toEqual([levelId(some, '00')]);
    expect(recordsOf(step(house, 'shafts.setLift', { shaft: 'L1', lift: null }).after, 'shaft')[0]!.lift).toBeNull();
  });

  it('needs its pit and its overrun: a millimetre less is found, and the fix gives it', () => {
    const deep = lift(shell, { pitMm: 1501 });
    expect(found(deep)[0]!.message).toBe(
      'The shaft of lift L1 reaches 1500 mm under its lowest stop, level 00; its pit is 1501 mm deep. Let the shaft begin lower',
    );
    expect(rules(mended(deep, 'lift.pit'))).toEqual([]);
    const high = lift(shell, { overrunMm: 3801 });
    expect(rules(high)).toEqual(['lift.overrun']);
    expect(rules(mended(high, 'lift.overrun'))).toEqual([]);
    // The pit goes with the lowest stop.
    expect(rules(lift(shell, { pitMm: 4500, stops: ['01', '02'] }))).toEqual([]);
  });

  it('needs a floor at every stop', () => {
    const left = step(lift(shell), 'floors.except', {
      floor: recordsOf(shell, 'floorPlate')[0]!.name,
      level: '01',
      leftOut: true,
    }).after;
    expect(rules(left)).toEqual(['lift.noSlab']);
    expect(rules(mended(left, 'lift.noSlab'))).toEqual([]);
  });

  it('needs an opening for its doors in the walls of its shaft, at every stop', () => {
    const walled = given(WALLS, lift(shell));
    expect(rules(walled)).toEqual(['lift.noDoor', 'lift.noDoor', 'lift.noDoor']);
    const first = mended(walled, 'lift.noDoor');
    expect(rules(first)).toHaveLength(2);
    // The others get theirs over it.
    const all = mended(mended(first, 'lift.noDoor'), 'lift.noDoor');
    expect(rules(all)).toEqual([]);
    const openings = recordsOf(all, 'wall').flatMap((wall) => wall.openings);
    expect(new Set(openings.map(({ alongMm }) => alongMm)).size).toBe(1);
    expect(rules(lift(all, { doorWidthMm: 1000 }))).toEqual(['lift.noDoor', 'lift.noDoor', 'lift.noDoor']);
    expect(rules(lift(all, { stops: ['00', '02'] }))).toEqual([]);
  });

  it('is of lift shafts only, and within bounds', () => {
    const wet = step(shell, 'shafts.change', { shaft: 'L1', purpose: 'wet' }).after;
    expect(refusal(wet, 'shafts.setLift', { shaft: 'L1', lift: {} })).toMatch(/is for wet. Make it a lift shaft first/);
    expect(refusal(shell, 'shafts.setLift', { shaft: 'L1', lift: { pitMm: 20_000 } })).toMatch(/at most 10000/);
    expect(solve(step(lift(shell), 'shafts.change', { shaft: 'L1', purpose: 'wet' }).after).shafts[0]!.lift).toBeNull();
  });
});
