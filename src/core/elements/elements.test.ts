import fc from 'fast-check';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, step } from '../testing/given';

const tower = given(FURNISHED);
const turned = given([['grids.change', { turnDeg: 13.1, xMm: 4000 }]], tower);
const ids = (framework: Framework, kind: 'columnStack' | 'shaft' | 'gridSystem' | 'floorPlate' | 'building') =>
  recordsOf(framework, kind).map(({ id }) => id);
const places = (framework: Framework) => {
  const solved = solve(framework);
  return [
    ...solved.columns.filter(({ level }) => level === levelId(framework, '01')).map(({ at }) => at),
    ...solved.shafts.flatMap(({ ring }) => [...ring]),
  ];
};

describe('moving what is chosen', () => {
  it('moves it east and north by the building’s axes, also in a turned grid', () => {
    for (const framework of [tower, turned]) {
      const chosen = [...ids(framework, 'columnStack'), ...ids(framework, 'shaft')];
      const moved = step(framework, 'elements.move', { ids: chosen, xMm: '0.3m', yMm: `-1'` }).after;
      const before = places(framework);
      places(moved).forEach(({ x, y }, i) => {
        expect(x).toBeCloseTo(before[i]!.x + 300, 4);
        expect(y).toBeCloseTo(before[i]!.y - 304.8, 4);
      });
    }
  });

  it('there and back again is where it was, to a thousandth of a millimetre', () => {
    fc.assert(
      fc.property(fc.integer({ min: -64_000, max: 64_000 }), fc.integer({ min: -64_000, max: 64_000 }), (a, b) => {
        const chosen = ids(turned, 'columnStack').slice(0, 3);
        const there = step(turned, 'elements.move', { ids: chosen, xMm: a / 64, yMm: b / 64 }).after;
        const back = step(there, 'elements.move', { ids: chosen, xMm: -a / 64, yMm: -b / 64 }).after;
        const was = places(turned);
        places(back).forEach(({ x, y }, i) => expect(Math.hypot(x - was[i]!.x, y - was[i]!.y)).toBeLessThan(1e-3));
      }),
      { numRuns: 20 },
    );
  });

  it('keeps a column held to its crossing, so that it follows the grid afterwards', () => {
    const column = recordsOf(tower, 'columnStack').find(({ id }) =>
      solve(tower).columns.some(({ stack, mark }) => stack === id && mark === 'B-2'),
    )!.id;
    const moved = step(tower, 'elements.move', { ids: [column], xMm: 100, yMm: 0 }).after;
    const wider = step(moved, 'grids.setBay', { line: '2', bayMm: 8000, mode: 'push' }).after;
    expect(solve(wider).columns.find(({ stack }) => stack === column)!.at).toEqual({ x: 8100, y: 6600 });
  });

  it('moves a whole grid with all that is held to it', () => {
    const moved = step(tower, 'elements.move', { ids: ids(tower, 'gridSystem'), xMm: 1000, yMm: 2000 }).after;
    const before = places(tower);
    places(moved).forEach(({ x, y }, i) => expect([x, y]).toEqual([before[i]!.x + 1000, before[i]!.y + 2000]));
    expect(solve(moved).floors[0]!.outline[0]).toEqual({ x: 700, y: 1700 });
  });

  it('is refused in words for what does not move in plan', () => {
    const move = (chosen: string[]) => refusal(tower, 'elements.move', { ids: chosen, xMm: 1, yMm: 1 });
    expect(move(ids(tower, 'floorPlate'))).toMatch(/follows its grid lines. Move those, or draw its outline/);
    expect(move([levelId(tower, '01')])).toMatch(/level 01 is not moved in plan/);
    expect(move(['00000000-0000-4000-8000-000000000000'])).toMatch(/not there any more/);
    expect(refusal(tower, 'elements.move', { ids: [], xMm: 1, yMm: 1 })).toMatch(/Choose something first/);
  });
});

describe('deleting what is chosen', () => {
  it('takes columns, shafts and floors in one act, and closes the holes of the shafts', () => {
    const chosen = [...ids(tower, 'columnStack').slice(0, 5), ...ids(tower, 'shaft')];
    const { after, sentence } = step(tower, 'elements.remove', { ids: chosen });
    expect(sentence).toBe('Deleted 6 things');
    const solved = solve(after);
    expect(new Set(solved.columns.map(({ stack }) => stack)).size).toBe(10);
    expect(Object.values(solved.profiles).map(({ holeCount }) => holeCount)).toEqual([0]);
    expect(step(tower, 'elements.remove', { ids: ids(tower, 'shaft') }).sentence).toBe('Deleted shaft S1');
  });
  it('takes names and marks as well as ids, and asks which where several things have one', () => {
    const gone = step(tower, 'elements.remove', { ids: ['S1', 'A-1'] }).after;
    expect([
      recordsOf(gone, 'shaft').length,
      recordsOf(tower, 'columnStack').length - recordsOf(gone, 'columnStack').length,
    ]).toEqual([recordsOf(tower, 'shaft').length - 1, 1]);
    expect(refusal(tower, 'elements.remove', { ids: ['S99'] })).toBe('There is nothing named S99');
    const two = step(tower, 'floors.add', {
      name: 'S1',
      outline: { type: 'gridOffset', offsetMm: 0 },
      levels: { at: ['01'] },
    }).after;
    expect(refusal(two, 'elements.move', { ids: ['S1'], xMm: 1, yMm: 0 })).toMatch(
      /There are 2 things named S1: (shaft S1, floor plate S1|floor plate S1, shaft S1). Say which one by its id/,
    );
    expect(step(tower, 'carry.to', { ids: ['S1'], topmost: '02' }).sentence).toBe('Shaft S1 carried');
  });

  it('is refused for levels, lines and the project, which have ways of their own', () => {
    const remove = (id: string) => refusal(tower, 'elements.remove', { ids: [id] });
    expect(remove(recordsOf(tower, 'gridLine')[0]!.id)).toMatch(/with the grid tools/);
    expect(remove(ids(tower, 'building')[0]!)).toMatch(/hangs on it/);
    const named = step(tower, 'project.start', { name: 'P' }).after;
    expect(refusal(named, 'elements.remove', { ids: [recordsOf(named, 'project')[0]!.id] })).toMatch(/project itself/);
  });
});
