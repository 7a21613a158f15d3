import { and, asc, desc, eq, gt, lt, sql } from 'drizzle-orm';
import type { HistoryEntry, LoggedChange } from '@/core/history/entry';
import { recordsById } from '@/core/model/framework';
import type { Rec } from '@/core/model/kinds';
import { database } from '../db/connection';
import { change, project, user } from '../db/schema';
import { frameworkAt, LogFault } from './head';
import { readAsToday } from './logged-changes';

/** Changes in one answer at most, and about how many bytes of them. */
const MOST_ROWS = 500;
const MOST_BYTES = 4_000_000;
const PIECE = 60;
/** One's own edits that can be undone after a page was opened anew. */
const MOST_OWN = 100;

interface ReadFramework {
  seq: number;
  records: Record<string, Rec>;
  /** Why it cannot be changed, in words: its log is damaged, and this is the last good state. */
  readOnly?: string;
}

/** The framework at its head, for a client that starts; of a damaged log the last good state. */
export async function readFramework(projectId: string): Promise<ReadFramework> {
  return database().transaction(async (tx) => {
    const [row] = await tx.select({ headSeq: project.headSeq }).from(project).where(eq(project.id, projectId));
    const seq = row?.headSeq ?? 0;
    try {
      return { seq, records: recordsById(await frameworkAt(tx, projectId, seq)) };
    } catch (error) {
      if (!(error instanceof LogFault) || error.why === 'newer') throw error;
      return { seq: error.good.seq, records: recordsById(error.good.framework), readOnly: error.message };
    }
  });
}

/** Sequence number of a project's last change. */
export async function readHeadSeq(projectId: string): Promise<number> {
  const [row] = await database().select({ headSeq: project.headSeq }).from(project).where(eq(project.id, projectId));
  return row?.headSeq ?? 0;
}

const ENTRY = {
  seq: change.seq,
  commandId: change.commandId,
  command: change.command,
  target: sql<string | null>`${change.input}->>'target'`,
  sentence: change.sentence,
  author: user.name,
  authorId: change.authorId,
  at: change.at,
};
const LOGGED = { ...ENTRY, changes: change.changes, schemaVersion: change.schemaVersion };

interface Row extends Omit<LoggedChange, 'at'> {
  at: Date;
  schemaVersion: number;
}

async function logged(projectId: string, rows: readonly Row[]): Promise<LoggedChange[]> {
  const all = await readAsToday(database(), projectId, rows);
  return rows.map(({ schemaVersion: _, at, ...entry }, i) => ({ ...entry, at: at.toISOString(), changes: all[i]! }));
}

/** As many of the rows as make an answer of bearable size, and one at least. */
function bearable(projectId: string, rows: readonly Row[]): Promise<LoggedChange[]> {
  let bytes = 0;
  const taken: Row[] = [];
  for (const row of rows) {
    bytes += JSON.stringify(row.changes).length;
    if (taken.length > 0 && bytes > MOST_BYTES) break;
    taken.push(row);
  }
  return logged(projectId, taken);
}

const rowsOf = () => database().select(LOGGED).from(change).innerJoin(user, eq(user.id, change.authorId));

/** Changes a client has missed, oldest first; as many as one answer bears. Ask again until none comes. */
export async function readChangesSince(projectId: string, seq: number): Promise<LoggedChange[]> {
  return bearable(
    projectId,
    await rowsOf()
      .where(and(eq(change.projectId, projectId), gt(change.seq, seq)))
      .orderBy(asc(change.seq))
      .limit(MOST_ROWS),
  );
}

/** One change; undefined if there is none of that number. */
export async function readLogged(projectId: string, seq: number): Promise<LoggedChange | undefined> {
  const [row] = await rowsOf().where(and(eq(change.projectId, projectId), eq(change.seq, seq)));
  return row && (await logged(projectId, [row]))[0];
}

/** A person's latest edits, oldest first: what they can still undo. */
export async function readOwn(projectId: string, userId: string): Promise<LoggedChange[]> {
  const rows = await rowsOf()
    .where(and(eq(change.projectId, projectId), eq(change.authorId, userId)))
    .orderBy(desc(change.seq))
    .limit(MOST_OWN);
  return (await bearable(projectId, rows)).reverse();
}

/** Who did what and when, latest first: the piece before a number, or the latest. */
export async function readHistory(
  projectId: string,
  before?: number,
): Promise<{ history: HistoryEntry[]; more: boolean }> {
  const rows = await database()
    .select(ENTRY)
    .from(change)
    .innerJoin(user, eq(user.id, change.authorId))
    .where(and(eq(change.projectId, projectId), before === undefined ? undefined : lt(change.seq, before)))
    .orderBy(desc(change.seq))
    .limit(PIECE + 1);
  const history = rows.slice(0, PIECE).map(({ at, ...row }) => ({ ...row, at: at.toISOString() }));
  return { history, more: rows.length > PIECE };
}
