import { SolveDesk } from '@/workers/solve-desk';
import type { Solving, SolvingWorker } from '../solve-host';

/** A solver in this process in the worker's place. `before` is awaited before each answer: it may throw, or never end. */
export function solvingWorker(
  before: () => Promise<void>,
  { end, onBroken }: Pick<SolvingWorker<Solving>, 'end' | 'onBroken'> = { end: () => {}, onBroken: () => {} },
): SolvingWorker<Solving> {
  const desk = new SolveDesk();
  const after = async <T>(answer: () => T): Promise<T> => {
    await before();
    return answer();
  };
  return {
    remote: {
      reset: (records) => after(() => desk.reset(records)),
      update: (changes) => after(() => desk.update(changes)),
      tryOut: (changes, sent, id) => after(() => desk.tryOut(changes, sent, id)),
      more: () => after(() => desk.more()),
      cores: (asked) => after(() => desk.cores(asked)),
      bringsAbout: (changes, display) => after(() => desk.bringsAbout(changes, display)),
    },
    end,
    onBroken,
  };
}
