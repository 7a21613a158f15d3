import { createHash, randomUUID } from 'node:crypto';
import { and, asc, eq, gt, lte } from 'drizzle-orm';
import type { Changes } from '@/core/model/changes';
import { frameworkHash, recordsOf } from '@/core/model/framework';
import { FILE_VERSION } from '@/core/kinds/migrate';
import { fileStem } from '@/core/model/file-stem';
import type { AboutProject, LogRow } from '@/formats/project-file/project-file';
import { ProjectFileWriter } from '@/formats/project-file/write';
import type { BroughtProject } from '@/formats/sandbox/brought-project';
import { frameworkAt } from '../changes/head';
import { database, type Transaction } from '../db/connection';
import { blob, change, membership, ownView, project, user } from '../db/schema';
import { inPool, jsonOfAnswer, type Asker } from '../pool';
import { attachment } from './file-name';
import { ownViews } from './own-views';
import { projectOf } from './project-settings';

/** Changes that are read from the database, or written into it, at once. */
const ROWS_AT_ONCE = 200;

/** Who takes a file in is known in it by this, and by nothing that tells others who they are. */
const digestOf = (userId: string): string => createHash('sha256').update(`project file ${userId}`).digest('hex');

/** Lets others have their turn. */
const turn = (): Promise<void> => new Promise((done) => setImmediate(done));

/**
 * A project as one file, written as it is read: its whole log, what is laid under plans, and the views its reader keeps for
 * themselves.
 */
export async function exportProject(projectId: string, userId: string): Promise<Response> {
  const { name } = await projectOf(projectId);
  let stop = () => {};
  const stream = new ReadableStream<Uint8Array>(
    {
      start(controller) {
        let isStopped = false;
        stop = () => (isStopped = true);
        const write = async () => {
          const writer = new ProjectFileWriter((piece) => isStopped || controller.enqueue(piece));
          await writeProject(projectId, userId, writer, async () => {
            while (!isStopped && (controller.desiredSize ?? 1) <= 0) await new Promise((done) => setTimeout(done, 20));
            await turn();
            return !isStopped;
          });
          if (!isStopped) controller.close();
        };
        write().catch((error: unknown) => isStopped || controller.error(error));
      },
      cancel: () => stop(),
    },
    new ByteLengthQueuingStrategy({ highWaterMark: 1 << 20 }),
  );
  return new Response(stream, { headers: attachment(`${fileStem(name)}.spine.zip`, 'application/zip') });
}

/**
 * Writes everything up to the change that was the last when it began. Nothing before that ever changes, so no transaction is
 * held open for who reads slowly. `goOn` waits until more can be taken, and says whether anybody still wants it.
 */
async function writeProject(
  projectId: string,
  userId: string,
  writer: ProjectFileWriter,
  goOn: () => Promise<boolean>,
): Promise<void> {
  const db = database();
  const [row] = await db.select().from(project).where(eq(project.id, projectId));
  if (!row) throw new Error('The project is gone');
  const { name, headSeq, units, disciplines, inviters } = row;
  const hash = frameworkHash(await frameworkAt(db, projectId, headSeq));
  const upTo = and(eq(change.projectId, projectId), lte(change.seq, headSeq));
  const people = await db
    .selectDistinct({ id: user.id, name: user.name })
    .from(change)
    .innerJoin(user, eq(user.id, change.authorId))
    .where(upTo)
    .orderBy(asc(user.id));
  writer.views(await ownViews(projectId, userId));
  const numbers = new Map(people.map(({ id }, i) => [id, i]));
  for (let after = 0; after < headSeq;) {
    const rows = await db
      .select()
      .from(change)
      .where(and(upTo, gt(change.seq, after)))
      .orderBy(asc(change.seq))
      .limit(ROWS_AT_ONCE);
    if (rows.length === 0) throw new Error('The project is gone');
    if (!(await goOn())) return;
    writer.rows(rows.map((each) => logRow(each, numbers)));
    after = rows.at(-1)!.seq;
  }
  const logSha256 = writer.endLog();
  const files = await db
    .select({ sha256: blob.sha256, name: blob.name })
    .from(blob)
    .where(eq(blob.projectId, projectId))
    .orderBy(asc(blob.sha256));
  const written: AboutProject['files'] = [];
  for (const file of files) {
    const ofFile = and(eq(blob.projectId, projectId), eq(blob.sha256, file.sha256));
    const [found] = await db.select({ bytes: blob.bytes }).from(blob).where(ofFile);
    if (!(await goOn())) return;
    // One that nothing named any more may have been swept away meanwhile.
    if (!found) continue;
    writer.file(file.sha256, found.bytes);
    written.push(file);
  }
  writer.about({
    format: 'spine-project',
    version: 1,
    name,
    headSeq,
    hash,
    schemaVersion: FILE_VERSION,
    logSha256,
    units,
    disciplines,
    inviters,
    people: people.map((person) => ({ name: person.name, digest: digestOf(person.id) })),
    files: written,
  });
  writer.end();
}

