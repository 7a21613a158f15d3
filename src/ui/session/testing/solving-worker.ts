import { apply } from '@/core/model/changes';
import { EMPTY_FRAMEWORK } from '@/core/model/framework';
import { Solver } from '@/core/solving/solve';
import { deltaOf } from '@/core/solving/solved-delta';
import type { Solved } from '@/core/solving/solved';
import type { Solving, SolvingWorker } from '../solve-host';

/** A solver in this process in the worker's place. `before` is awaited before each answer: it may throw, or never end. */
export function solvingWorker(
  before: () => Promise<void>,
  { end, onBroken }: Pick<SolvingWorker<Solving>, 'end' | 'onBroken'> = { end: () => {}, onBroken: () => {} },
): SolvingWorker<Solving> {
  const solver = new Solver();
  let framework = EMPTY_FRAMEWORK;
  let sent: Solved | null = null;
  const answer = async () => {
    await before();
    const solved = solver.solve(framework);
    const delta = deltaOf(sent, solved);
    sent = solved;
    return delta;
  };
  return {
    remote: {
      reset: (records) => {
        framework = { records: new Map(Object.entries(records)) };
        sent = null;
        return answer();
      },
      update: (changes) => {
        framework = apply(framework, changes);
        return answer();
      },
    },
    end,
    onBroken,
  };
}
