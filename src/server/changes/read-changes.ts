import { and, asc, desc, eq, gt } from 'drizzle-orm';
import type { Changes } from '@/core/model/changes';
import { upcastChanges } from '@/core/model/migrate';
import { recordsById } from '@/core/model/framework';
import type { Rec } from '@/core/model/record';
import { database } from '../db/connection';
import { change, project, user } from '../db/schema';
import { frameworkAt } from './head';

/** The framework at its head, for a client that starts. */
export async function readFramework(projectId: string): Promise<{ seq: number; records: Record<string, Rec> }> {
  return database().transaction(async (tx) => {
    const [row] = await tx.select({ headSeq: project.headSeq }).from(project).where(eq(project.id, projectId));
    const seq = row?.headSeq ?? 0;
    return { seq, records: recordsById(await frameworkAt(tx, projectId, seq)) };
  });
}

/** Sequence number of a project's last change. */
export async function readHeadSeq(projectId: string): Promise<number> {
  const [row] = await database().select({ headSeq: project.headSeq }).from(project).where(eq(project.id, projectId));
  return row?.headSeq ?? 0;
}

/** Changes a client has missed, oldest first, at most 500 at a time. */
export async function readChangesSince(
  projectId: string,
  seq: number,
): Promise<{ seq: number; commandId: string; changes: Changes }[]> {
  const rows = await database()
    .select({
      seq: change.seq,
      commandId: change.commandId,
      changes: change.changes,
      schemaVersion: change.schemaVersion,
    })
    .from(change)
    .where(and(eq(change.projectId, projectId), gt(change.seq, seq)))
    .orderBy(asc(change.seq))
    .limit(500);
  return rows.map(({ schemaVersion, changes, ...row }) => ({ ...row, changes: upcastChanges(changes, schemaVersion) }));
}

export interface HistoryEntry {
  seq: number;
  commandId: string;
  command: string;
  target: string | null;
  sentence: string;
  author: string;
  authorId: string;
  at: string;
}

/** Who did what and when, latest first. */
export async function readHistory(projectId: string): Promise<HistoryEntry[]> {
  const rows = await database()
    .select({
      seq: change.seq,
      commandId: change.commandId,
      command: change.command,
      input: change.input,
      sentence: change.sentence,
      author: user.name,
      authorId: change.authorId,
      at: change.at,
    })
    .from(change)
    .innerJoin(user, eq(user.id, change.authorId))
    .where(eq(change.projectId, projectId))
    .orderBy(desc(change.seq))
    .limit(200);
  return rows.map(({ input, at, ...row }) => ({
    ...row,
    target: (input as { target?: string } | null)?.target ?? null,
    at: at.toISOString(),
  }));
}