const logRow = (
  { seq, commandId, authorId, command, input, sentence, changes, schemaVersion, at }: typeof change.$inferSelect,
  numbers: ReadonlyMap<string, number>,
): LogRow => ({
  seq,
  commandId,
  person: numbers.get(authorId) ?? 0,
  command,
  input,
  sentence,
  changes,
  schemaVersion,
  at: at.toISOString(),
});

/**
 * A new project from a file: a whole project with its history, or a framework alone. It is read in a process of its own, and
 * made whole or not at all. Who takes it in owns it; other people of its history are names.
 */
export async function importProject(
  asker: Asker & { person: { id: string; name: string } },
  name: string,
  bytes: Uint8Array,
): Promise<{ id: string; name: string }> {
  const answer = await inPool(asker, 'project', { name }, bytes);
  const brought = jsonOfAnswer<BroughtProject>(answer);
  const { id: userId } = asker.person;
  const id = randomUUID();
  return database().transaction(async (tx) => {
    await tx.execute(`set local statement_timeout = '60s'`);
    if ('records' in brought) {
      const records = new Map(Object.entries(brought.records));
      const named = recordsOf({ records }, 'project')[0]?.name ?? brought.name;
      const changes: Changes = { added: [...records.values()], patched: [], removed: [] };
      await tx.insert(project).values({ id, name: named, headSeq: 1 });
      await tx.insert(membership).values({ projectId: id, userId, role: 'owner' });
      await tx.insert(change).values({
        projectId: id,
        seq: 1,
        commandId: randomUUID(),
        authorId: userId,
        command: 'project.bring',
        input: { file: name },
        sentence: `Framework brought from ${name}`,
        changes,
        schemaVersion: FILE_VERSION,
      });
      return { id, name: named };
    }
    const { about, views, rowsBytes, fileBytes } = brought;
    await tx.insert(project).values({
      id,
      name: about.name,
      headSeq: about.headSeq,
      units: about.units,
      disciplines: about.disciplines,
      inviters: about.inviters,
    });
    await tx.insert(membership).values({ projectId: id, userId, role: 'owner' });
    const authors = await authorsOf(tx, about, userId);
    const file = answer.file!;
    for (const rows of linesOf(file.subarray(0, rowsBytes), ROWS_AT_ONCE)) {
      await tx.insert(change).values(
        rows.map((line) => {
          const { person, at, ...row } = JSON.parse(line) as LogRow;
          return { ...row, projectId: id, authorId: authors[person] ?? userId, at: new Date(at) };
        }),
      );
      await turn();
    }
    let from = rowsBytes;
    for (const [i, { sha256, name: fileName }] of about.files.entries()) {
      const size = fileBytes[i]!;
      const values = { projectId: id, sha256, name: fileName, bytes: file.subarray(from, from + size) };
      await tx.insert(blob).values(values).onConflictDoNothing();
      from += size;
    }
    for (const view of views)
      await tx.insert(ownView).values({ projectId: id, userId, name: view.name, view }).onConflictDoNothing();
    return { id, name: about.name };
  });
}

/** Who the changes are said to be of: whoever takes the file in if they made them, else a name without an account. */
async function authorsOf(tx: Transaction, { people }: AboutProject, userId: string): Promise<string[]> {
  const authors: string[] = [];
  for (const { name, digest } of people) {
    if (digest === digestOf(userId)) {
      authors.push(userId);
      continue;
    }
    const id = randomUUID();
    await tx.insert(user).values({ id, name, email: `${id}@gone.invalid`, isGone: true });
    authors.push(id);
  }
  return authors;
}

/** The lines of bytes, so many at a time: all of them would be a text longer than there may be one. */
function* linesOf(bytes: Uint8Array, atOnce: number): Generator<string[]> {
  const decoder = new TextDecoder();
  let lines: string[] = [];
  for (let from = 0; from < bytes.length;) {
    const end = bytes.indexOf(0x0a, from);
    const to = end < 0 ? bytes.length : end;
    if (to > from) lines.push(decoder.decode(bytes.subarray(from, to)));
    from = to + 1;
    if (lines.length < atOnce) continue;
    yield lines;
    lines = [];
  }
  if (lines.length > 0) yield lines;
}
