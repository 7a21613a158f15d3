import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { planUndo } from '@/core/history/undo';
import { apply, isEmpty, touchedIds, type Changes } from '@/core/model/changes';
import { groundsDigest } from '@/core/model/command';
import { plan } from '@/core/model/commands';
import type { Framework } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { FILE_VERSION, upcastChanges } from '@/core/model/migrate';
import { recordsOf } from '@/core/model/framework';
import { done, refuse, type Refusal, type Result } from '@/core/model/result';
import { mayEdit, roleIn } from '../access';
import { database, type Transaction } from '../db/connection';
import { change, project, user } from '../db/schema';
import { frameworkAt, keepHead } from './head';

/** A command as it is sent. */
export interface Sent {
  projectId: string;
  userId: string;
  commandId: string;
  command: string;
  input: Json;
  /** Sequence number the sender planned on. */
  baseSeq?: number;
  /** What the sender's plan touched and found there; left out by senders that saw no preview. */
  previewDigest?: string;
}

export type Outcome =
  | { kind: 'done'; seq: number; changes: Changes; sentence: string }
  | { kind: 'refused'; refusal: Refusal }
  | { kind: 'conflict'; message: string; headSeq: number }
  | { kind: 'forbidden'; message: string };

/** Name of the command that takes an earlier one back. Its input is `{ target: commandId }`. */
export const UNDO = 'history.undo';
/** Changes between snapshots. */
const SNAPSHOT_EVERY = 200;

interface Plan {
  changes: Changes;
  after: Framework;
  sentence: string;
}

/**
 * Runs one command in one transaction: locks the project, plans at its head, appends to the log. When this answers
 * `done` the change is committed. A command id sent twice gets its first answer.
 */
export async function runCommand(sent: Sent): Promise<Outcome> {
  let head: { seq: number; framework: Framework } | null = null;
  const outcome = await database().transaction(async (tx): Promise<Outcome> => {
    const [row] = await tx
      .select({ headSeq: project.headSeq })
      .from(project)
      .where(eq(project.id, sent.projectId))
      .for('update');
    const role = row ? await roleIn(tx, sent.projectId, sent.userId) : null;
    if (!row || !role) return { kind: 'forbidden', message: 'There is no such project, or you are not a member of it' };
    if (!mayEdit(role))
      return { kind: 'forbidden', message: `As ${role} you can look and measure, but not change the framework` };
    const first = await firstAnswer(tx, sent);
    if (first) return first;
    const framework = await frameworkAt(tx, sent.projectId, row.headSeq);
    const planned =
      sent.command === UNDO
        ? await planUndoOf(tx, framework, sent)
        : plan(framework, sent.command, sent.input, sent.commandId);
    if (!planned.ok) return { kind: 'refused', refusal: planned.refusal };
    const { changes, after, sentence } = planned.value;
    if (sent.previewDigest !== undefined && groundsDigest(changes) !== sent.previewDigest) {
      return { kind: 'conflict', message: await whoChanged(tx, sent, changes), headSeq: row.headSeq };
    }
    if (isEmpty(changes)) return { kind: 'done', seq: row.headSeq, changes, sentence };
    const seq = row.headSeq + 1;
    await append(tx, sent, seq, planned.value);
    head = { seq, framework: after };
    return { kind: 'done', seq, changes, sentence };
  });
  if (head) keepHead(sent.projectId, head);
  return outcome;
}

async function append(tx: Transaction, sent: Sent, seq: number, { changes, after, sentence }: Plan): Promise<void> {
  await tx.insert(change).values({
    projectId: sent.projectId,
    seq,
    commandId: sent.commandId,
    authorId: sent.userId,
    command: sent.command,
    input: sent.input,
    sentence,
    changes,
    schemaVersion: FILE_VERSION,
  });
  const [named] = recordsOf(after, 'project');
  await tx
    .update(project)
    .set({ headSeq: seq, ...(named ? { name: named.name } : {}) })
    .where(eq(project.id, sent.projectId));
  if (seq % SNAPSHOT_EVERY === 0) {
    const payload = JSON.stringify({ projectId: sent.projectId, seq });
    await tx.execute(
      sql`select graphile_worker.add_job('snapshot', ${payload}::json, job_key := ${`snapshot ${sent.projectId}`})`,
    );
  }
  await tx.execute(sql`select pg_notify('spine', ${`${sent.projectId}:${seq}`})`);
}

async function firstAnswer(tx: Transaction, { projectId, commandId }: Sent): Promise<Outcome | null> {
  const [row] = await tx
    .select({
      seq: change.seq,
      changes: change.changes,
      sentence: change.sentence,
      schemaVersion: change.schemaVersion,
    })
    .from(change)
    .where(and(eq(change.projectId, projectId), eq(change.commandId, commandId)));
  if (!row) return null;
  const { schemaVersion, changes, ...answer } = row;
  return { kind: 'done', ...answer, changes: upcastChanges(changes, schemaVersion) };
}

async function planUndoOf(tx: Transaction, framework: Framework, sent: Sent): Promise<Result<Plan>> {
  const target = (sent.input as { target?: unknown } | null)?.target;
  if (typeof target !== 'string' || !/^[0-9a-f-]{36}$/.test(target)) return refuse('Say which change is to be undone');
  const [row] = await tx
    .select()
    .from(change)
    .where(and(eq(change.projectId, sent.projectId), eq(change.commandId, target)));
  if (!row) return refuse('The change to be undone is not in this project');
  if (row.authorId !== sent.userId) return refuse('Each person undoes their own changes');
  const later = await tx
    .select({ changes: change.changes, name: user.name, commandId: change.commandId })
    .from(change)
    .innerJoin(user, eq(user.id, change.authorId))
    .where(and(eq(change.projectId, sent.projectId), gt(change.seq, row.seq)))
    .orderBy(asc(change.seq));
  const laterAuthor = (id: string, path: string | null) =>
    later
      .filter(({ changes }) =>
        path === null
          ? touchedIds(changes).includes(id)
          : changes.patched.some(
              (patch) =>
                patch.id === id &&
                Object.keys(patch.fields).some((field) => field.startsWith(path) || path.startsWith(field)),
            ),
      )
      .at(-1)?.name;
  const undone = planUndo(framework, upcastChanges(row.changes, row.schemaVersion), laterAuthor);
  if (!undone.ok) return undone;
  const undid = /^Undone: (.*)$/s.exec(row.sentence)?.[1];
  const sentence = undid === undefined ? `Undone: ${row.sentence.replace(/^Redone: /, '')}` : `Redone: ${undid}`;
  return done({ changes: undone.value, after: apply(framework, undone.value), sentence });
}

/** Names who changed, since the sender looked, what the command touches. */
async function whoChanged(tx: Transaction, { projectId, baseSeq, userId }: Sent, changes: Changes): Promise<string> {
  const touched = new Set(touchedIds(changes));
  const since = await tx
    .select({ changes: change.changes, name: user.name, authorId: change.authorId, sentence: change.sentence })
    .from(change)
    .innerJoin(user, eq(user.id, change.authorId))
    .where(and(eq(change.projectId, projectId), gt(change.seq, baseSeq ?? 0)))
    .orderBy(asc(change.seq));
  const hit = since.filter((row) => touchedIds(row.changes).some((id) => touched.has(id))).at(-1) ?? since.at(-1);
  if (!hit) return 'The framework is not what you saw, so this was not done';
  const who = hit.authorId === userId ? 'You, in another window,' : hit.name;
  return `${who} changed this meanwhile: ${hit.sentence}. Yours was not done`;
}
