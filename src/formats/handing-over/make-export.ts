import { fileStem } from '@/core/model/file-stem';
import { recordsOf, type Framework } from '@/core/model/framework';
import { refuse, type Result } from '@/core/model/result';
import { reportOf } from '@/core/report/report';
import { levelSchedule } from '@/core/schedules/level-schedule';
import type { Solved } from '@/core/solving/solved';
import { solve } from '@/core/solving/solve';
import { writeTableCsv } from '../csv/write-table';
import { writeIfc } from '../ifc/write';
import { writeTableXlsx } from '../xlsx/write-table';
import type { ExportKind } from './export-kinds';

export interface ExportWanted {
  what: ExportKind;
  /** The building whose levels are listed; the first if none is named. */
  building?: string;
  /** When it is made, ISO 8601: it stands in the file. */
  at: string;
}

const TYPES: Record<ExportKind, string> = {
  ifc: 'application/x-step',
  report: 'application/json',
  'levels.csv': 'text/csv; charset=utf-8',
  'levels.xlsx': 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
};
const ENDINGS: Record<ExportKind, string> = {
  ifc: 'ifc',
  report: 'report.json',
  'levels.csv': 'levels.csv',
  'levels.xlsx': 'levels.xlsx',
};

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);

async function bytesOf(
  framework: Framework,
  solved: Solved,
  { what, building, at }: ExportWanted,
): Promise<Uint8Array | null> {
  if (what === 'ifc') return utf8(writeIfc(framework, solved, new Date(at)));
  if (what === 'report') return utf8(JSON.stringify(reportOf(framework, solved), null, 2));
  const listed = building ?? solved.buildings[0]?.id;
  if (!solved.buildings.some(({ id }) => id === listed)) return null;
  const table = levelSchedule(solved, listed!);
  return what === 'levels.csv' ? utf8(writeTableCsv(table)) : writeTableXlsx(table);
}

/** A file worked out from a framework, with its media type and name. `tell` hears which part of the work has begun. */
export async function makeExport(
  framework: Framework,
  wanted: ExportWanted,
  tell: (part: string) => void = () => undefined,
): Promise<Result<{ bytes: Uint8Array; type: string; name: string }>> {
  tell('Working out the building');
  const solved = solve(framework);
  tell('Writing the file');
  const bytes = await bytesOf(framework, solved, wanted);
  if (!bytes) return refuse('That building is not there any more. Choose another');
  const [project] = recordsOf(framework, 'project');
  const name = `${fileStem(project?.name ?? 'framework')}.${ENDINGS[wanted.what]}`;
  return { ok: true, value: { bytes, type: TYPES[wanted.what], name } };
}
