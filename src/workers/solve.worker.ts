import { levelSchedule } from '@/core/schedules/level-schedule';
import type { Id } from '@/core/model/ids';
import { writeTableCsv } from '@/formats/csv/write-table';
import { writeTableXlsx } from '@/formats/xlsx/write-table';
import { expose } from 'comlink';
import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import { hashOf } from '@/core/model/hash';
import type { Rec } from '@/core/model/record';
import { reportOf, type Report } from '@/core/report/report';
import type { Solved } from '@/core/solving/solved';
import { deltaOf, type SolvedDelta } from '@/core/solving/solved-delta';
import { Solver } from '@/core/solving/solve';
import { writeIfc } from '@/formats/ifc/write';
import { writeSpineFile } from '@/core/model/spine-text';

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
  /** SHA-256 of the solve, to compare with another machine's. */
  solvedHash: (): string => hashOf(solver.solve(framework)),
  report: (): Report => reportOf(framework, solver.solve(framework)),
  ifc: (at: string): string => writeIfc(framework, solver.solve(framework), new Date(at)),
  spineFile: (): string => writeSpineFile(framework),
  levelsCsv: (building: Id): string => writeTableCsv(levelSchedule(solver.solve(framework), building)),
  levelsXlsx: (building: Id): Promise<Uint8Array> => writeTableXlsx(levelSchedule(solver.solve(framework), building)),
};

export type SolveWorker = typeof solveWorker;

expose(solveWorker);
