import { apply, invert } from '../model/changes';
import { COMMANDS } from '../commands/commands';
import { EMPTY_FRAMEWORK, frameworkHash } from '../model/framework';
import { recordSchema } from '../kinds/records';
import { hashOf } from '../model/hash';
import { solve, Solver } from '../solving/solve';
import { everyCommand, MADE } from './every-command';
import { step } from './given';
import { IS_SOAK, SOAK_MS } from './soak';

const TIMES = IS_SOAK ? 100 : 24;

it(
  'every registered command is taken many times among random others, undone exactly, and solved',
  () => {
    expect([...MADE, 'project.start', 'history.undo'].sort()).toEqual(COMMANDS.map(({ name }) => name).sort());
    let n = 0;
    const accepted = everyCommand(11, TIMES, 25, ({ name, before, after, changes }) => {
      n += 1;
      for (const record of changes.added) expect([name, recordSchema.safeParse(record).success]).toEqual([name, true]);
      if (n % 10 === 0)
        expect([name, frameworkHash(apply(after, invert(changes)))]).toEqual([name, frameworkHash(before)]);
      // What a framework can hold never throws; it becomes a finding.
      if (n % 400 === 0) solve(after);
    });
    expect([...accepted].filter(([, count]) => count < TIMES)).toEqual([]);
  },
  SOAK_MS,
);

it('a project is begun a hundred times, once in each framework', () => {
  for (let i = 0; i < 100; i += 1) {
    const { after } = step(EMPTY_FRAMEWORK, 'project.start', { name: `Project ${i}` });
    expect(after.records.size).toBe(1);
  }
});

it(
  'a solver that keeps what an edit does not touch answers the same bytes as one that begins anew',
  () => {
    const solver = new Solver();
    let n = 0;
    everyCommand(5, IS_SOAK ? 20 : 3, 40, ({ name, after }) => {
      n += 1;
      const solved = solver.solve(after);
      if (n % 3 === 0) expect([name, n, hashOf(solved)]).toEqual([name, n, hashOf(solve(after))]);
    });
    expect(n).toBeGreaterThan(300);
  },
  SOAK_MS,
);
