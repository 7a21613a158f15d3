import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { laterAuthorAmong } from '@/core/history/undo';
import { isEmpty, touchedIds, type Changes } from '@/core/model/changes';
import { groundsDigest, type Planned, type Recalled } from '@/core/commands/command';
import { plan, recalledBy } from '@/core/commands/commands';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Json } from '@/core/model/json';
import { FILE_VERSION } from '@/core/kinds/migrate';
import { recordsOf } from '@/core/model/framework';
import { done as ok, refuse, type Refusal, type Result } from '@/core/model/result';
import { may, mayNot, POWERS, type Role } from '@/core/people/powers';
import { database, databasePool, type Transaction } from '../db/connection';
import { change, project, user } from '../db/schema';
import { countCommand } from '../metrics';
import { roleIn } from '../people/membership';
import { inTurn } from './in-turn';
import { keptHead, frameworkAt, keepHead } from './head';
import { readAsToday } from './logged-changes';
import { keepRecent } from './recent';

/** A command as it is sent. */
export interface Sent {
  projectId: string;
  userId: string;
  /** The sender's name, where it is known: live streams then need not read it. */
  userName?: string;
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
  | { kind: 'forbidden'; message: string; role: Role | null }
  | { kind: 'archived' };

/** Changes between snapshots. */
const SNAPSHOT_EVERY = 200;

/** What a command comes to in a transaction, and the head it leads to when that is committed. */
export interface Ran {
  outcome: Outcome;
  head: { seq: number; framework: Framework; at: Date } | null;
}

/**
 * Runs one command. When this answers `done` the change is committed. A command id sent twice gets its first answer.
 *
 * A command that can be planned on the head this process remembers is appended by one statement, which holds only if that
 * is still the head and the sender may still edit; anything else is run in a transaction that locks the project.
 */
export const runCommand = (sent: Sent): Promise<Outcome> => inTurn(sent.projectId, () => runNow(sent));

async function runNow(sent: Sent): Promise<Outcome> {
  const quick = await runAtRememberedHead(sent);
  const { outcome, head } = quick ?? (await database().transaction((tx) => runIn(tx, sent)));
  if (head) remember(sent, outcome, head);
  countCommand(outcome.kind);
  return outcome;
}

/** Keeps what was committed for the next command and for this process's live streams. */
function remember(sent: Sent, outcome: Outcome, { seq, framework, at }: NonNullable<Ran['head']>): void {
  keepHead(sent.projectId, { seq, framework });
  if (outcome.kind !== 'done' || sent.userName === undefined) return;
  const { projectId, commandId, command, userId, userName } = sent;
  const target = recalledBy(command, sent.input);
  const { sentence, changes } = outcome;
  const who = { author: userName, authorId: userId, at: at.toISOString() };
  keepRecent(projectId, { seq, commandId, command, target, sentence, changes, ...who });
}

/**
 * Locks the project, plans at its head and appends, as a part of a transaction. `before` is the head that an earlier
 * command of the same transaction led to: it is kept nowhere before it is committed.
 */
export async function runIn(tx: Transaction, sent: Sent, before: Ran['head'] = null): Promise<Ran> {
  const ended = (outcome: Outcome): Ran => ({ outcome, head: null });
  const [row] = await tx
    .select({ headSeq: project.headSeq, archivedAt: project.archivedAt })
    .from(project)
    .where(eq(project.id, sent.projectId))
    .for('update');
  const role = row ? await roleIn(tx, sent.projectId, sent.userId) : null;
  if (!row || !role)
    return ended({ kind: 'forbidden', message: 'There is no such project, or you are not a member of it', role: null });
  if (!may(role, 'edit')) return ended({ kind: 'forbidden', message: mayNot(role, 'edit'), role });
  const first = await firstAnswer(tx, sent);
  if (first) return ended(first);
  if (row.archivedAt) return ended({ kind: 'archived' });
  const framework = before?.seq === row.headSeq ? before.framework : await frameworkAt(tx, sent.projectId, row.headSeq);
  const recalled = recalledBy(sent.command, sent.input);
  const found = recalled === null ? undefined : await recall(tx, sent, recalled);
  const planned = plan(framework, sent.command, sent.input, sent.commandId, found && (() => found));
  if (!planned.ok) return ended({ kind: 'refused', refusal: planned.refusal });
  const { changes, after, sentence } = planned.value;
  if (sent.previewDigest !== undefined && groundsDigest(changes) !== sent.previewDigest)
    return ended({ kind: 'conflict', message: await whoChanged(tx, sent, changes), headSeq: row.headSeq });
  if (isEmpty(changes)) return ended({ kind: 'done', seq: row.headSeq, changes, sentence });
  const seq = row.headSeq + 1;
  const at = await append(tx, sent, seq, planned.value);
  return { outcome: { kind: 'done', seq, changes, sentence }, head: { seq, framework: after, at } };
}

const UNIQUE_VIOLATION = '23505';

/** Moves the head and appends, if the head is where it was thought and the sender may edit. Prepared once a connection. */
const APPEND = `
  with moved as (
    update project set head_seq = head_seq + 1, changed_at = now(), name = coalesce($1, name)
    where id = $2 and head_seq = $3 and archived_at is null and deleted_at is null
      and exists (select 1 from membership
        where project_id = $2 and user_id = $4 and role = any($11) for share)
      and not exists (select 1 from change where project_id = $2 and command_id = $5)
    returning head_seq
  ), appended as (
    insert into change (project_id, seq, command_id, author_id, command, input, sentence, changes, schema_version)
    select $2, head_seq, $5, $4, $6, $7::jsonb, $8, $9::jsonb, $10 from moved
    returning seq, at
  )
  select seq, at, pg_notify('spine', $2::text || ':' || seq) from appended`;

/**
 * Plans on the remembered head and appends by one statement; null where that cannot be, for whatever reason: then
 * nothing was written, and the transaction says what is so.
 */
async function runAtRememberedHead(sent: Sent): Promise<Ran | null> {
  const head = keptHead(sent.projectId);
  if (!head || recalledBy(sent.command, sent.input) !== null || (head.seq + 1) % SNAPSHOT_EVERY === 0) return null;
  const planned = plan(head.framework, sent.command, sent.input, sent.commandId);
  if (!planned.ok || isEmpty(planned.value.changes)) return null;
  const { changes, after, sentence } = planned.value;
  if (sent.previewDigest !== undefined && groundsDigest(changes) !== sent.previewDigest) return null;
  const { projectId, userId, commandId, command } = sent;
  const [input, written] = [JSON.stringify(sent.input), JSON.stringify(changes)];
  const name = projectName(after);
  let rows: { seq: string; at: Date }[];
  try {
    const values = [
      name,
      projectId,
      head.seq,
      userId,
      commandId,
      command,
      input,
      sentence,
      written,
      FILE_VERSION,
      POWERS.edit.roles,
    ];
    ({ rows } = await databasePool().query<{ seq: string; at: Date }>({ name: 'append', text: APPEND, values }));
  } catch (error) {
    // Sent twice at once: the other has written it, and the transaction answers what that was.
    if ((error as { code?: string }).code === UNIQUE_VIOLATION) return null;
    throw error;
  }
  const [row] = rows;
  if (!row) return null;
  const seq = Number(row.seq);
  return {
    outcome: { kind: 'done', seq, changes, sentence },
    head: { seq, framework: after, at: new Date(row.at) },
  };
}

const projectName = (framework: Framework): string | null => recordsOf(framework, 'project')[0]?.name ?? null;

async function append(tx: Transaction, sent: Sent, seq: number, { changes, after, sentence }: Planned): Promise<Date> {
  const [row] = await tx
    .insert(change)
    .values({
      projectId: sent.projectId,
      seq,
      commandId: sent.commandId,
      authorId: sent.userId,
      command: sent.command,
      input: sent.input,
      sentence,
      changes,
      schemaVersion: FILE_VERSION,
    })
    .returning({ at: change.at });
  const name = projectName(after);
  await tx
    .update(project)
    .set({ headSeq: seq, changedAt: sql`now()`, ...(name === null ? {} : { name }) })
    .where(eq(project.id, sent.projectId));
  if (seq % SNAPSHOT_EVERY === 0) {
    const payload = JSON.stringify({ projectId: sent.projectId, seq });
    await tx.execute(sql`select spine_add_job('snapshot', ${payload}::json, ${`snapshot ${sent.projectId}`})`);
  }
  await tx.execute(sql`select pg_notify('spine', ${`${sent.projectId}:${seq}`})`);
  return row!.at;
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
  const [asNow] = await readAsToday(tx, projectId, [{ changes, schemaVersion }]);
  return { kind: 'done', ...answer, changes: asNow! };
}

/** An earlier command of the sender's own, as the log has it today. */
async function recall(tx: Transaction, { projectId, userId }: Sent, commandId: Id): Promise<Result<Recalled>> {
  const [row] = await tx
    .select()
    .from(change)
    .where(and(eq(change.projectId, projectId), eq(change.commandId, commandId)));
  if (!row) return refuse('The change to be undone is not in this project');
  if (row.authorId !== userId) return refuse('Each person undoes their own changes');
  const later = await tx
    .select({ changes: change.changes, schemaVersion: change.schemaVersion, author: user.name })
    .from(change)
    .innerJoin(user, eq(user.id, change.authorId))
    .where(and(eq(change.projectId, projectId), gt(change.seq, row.seq)))
    .orderBy(asc(change.seq));
  const since = await readAsToday(tx, projectId, later);
  return ok({
    changes: (await readAsToday(tx, projectId, [row]))[0]!,
    sentence: row.sentence,
    laterAuthor: laterAuthorAmong(later.map(({ author }, i) => ({ author, changes: since[i]! }))),
  });
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
