import { and, asc, eq, gt, gte, lte } from 'drizzle-orm';
import { apply, difference, invert, type Changes } from '@/core/model/changes';
import { frameworkHash, type Framework } from '@/core/model/framework';
import { FILE_VERSION, upcast } from '@/core/kinds/migrate';
import type { Rec } from '@/core/model/kinds';
import { asToday, replayAll, LogFault } from '../changes/head';
import type { Database } from '../db/connection';
import { change, project, snapshot } from '../db/schema';

/** What is wrong with a project's log; null if nothing is. */
export async function faultOf(db: Database, projectId: string): Promise<LogFault | null> {
  const [row] = await db.select({ headSeq: project.headSeq }).from(project).where(eq(project.id, projectId));
  try {
    await replayAll(db, projectId, row?.headSeq ?? 0);
    return null;
  } catch (error) {
    if (error instanceof LogFault) return error;
    throw error;
  }
}

/**
 * What a missing or damaged row must have changed: the state after it is that of the next sound snapshot with the rows between
 * taken back, the state before it is known. Null where no snapshot knows, or the rows between do not fit it either.
 */
export async function lostChanges(db: Database, projectId: string, fault: LogFault): Promise<Changes | null> {
  const snapshots = await db
    .select()
    .from(snapshot)
    .where(and(eq(snapshot.projectId, projectId), gte(snapshot.seq, fault.at)))
    .orderBy(asc(snapshot.seq));
  for (const { seq, hash, schemaVersion, records } of snapshots) {
    const entries = Object.entries(records).map(
      ([id, record]) => [id, upcast(record, schemaVersion) as unknown as Rec] as const,
    );
    const known: Framework = { records: new Map(entries) };
    if (schemaVersion !== FILE_VERSION || frameworkHash(known) !== hash) continue;
    const between = await db
      .select({ seq: change.seq, changes: change.changes, schemaVersion: change.schemaVersion })
      .from(change)
      .where(and(eq(change.projectId, projectId), gt(change.seq, fault.at), lte(change.seq, seq)))
      .orderBy(asc(change.seq));
    if (between.length !== seq - fault.at) continue;
    try {
      const after = between.reduceRight((framework, row) => apply(framework, invert(asToday(row, framework))), known);
      return difference(fault.good.framework, after);
    } catch {
      continue;
    }
  }
  return null;
}

/** Writes what was lost into the log, in the place of the row. As the owner of the schema: the app cannot. */
export async function mend(db: Database, projectId: string, fault: LogFault, changes: Changes): Promise<void> {
  await db.transaction(async (tx) => {
    const own = and(eq(change.projectId, projectId), eq(change.seq, fault.at));
    const [there] = await tx.select().from(change).where(own);
    if (there) await tx.update(change).set({ changes, schemaVersion: FILE_VERSION }).where(own);
    else {
      const [near] = await tx
        .select()
        .from(change)
        .where(and(eq(change.projectId, projectId), gt(change.seq, fault.at)))
        .orderBy(asc(change.seq))
        .limit(1);
      const [before] = await tx
        .select()
        .from(change)
        .where(and(eq(change.projectId, projectId), eq(change.seq, fault.at - 1)));
      const neighbour = near ?? before;
      if (!neighbour) throw new Error('The log holds nothing beside the row that is missing');
      await tx.insert(change).values({
        projectId,
        seq: fault.at,
        commandId: crypto.randomUUID(),
        authorId: neighbour.authorId,
        command: 'history.mended',
        input: {},
        sentence: 'A change that was lost, mended from a snapshot',
        changes,
        schemaVersion: FILE_VERSION,
        at: neighbour.at,
      });
    }
  });
}
