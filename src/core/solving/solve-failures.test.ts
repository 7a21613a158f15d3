import { recordsOf } from '../model/framework';
import { FURNISHED, given, step } from '../testing/given';
import { Solver } from './solve';

const tower = given(FURNISHED);

/** What is broken on purpose: names of functions, and of the things they break on. */
const mockBroken = new Set<string>();

jest.mock('../shafts/solve-shafts', () => {
  const real = jest.requireActual<typeof import('../shafts/solve-shafts')>('../shafts/solve-shafts');
  return {
    ...real,
    solveShaft: (...args: Parameters<typeof real.solveShaft>) => {
      if (mockBroken.has(`shaft ${args[1].name}`)) throw new Error('Broken on purpose');
      return real.solveShaft(...args);
    },
  };
});
jest.mock('../rooms/solve-rooms', () => {
  const real = jest.requireActual<typeof import('../rooms/solve-rooms')>('../rooms/solve-rooms');
  return {
    ...real,
    namedRooms: (...args: Parameters<typeof real.namedRooms>) => {
      if (mockBroken.has('rooms')) throw new Error('Broken on purpose');
      return real.namedRooms(...args);
    },
  };
});
jest.mock('../checks/check-levels', () => {
  const real = jest.requireActual<typeof import('../checks/check-levels')>('../checks/check-levels');
  return {
    ...real,
    checkLevels: (...args: Parameters<typeof real.checkLevels>) => {
      if (mockBroken.has('levels')) throw new Error('Broken on purpose');
      return real.checkLevels(...args);
    },
  };
});

jest.mock('../levels/height-budget', () => {
  const real = jest.requireActual<typeof import('../levels/height-budget')>('../levels/height-budget');
  return {
    ...real,
    heightBudgets: (...args: Parameters<typeof real.heightBudgets>) => {
      if (mockBroken.has('budgets')) throw new Error('Broken on purpose');
      return real.heightBudgets(...args);
    },
  };
});

afterEach(() => mockBroken.clear());

describe('a part of the solve that throws', () => {
  it('becomes a finding at its thing; everything else stands, and all is well again once it does not', () => {
    const two = step(tower, 'shafts.add', {
      name: 'S9',
      outline: { type: 'rectangle', place: 'B-2 + 1000,1000', widthMm: 900, depthMm: 900 },
    }).after;
    const solver = new Solver();
    const well = solver.solve(two);
    mockBroken.add('shaft S9');
    const broken = new Solver().solve(two);
    const id = recordsOf(two, 'shaft').find(({ name }) => name === 'S9')!.id;
    const found = broken.findings.filter(({ rule }) => rule === 'solve.failed');
    expect(found).toMatchObject([
      { about: [id], severity: 'error', message: expect.stringMatching(/S9 could not be worked out/) },
    ]);
    expect(broken.shafts.map(({ name }) => name)).toEqual(
      well.shafts.map(({ name }) => name).filter((name) => name !== 'S9'),
    );
    expect([broken.columns, broken.levels, broken.floors.length]).toEqual([
      well.columns,
      well.levels,
      well.floors.length,
    ]);
    // A solver that saw it fail goes on, and answers as a new one does.
    const raised = step(two, 'levels.setElevation', { level: '01', fflMm: 5550, mode: 'push' }).after;
    solver.solve(raised);
    mockBroken.clear();
    expect(solver.solve(two)).toEqual(well);
  });

  it('is told apart from others that are about nothing in particular', () => {
    mockBroken.add('rooms').add('levels');
    const { findings } = new Solver().solve(tower);
    const failed = findings.filter(({ rule }) => rule === 'solve.failed');
    expect(failed.map(({ message }) => message.split(' could')[0]).sort()).toEqual([
      'The check of levels',
      'The rooms',
      'The ways out',
    ]);
    expect(new Set(failed.map(({ key }) => key)).size).toBe(3);
  });

  it('that nothing stands in for is told once for each list of the building it was wanted for; the others stand', () => {
    mockBroken.add('budgets');
    const { findings, columns, floors, budgets } = new Solver().solve(tower);
    const failed = findings
      .filter(({ rule }) => rule === 'solve.failed')
      .map(({ message }) => message.split(' could')[0]);
    expect(failed).toContain('The height budgets of building Hall');
    expect([budgets, columns.length > 0, floors.length > 0]).toEqual([[], true, true]);
  });
});
