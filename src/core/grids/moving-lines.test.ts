import fc from 'fast-check';
import { dot, type Point } from '../geometry/point';
import { cosDeg, sinDeg } from '../geometry/trig';
import { plan } from '../commands/commands';
import type { Framework } from '../model/framework';
import { derivedCommandId } from '../model/ids';
import { given, step } from '../testing/given';
import { gridsOf } from './resolve-grids';

/** Where the lines of one direction lie across their way, by id, in the order they are counted; the other direction likewise. */
type Places = { a: [string, number][]; b: [string, number][] };

function placesOf(framework: Framework): Places {
  const [grid] = gridsOf(framework);
  const across: Record<'a' | 'b', Point> = {
    a: { x: cosDeg(grid!.turnDeg), y: sinDeg(grid!.turnDeg) },
    b: { x: -sinDeg(grid!.turnDeg), y: cosDeg(grid!.turnDeg) },
  };
  const told = (direction: 'a' | 'b'): [string, number][] =>
    grid![direction].map(({ id, ends }) => [id, dot(ends[0], across[direction])]);
  return { a: told('a'), b: told('b') };
}

/** What a person does to the lines of one direction, with numbers taken round where there are fewer lines. */
type Act =
  | { do: 'bay' | 'move'; line: number; mm: number; mode: 'push' | 'only' }
  | { do: 'split'; line: number; ratio: number }
  | { do: 'add'; mm: number; end: 'first' | 'last' }
  | { do: 'remove'; line: number };

const line = fc.nat(20);
const mode = fc.constantFrom<'push' | 'only'>('push', 'only');
const acts: fc.Arbitrary<{ direction: 'a' | 'b'; act: Act }[]> = fc.array(
  fc.record({
    direction: fc.constantFrom<'a' | 'b'>('a', 'b'),
    act: fc.oneof(
      fc.record({ do: fc.constant('bay' as const), line, mm: fc.integer({ min: 100, max: 12_000 }), mode }),
      fc.record({ do: fc.constant('move' as const), line, mm: fc.integer({ min: -9000, max: 9000 }), mode }),
      fc.record({ do: fc.constant('split' as const), line, ratio: fc.constantFrom(0.25, 0.5, 0.8) }),
      fc.record({
        do: fc.constant('add' as const),
        mm: fc.integer({ min: 100, max: 9000 }),
        end: fc.constantFrom<'first' | 'last'>('first', 'last'),
      }),
      fc.record({ do: fc.constant('remove' as const), line }),
    ),
  }),
  { minLength: 1, maxLength: 12 },
);

/** The places as they should be after an act; null: it should be refused. `way`: along the axis or against it. */
function expected(run: readonly [string, number][], act: Act, way: 1 | -1): (number | [string, number])[] | null {
  const at = (i: number): number => run[i]![1];
  if (act.do === 'add')
    return act.end === 'last' ? [...run, at(run.length - 1) + way * act.mm] : [at(0) - way * act.mm, ...run];
  const i = act.line % run.length;
  if (act.do === 'remove') return run.filter((_, k) => k !== i);
  if (act.do === 'split')
    return i === 0 ? null : [...run.slice(0, i), at(i - 1) + (at(i) - at(i - 1)) * act.ratio, ...run.slice(i)];
  if (act.do === 'bay' && i === 0) return null;
  const by = act.do === 'move' ? way * act.mm : way * act.mm - (at(i) - at(i - 1));
  const isPassing = (k: number) => k > 0 && way * (at(k) - at(k - 1) + (k === i ? by : -by)) <= 1e-6;
  if (isPassing(i) || (act.mode === 'only' && i + 1 < run.length && isPassing(i + 1))) return null;
  return run.map(([id, mm], k) => [id, k === i || (act.mode === 'push' && k > i) ? mm + by : mm]);
}

