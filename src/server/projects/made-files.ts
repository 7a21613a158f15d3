import type { Framework } from '@/core/model/framework';
import { recordLines } from '@/formats/json/record-lines';
import type { ExportKind } from '@/formats/handing-over/export-kinds';
import type { Answer } from '@/formats/sandbox/work-process';
import type { SheetFormat } from '@/formats/sheet/sheet-formats';
import { frameworkAt } from '../changes/head';
import { readHeadSeq } from '../changes/read-changes';
import { database } from '../db/connection';
import { RequestRefused } from '../entry/refusal';
import { inPool, jsonOfAnswer, type Asker } from '../pool';

interface SheetQuery {
  level: string;
  scale: number;
  format: SheetFormat;
  units: 'metric' | 'imperial';
}

/** A file made from a project's framework. */
export interface MadeFile {
  bytes: Uint8Array;
  type: string;
  name: string;
}

const asFile = (answer: Answer): MadeFile => ({
  bytes: answer.file!,
  ...jsonOfAnswer<{ type: string; name: string }>(answer),
});

/** The setting-out plan of a level as a file, drawn from the project's head. One of the same state is drawn once. */
export async function makeSheet(asker: Asker, projectId: string, query: SheetQuery): Promise<MadeFile> {
  const { seq, framework } = await headOf(projectId);
  if (framework.records.get(query.level)?.kind !== 'level')
    throw new RequestRefused(404, 'That level is not there any more. Choose another');
  const input = { ...query, at: new Date().toISOString() };
  return asFile(await inPool(asker, 'sheet', input, () => recordLines(framework), [projectId, seq, query]));
}

/** A file worked out from the project's head: IFC, the report, the level table. */
export async function makeExport(
  asker: Asker,
  projectId: string,
  query: { what: ExportKind; building?: string },
): Promise<MadeFile> {
  const { seq, framework } = await headOf(projectId);
  const input = { ...query, at: new Date().toISOString() };
  return asFile(await inPool(asker, 'export', input, () => recordLines(framework), [projectId, seq, query]));
}

async function headOf(projectId: string): Promise<{ seq: number; framework: Framework }> {
  const seq = await readHeadSeq(projectId);
  return { seq, framework: await frameworkAt(database(), projectId, seq) };
}
