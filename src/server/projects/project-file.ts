import { createHash, randomUUID } from 'node:crypto';
import { and, asc, eq, gt } from 'drizzle-orm';
import type { Changes } from '@/core/model/changes';
import { frameworkHash, recordsOf } from '@/core/model/framework';
import { FILE_VERSION } from '@/core/model/migrate';
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
import { projectOf } from './projects';

/** Changes that are read from the database, or written into it, at once. */
const ROWS_AT_ONCE = 200;

/** Who takes a file in is known in it by this, and by nothing that tells others who they are. */
const digestOf = (userId: string): string => createHash('sha256').update(`project file ${userId}`).digest('hex');

/** Lets others have their turn. */
const turn = (): Promise<void> => new Promise((done) => setImmediate(done));

/**
 * A project as one file, written as it is read: its whole log, what is laid under plans, and the views its reader keeps for
 * themselves. Everything is as of one moment.
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

/** `goOn` waits until more can be taken, and says whether anybody still wants it. */
async function writeProject(
  projectId: string,
  userId: string,
  writer: ProjectFileWriter,
  goOn: () => Promise<boolean>,
): Promise<void> {
  await database().transaction(
    async (tx) => {
      const [row] = await tx.select().from(project).where(eq(project.id, projectId));
      if (!row) throw new Error('The project is gone');
      const framework = await frameworkAt(tx, projectId, row.headSeq);
      const people = await tx
        .selectDistinct({ id: user.id, name: user.name })
        .from(change)
        .innerJoin(user, eq(user.id, change.authorId))
        .where(eq(change.projectId, projectId))
        .orderBy(asc(user.id));
      const files = await tx
        .select({ sha256: blob.sha256, name: blob.name })
        .from(blob)
        .where(eq(blob.projectId, projectId))
        .orderBy(asc(blob.sha256));
      writer.views(await ownViews(projectId, userId));
      const numbers = new Map(people.map(({ id }, i) => [id, i]));
      for (let after = 0; after < row.headSeq;) {
        const rows = await tx
          .select()
          .from(change)
          .where(and(eq(change.projectId, projectId), gt(change.seq, after)))
          .orderBy(asc(change.seq))
          .limit(ROWS_AT_ONCE);
        if (rows.length === 0 || !(await goOn())) break;
        writer.rows(rows.map((each) => logRow(each, numbers)));
        after = rows.at(-1)!.seq;
      }
      const logSha256 = writer.endLog();
      const about: AboutProject = {
        format: 'spine-project',
        version: 1,
        name: row.name,
        headSeq: row.headSeq,
        hash: frameworkHash(framework),
        schemaVersion: FILE_VERSION,
        logSha256,
        units: row.units,
        disciplines: row.disciplines,
        inviters: row.inviters,
        people: people.map(({ id, name }) => ({ name, digest: digestOf(id) })),
        files,
      };
      writer.about(about);
      for (const { sha256 } of files) {
        const ofFile = and(eq(blob.projectId, projectId), eq(blob.sha256, sha256));
        const [file] = await tx.select({ bytes: blob.bytes }).from(blob).where(ofFile);
        if (!(await goOn())) break;
        if (file) writer.file(sha256, file.bytes);
      }
      writer.end();
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );
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
    const lines = Buffer.from(file.buffer, file.byteOffset, rowsBytes).toString().split('\n');
    for (let i = 0; i < lines.length; i += ROWS_AT_ONCE) {
      const rows = lines
        .slice(i, i + ROWS_AT_ONCE)
        .filter((line) => line !== '')
        .map((line) => JSON.parse(line) as LogRow);
      if (rows.length > 0)
        await tx.insert(change).values(
          rows.map(({ person, at, ...row }) => ({
            ...row,
            projectId: id,
            authorId: authors[person] ?? userId,
            at: new Date(at),
          })),
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
