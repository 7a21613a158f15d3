import { wrap } from 'comlink';
import type { LevelTable } from '@/core/importing/level-table';
import type { RecognisedColumns } from '@/core/importing/recognise-columns';
import type { RecognisedGrid } from '@/core/importing/recognise-grid';
import { sheetOfBuilding } from '@/core/importing/sheet';
import type { Result } from '@/core/model/result';
import { refuse } from '@/core/model/result';
import type { LengthUnit } from '@/core/units/length-units';
import type { ImportWorker } from '@/workers/import.worker';
import type { ProjectSession } from '../session/project-session';

export type FileKind = 'levels' | 'grid' | 'columns';

/** What a file was understood to hold. */
export type Understood =
  | { kind: 'levels'; table: LevelTable }
  | { kind: 'grid'; grid: RecognisedGrid }
  | { kind: 'columns'; columns: RecognisedColumns };

const LONGEST_MS = 60_000;

/**
 * Reads a file somebody brought. It is parsed on the server in a process of its own, and what a drawing means is found in a
 * worker; both are ended when they take too long or the person cancels. The page itself reads nothing foreign.
 */
export async function readFile(
  session: ProjectSession,
  building: string,
  kind: FileKind,
  file: File,
  choice: { unit?: LengthUnit; layer?: string },
  signal: AbortSignal,
  tell: (words: string) => void,
): Promise<Result<Understood>> {
  const raw = new Worker(new URL('../../workers/import.worker.ts', import.meta.url), { type: 'module' });
  const worker = wrap<ImportWorker>(raw);
  const ended = new Promise<Result<never>>((resolve) => {
    const timer = setTimeout(() => resolve(refuse('Reading the file took too long and was stopped')), LONGEST_MS);
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      resolve(refuse('Cancelled; nothing was changed'));
    });
  });
  const read = async (): Promise<Result<Understood>> => {
    if (kind === 'levels') {
      const answer = await session.readLevels(file, choice.unit, signal, tell);
      return 'table' in answer ? { ok: true, value: { kind, table: answer.table } } : answer;
    }
    const answer = await session.readDrawing(file, signal, tell);
    if (!('sheet' in answer)) return answer;
    const records = session.records();
    const of = records[building];
    const sheet = sheetOfBuilding(answer.sheet, of?.kind === 'building' ? of.name : '');
    if (kind === 'grid') {
      const grid = await worker.grid(sheet, choice);
      return grid.ok ? { ok: true, value: { kind, grid: grid.value } } : grid;
    }
    const columns = await worker.columns(records, building, sheet, choice);
    return columns.ok ? { ok: true, value: { kind, columns: columns.value } } : columns;
  };
  try {
    return await Promise.race([read(), ended]);
  } finally {
    raw.terminate();
  }
}
