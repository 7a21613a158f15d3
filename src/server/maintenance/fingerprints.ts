import { readFileSync, writeFileSync } from 'node:fs';
import { asc } from 'drizzle-orm';
import { frameworkHash } from '@/core/model/framework';
import { LogFault, replayAll } from '../changes/head';
import { closeDatabase, database } from '../db/connection';
import { project } from '../db/schema';

/** The fingerprint of every project's framework, from its log alone; of a damaged log what is wrong with it. */
export async function fingerprints(): Promise<Record<string, { seq: number; hash: string }>> {
  const projects = await database().select().from(project).orderBy(asc(project.id));
  const found: Record<string, { seq: number; hash: string }> = {};
  for (const { id, headSeq } of projects) {
    try {
      found[id] = { seq: headSeq, hash: frameworkHash(await replayAll(database(), id, headSeq)) };
    } catch (error) {
      if (!(error instanceof LogFault)) throw error;
      found[id] = { seq: headSeq, hash: `${error.why} at ${error.at}` };
    }
  }
  return found;
}

/** Writes the fingerprints into a file; with `--compare`, holds those of now against a file's. */
async function main([first, second]: string[]): Promise<void> {
  const now = await fingerprints();
  if (first !== '--compare') return writeFileSync(first!, JSON.stringify(now, null, 2));
  const before = JSON.parse(readFileSync(second!, 'utf8')) as typeof now;
  const differing = Object.keys({ ...before, ...now }).filter((id) => before[id]?.hash !== now[id]?.hash);
  if (differing.length > 0) throw new Error(`These projects are not as they were: ${differing.join(', ')}`);
  process.stderr.write(`  ${Object.keys(now).length} projects, each just as it was.\n`);
}

if (process.argv[1]?.endsWith('fingerprints.ts'))
  main(process.argv.slice(2))
    .catch((error: unknown) => {
      process.stderr.write(`  ${(error as Error).message}\n`);
      process.exitCode = 1;
    })
    .finally(() => void closeDatabase());
