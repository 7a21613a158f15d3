import { and, asc, desc, eq, gt, lte } from 'drizzle-orm';
import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash, type Framework } from '@/core/model/framework';
import { FILE_VERSION, upcast, upcastChanges } from '@/core/kinds/migrate';
import type { Rec } from '@/core/model/kinds';
import type { Database, Transaction } from '../db/connection';
import { change, snapshot } from '../db/schema';

export interface Head {
  seq: number;
  framework: Framework;
}

const MOST_KEPT = 40;
const holder = globalThis as typeof globalThis & { spineHeads?: Map<string, Head> };
const heads = (): Map<string, Head> => (holder.spineHeads ??= new Map());

/** Keeps a framework as the latest this process has seen. The least recently used is dropped. */
export function keepHead(projectId: string, head: Head): void {
  const kept = heads();
  // Two commands may finish in another order than they were committed in.
  if ((kept.get(projectId)?.seq ?? 0) > head.seq) return;
  kept.delete(projectId);
  kept.set(projectId, head);
  const oldest = kept.keys().next().value;
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
}

/** The latest framework of a project this process has seen; it may be behind. */
export const keptHead = (projectId: string): Head | undefined => heads().get(projectId);

export const forgetHeads = (): void => heads().clear();

/** The framework at a sequence number: from memory, else from the last snapshot, plus the changes since. */
export async function frameworkAt(db: Database | Transaction, projectId: string, seq: number): Promise<Framework> {
  const kept = heads().get(projectId);
  const base = kept && kept.seq <= seq ? kept : await lastSnapshot(db, projectId, seq);
  if (base.seq === seq) return base.framework;
  const framework = await replay(db, projectId, base, seq);
  keepHead(projectId, { seq, framework });
  return framework;
}

async function lastSnapshot(db: Database | Transaction, projectId: string, seq: number): Promise<Head> {
  const [row] = await db
    .select()
    .from(snapshot)
    .where(and(eq(snapshot.projectId, projectId), lte(snapshot.seq, seq)))
    .orderBy(desc(snapshot.seq))
    .limit(1);
  if (!row) return { seq: 0, framework: EMPTY_FRAMEWORK };
  const records = Object.entries(row.records).map(
    ([id, record]) => [id, upcast(record, row.schemaVersion) as unknown as Rec] as const,
  );
  const framework = { records: new Map(records) };
  // A snapshot is only a shortcut: one that does not match its hash is passed over.
  const isSound = row.schemaVersion !== FILE_VERSION || frameworkHash(framework) === row.hash;
  return isSound ? { seq: row.seq, framework } : { seq: 0, framework: EMPTY_FRAMEWORK };
}

/** A log that cannot be read to its end: what is wrong with which row, and the state before it. */
export class LogFault extends Error {
  constructor(
    readonly why: 'damaged' | 'newer',
    /** The row that is missing, does not fit, or was written by a newer program. */
    readonly at: number,
    /** The state after the row before it. */
    readonly good: Head,
  ) {
    super(
      why === 'newer'
        ? `Change ${at} of this project was written by a newer version of the program. Update this one to go on`
        : `Change ${at} of this project is missing or damaged. It is shown as it was before that, and cannot be changed until who looks after this place has mended it (npm run repair)`,
    );
  }
}

/** Changes as they would be logged today, on the framework they are applied to. */
export const asToday = (row: { changes: Changes; schemaVersion: number }, framework: Framework): Changes =>
  upcastChanges(row.changes, row.schemaVersion, (id) => framework.records.get(id)?.kind);

/** Applies the logged changes after `from` up to `seq`. Throws {@link LogFault} where it cannot go on. */
async function replay(db: Database | Transaction, projectId: string, from: Head, seq: number): Promise<Framework> {
  const rows = await db
    .select({ seq: change.seq, changes: change.changes, schemaVersion: change.schemaVersion })
    .from(change)
    .where(and(eq(change.projectId, projectId), gt(change.seq, from.seq), lte(change.seq, seq)))
    .orderBy(asc(change.seq));
  let good = from;
  for (let at = from.seq + 1; at <= seq; at += 1) {
    const row = rows[at - from.seq - 1];
    if (row?.seq !== at) throw new LogFault('damaged', at, good);
    if (row.schemaVersion > FILE_VERSION) throw new LogFault('newer', at, good);
    try {
      good = { seq: at, framework: apply(good.framework, asToday(row, good.framework)) };
    } catch {
      throw new LogFault('damaged', at, good);
    }
  }
  return good.framework;
}

/** The framework from the log alone, without memory or snapshots: what the others are held to. */
export const replayAll = (db: Database | Transaction, projectId: string, seq: number): Promise<Framework> =>
  replay(db, projectId, { seq: 0, framework: EMPTY_FRAMEWORK }, seq);
