import { expose } from 'comlink';
import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash, type Framework } from '@/core/model/framework';
import { hashOf } from '@/core/model/hash';
import type { Rec } from '@/core/model/kinds';
import type { Solved } from '@/core/solving/solved';
import { deltaOf, type SolvedDelta } from '@/core/solving/solved-delta';
import { Solver } from '@/core/solving/solve';

let framework: Framework = EMPTY_FRAMEWORK;
const solver = new Solver();
/** What the page has been sent. */
let sent: Solved | null = null;

/** Only what changed crosses to the page. */
function answer(): SolvedDelta {
  const solved = solver.solve(framework);
  const delta = deltaOf(sent, solved);
  sent = solved;
  return delta;
}

/** The browser's solver: keeps the framework, takes only changes, answers what they changed in the solve. */
const solveWorker = {
  reset(records: Record<string, Rec>): SolvedDelta {
    framework = { records: new Map(Object.entries(records)) };
    sent = null;
    return answer();
  },
  update(changes: Changes): SolvedDelta {
    framework = apply(framework, changes);
    return answer();
  },
  /** SHA-256 of the framework and of its solve, to compare with another machine's. */
  fingerprints: (): { framework: string; solve: string } => ({
    framework: frameworkHash(framework),
    solve: hashOf(solver.solve(framework)),
  }),
};

export type SolveWorker = typeof solveWorker;

expose(solveWorker);
