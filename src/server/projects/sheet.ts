import { recordsById } from '@/core/model/framework';
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

/** The setting-out plan of a level as a file, drawn from the project's head. One of the same state is drawn once. */
export async function makeSheet(
  asker: Asker,
  projectId: string,
  query: SheetQuery,
): Promise<{ bytes: Uint8Array; type: string; name: string }> {
  const seq = await readHeadSeq(projectId);
  const framework = await frameworkAt(database(), projectId, seq);
  if (framework.records.get(query.level)?.kind !== 'level')
    throw new RequestRefused(404, 'That level is not there any more. Choose another');
  const input = { ...query, at: new Date().toISOString(), records: recordsById(framework) };
  const answer = await inPool(asker, 'sheet', input, undefined, [projectId, seq, query]);
  return { bytes: answer.file!, ...jsonOfAnswer<{ type: string; name: string }>(answer) };
}