function tried(framework: Framework, direction: 'a' | 'b', act: Act, salt: number): Framework | null {
  const run = gridsOf(framework)[0]![direction];
  const of = 'line' in act ? { line: run[act.line % run.length]!.id } : {};
  const [command, input] = (() => {
    switch (act.do) {
      case 'bay':
        return ['grids.setBay', { ...of, bayMm: act.mm, mode: act.mode }] as const;
      case 'move':
        return ['grids.moveLine', { ...of, byMm: act.mm, mode: act.mode }] as const;
      case 'split':
        return ['grids.splitBay', { ...of, ratio: act.ratio }] as const;
      case 'add':
        return ['grids.addLine', { direction, bayMm: act.mm, end: act.end }] as const;
      case 'remove':
        return ['grids.removeLine', of] as const;
    }
  })();
  const planned = plan(framework, command, input, derivedCommandId(command, JSON.stringify(input), String(salt)));
  return planned.ok ? planned.value.after : null;
}

const near = ([id, mm]: readonly [unknown, number]) => [id, expect.closeTo(mm, 2)];

describe('lines of a rectangular grid', () => {
  it('lie after any acts where a person would have them: what is not meant stays where it is, turned and counted from any corner', () => {
    const done = { taken: 0, refused: 0 };
    fc.assert(
      fc.property(
        acts,
        fc.constantFrom(0, 6.1, -33, 90),
        fc.constantFrom<1 | -1>(1, -1),
        fc.constantFrom<1 | -1>(1, -1),
        (list, turnDeg, a, b) => {
          let framework = given([
            ['buildings.add', { name: 'Hall' }],
            ['levels.setUp', { above: '2@4m' }],
            [
              'grids.add',
              { baysA: '7200 3600 7200', baysB: '6600 7800', xMm: 4000, yMm: -7000, turnDeg, waysOf: { a, b } },
            ],
          ]);
          list.forEach(({ direction, act }, i) => {
            const before = placesOf(framework);
            if (act.do === 'remove' && before[direction].length < 2) return;
            const should = expected(before[direction], act, { a, b }[direction]);
            const after = tried(framework, direction, act, i);
            expect([act, after !== null]).toEqual([act, should !== null]);
            if (!after || !should) {
              done.refused += 1;
              return;
            }
            done.taken += 1;
            const now = placesOf(after);
            const other = direction === 'a' ? 'b' : 'a';
            expect(now[other]).toEqual(before[other].map(near));
            expect(now[direction]).toEqual(
              should.map((each) => near(typeof each === 'number' ? [expect.any(String), each] : each)),
            );
            framework = after;
          });
        },
      ),
      { numRuns: 150 },
    );
    expect([done.taken > 300, done.refused > 50]).toEqual([true, true]);
  });

  it('that are split between two of one side run on that side, as far; between others they run through', () => {
    const framework = given([
      ['buildings.add', { name: 'Hall' }],
      ['levels.setUp', { above: '2@4m' }],
      ['grids.add', { baysA: '3@6000', baysB: '2@8000' }],
    ]);
    const ids = gridsOf(framework)[0]!.a.map(({ id }) => id);
    const sided = step(framework, 'grids.changeLines', {
      lines: [ids[1]!, ids[2]!],
      side: 'near',
      reachMm: 5000,
    }).after;
    const split = [ids[2]!, ids[3]!].map((of) => {
      const after = step(sided, 'grids.splitBay', { line: of }).after;
      const added = gridsOf(after)[0]!.a.find(({ id }) => !ids.includes(id))!;
      return [added.record.side, added.record.reachMm, added.reach[1] - added.reach[0]];
    });
    const wide = gridsOf(sided)[0]!.a[3]!.reach;
    const narrow = gridsOf(sided)[0]!.a[1]!.reach;
    expect(split).toEqual([
      ['near', 5000, narrow[1] - narrow[0]],
      ['both', null, wide[1] - wide[0]],
    ]);
  });
});
