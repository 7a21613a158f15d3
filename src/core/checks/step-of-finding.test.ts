import { given, SMALL_TOWER } from '../testing/given';
import { recordsOf } from '../model/framework';
import { kindOf } from '../kinds/registry';
import { facet } from '../kinds/kind';
import { STEPS } from '../kinds/steps';
import { finding } from './finding';
import { CHECKED, EVERY_RULE } from './every-rule';
import type { Rule } from './rules';
import { stepOfFinding } from './step-of-finding';

const house = given([
  ...SMALL_TOWER,
  ['shafts.add', { name: 'S1', outline: { type: 'rectangle', place: 'A-1', widthMm: 2400, depthMm: 3000 } }],
  [
    'ceilings.add',
    { name: 'CE1', outline: { type: 'circle', place: 'B-2', diameterMm: 3000 }, levels: { at: ['01'] } },
  ],
]);
const idOf = (kind: 'shaft' | 'ceiling' | 'level') => recordsOf(house, kind)[0]!.id;
const stepOf = (rule: Rule, ...about: string[]) => stepOfFinding(house, { rule, about });

it('a finding counts to the step of its rule, else to that of the thing it is about', () => {
  expect(stepOf('room.open', idOf('shaft'))).toBe('walls');
  expect(stepOf('ceiling.low')).toBe('walls');
  expect(stepOf('level.noFoundation', idOf('level'))).toBe('floors');
  expect(stepOf('outline.unsound', idOf('shaft'))).toBe('shafts');
  expect(stepOf('solve.failed', 'gone', idOf('ceiling'))).toBe('walls');
  expect(stepOf('span.upsideDown', idOf('level'))).toBe('levels');
  expect(stepOf('solve.failed', 'gone')).toBeNull();
});

it('every rule says how bad it is, what it looks at and where it counts; only what may be about anything has no step', () => {
  const rules = [...EVERY_RULE];
  expect(rules.filter(([, { step }]) => step === null).map(([rule]) => rule)).toEqual([
    'space.shared',
    'outline.unsound',
    'span.upsideDown',
    'solve.failed',
  ]);
  expect(new Set(rules.flatMap(([, { step }]) => (step ? [step] : [])))).toEqual(new Set(STEPS));
  expect(CHECKED).toEqual(expect.arrayContaining(['roofs', 'ceilings', 'foundations', 'rooms']));
  expect(new Set(CHECKED).size).toBe(CHECKED.length);
});

it('is as bad as its rule says, unless it says so itself', () => {
  expect(finding('column.outsideSlab', 'b', null, ['c'], '').severity).toBe('warning');
  expect(finding('column.outsideSlab', 'b', null, ['c'], '', [], 'error').severity).toBe('error');
});

it('every kind that stands in plan is made at a step', () => {
  for (const record of house.records.values())
    if (facet(kindOf(record).inPlan)) expect([record.kind, facet(kindOf(record).step)]).not.toContain(null);
});
