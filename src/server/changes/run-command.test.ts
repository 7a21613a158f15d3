import { randomUUID } from 'node:crypto';
import { eq, sql, type SQL } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { UNDO } from '@/core/history/undo-command';
import { EMPTY_FRAMEWORK, frameworkHash, recordsOf } from '@/core/model/framework';
import { plan } from '@/core/commands/commands';
import { groundsDigest } from '@/core/commands/command';
import { apply } from '@/core/model/changes';
import type { Json } from '@/core/model/json';
import { randomRun } from '@/core/testing/random-commands';
import type { Role } from '@/core/people/powers';
import { closeDatabase, database } from '../db/connection';
import { change, project, snapshot, user } from '../db/schema';
import { writeSnapshot } from '../jobs/snapshot';
import { projectsOf } from '../projects/project-list';
import { createProject } from '../projects/projects';
import { setMember } from '../testing/people';
import { forgetHeads, frameworkAt, replayAll } from './head';
import { readChangesSince, readFramework, readHistory } from './read-changes';
import { runCommand, type Outcome } from './run-command';

afterAll(closeDatabase);

/** Does what only who looks after the database can do. */
async function asAdmin(statement: SQL): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.ADMIN_DATABASE_URL });
  await client.connect();
  await drizzle(client).execute(statement);
  await client.end();
}

async function person(name: string): Promise<string> {
  const id = randomUUID();
  await database()
    .insert(user)
    .values({ id, name, email: `${id}@test.example` });
  return id;
}

/** A project with levels, its owner, and how to send it commands. */
async function house() {
  const owner = await person('Ada');
  const projectId = await createProject(owner, 'House', 'Hall');
  const send = (
    command: string,
    input: Json,
    more: { userId?: string; commandId?: string; previewDigest?: string } = {},
  ) => runCommand({ projectId, userId: owner, commandId: randomUUID(), command, input, ...more });
  await done(send('levels.setUp', { above: '5.4m 2@4.8m', below: '3.9m' }));
  return { owner, projectId, send };
}

async function done(outcome: Promise<Outcome>): Promise<Extract<Outcome, { kind: 'done' }>> {
  const settled = await outcome;
  if (settled.kind !== 'done') throw new Error(JSON.stringify(settled));
  return settled;
}

const member = async (projectId: string, name: string, role: Role): Promise<string> => {
  const id = await person(name);
  await setMember(projectId, id, role);
  return id;
};

const headHash = async (projectId: string): Promise<string> => {
  const { records } = await readFramework(projectId);
  return frameworkHash({ records: new Map(Object.entries(records)) });
};

describe('a command that is acknowledged', () => {
  it('is in the log under the next number, with who, what and in which words', async () => {
    const { projectId, send, owner } = await house();
    const { seq } = await done(send('levels.setElevation', { level: '01', fflMm: 5550, mode: 'push' }));
    const [last] = (await readHistory(projectId)).history;
    expect(last).toMatchObject({
      seq,
      author: 'Ada',
      authorId: owner,
      sentence: 'Level 01 raised 150 mm to +5.550, pushing the levels beyond',
    });
    expect((await readChangesSince(projectId, seq - 1)).map((row) => row.seq)).toEqual([seq]);
  });

  it('sent twice gets its first answer and stands once', async () => {
    const { projectId, send } = await house();
    const commandId = randomUUID();
    const input = { level: '01', heightMm: 2000, mode: 'only', name: 'X' };
    const [first, second] = await Promise.all([
      done(send('levels.insert', input, { commandId })),
      done(send('levels.insert', input, { commandId })),
    ]);
    expect(second).toEqual(first);
    expect((await readChangesSince(projectId, 0)).filter((row) => row.commandId === commandId)).toHaveLength(1);
  });

  it('from many at once takes numbers without gap or double, and the log adds up to the head', async () => {
    const { projectId, send } = await house();
    const before = (await readFramework(projectId)).seq;
    await Promise.all(
      Array.from({ length: 30 }, (_, i) =>
        done(send('columns.place', { place: `${i * 500},0`, section: { shape: 'circle', diameterMm: 300 } })),
      ),
    );
    const { seq } = await readFramework(projectId);
    expect(seq).toBe(before + 30);
    const log = await readChangesSince(projectId, 0);
    expect(log.map((row) => row.seq)).toEqual(log.map((_, i) => i + 1));
    const replayed = log.reduce((framework, { changes }) => apply(framework, changes), EMPTY_FRAMEWORK);
    expect(frameworkHash(replayed)).toBe(await headHash(projectId));
    expect(recordsOf(replayed, 'columnStack')).toHaveLength(30);
  });

  it('gives the project its new name', async () => {
    const { projectId, send, owner } = await house();
    await done(send('project.start', { name: 'Pier house' }));
    expect(await projectsOf(owner)).toMatchObject([{ id: projectId, name: 'Pier house', role: 'owner' }]);
  });
});

describe('a command that is refused', () => {
  it('leaves no trace', async () => {
    const { projectId, send } = await house();
    const before = [(await readFramework(projectId)).seq, await headHash(projectId)];
    const refused = await send('levels.setElevation', { level: '01', fflMm: 99000, mode: 'only' });
    expect(refused).toMatchObject({ kind: 'refused', refusal: { message: expect.stringContaining('would pass') } });
    expect([(await readFramework(projectId)).seq, await headHash(projectId)]).toEqual(before);
  });

  it('comes from somebody who may only look, or who is no member', async () => {
    const { projectId, send } = await house();
    for (const role of ['viewer', 'consultant'] as const) {
      const userId = await member(projectId, role, role);
      expect(await send('project.start', { name: 'Mine' }, { userId })).toMatchObject({
        kind: 'forbidden',
        message: expect.stringContaining(`As ${role}`),
      });
    }
    const stranger = await person('Stranger');
    expect((await send('project.start', { name: 'Mine' }, { userId: stranger })).kind).toBe('forbidden');
    const designer = await member(projectId, 'Bo', 'designer');
    expect((await send('project.start', { name: 'Ours' }, { userId: designer })).kind).toBe('done');
  });
});

describe('two people at once', () => {
  it('a plan made on other grounds is answered with who changed them, and one on untouched grounds is taken', async () => {
    const { projectId, send } = await house();
    const bo = await member(projectId, 'Bo Marsh', 'designer');
    const base = (await readFramework(projectId)).records;
    const framework = { records: new Map(Object.entries(base)) };
    const raise = { level: '01', fflMm: 5550, mode: 'push' };
    const digestOf = (input: Json, commandId: string) => {
      const planned = plan(framework, 'levels.setElevation', input, commandId);
      return planned.ok ? groundsDigest(planned.value.changes) : '';
    };
    await done(send('levels.rename', { level: '01', title: 'Rehearsal' }, { userId: bo }));
    const first = randomUUID();
    expect(
      (await send('levels.setElevation', raise, { commandId: first, previewDigest: digestOf(raise, first) })).kind,
    ).toBe('done');
    await done(send('levels.setElevation', { level: '02', fflMm: 10600, mode: 'only' }, { userId: bo }));
    const second = randomUUID();
    const lower = { level: '02', fflMm: 10000, mode: 'only' };
    const conflict = await send('levels.setElevation', lower, {
      commandId: second,
      previewDigest: digestOf(lower, second),
    });
    expect(conflict).toMatchObject({ kind: 'conflict', message: expect.stringContaining('Bo Marsh') });
  });

  it('an undo takes back one’s own field and leaves the other’s; over the other’s edit it is refused by name', async () => {
    const { projectId, send } = await house();
    const bo = await member(projectId, 'Bo Marsh', 'designer');
    const mine = randomUUID();
    await done(send('levels.setElevation', { level: '01', fflMm: 5900, mode: 'push' }, { commandId: mine }));
    await done(send('levels.rename', { level: '01', name: 'L1' }, { userId: bo }));
    await done(send(UNDO, { target: mine }));
    const framework = await frameworkAt(database(), projectId, (await readFramework(projectId)).seq);
    expect(recordsOf(framework, 'level').find(({ name }) => name === 'L1')!.heightMm).toBe(5400);
    const again = randomUUID();
    await done(send('levels.setElevation', { level: 'L1', fflMm: 5800, mode: 'push' }, { commandId: again }));
    await done(send('levels.setElevation', { level: 'L1', fflMm: 6000, mode: 'push' }, { userId: bo }));
    expect(await send(UNDO, { target: again })).toMatchObject({
      kind: 'refused',
      refusal: { message: expect.stringContaining('by Bo Marsh') },
    });
  });

  it('an undo can itself be undone, and nobody undoes what is not in this project', async () => {
    const { projectId, send } = await house();
    const [mine, undo] = [randomUUID(), randomUUID()];
    await done(send('levels.setElevation', { level: '01', fflMm: 5900, mode: 'push' }, { commandId: mine }));
    const raised = await headHash(projectId);
    await done(send(UNDO, { target: mine }, { commandId: undo }));
    const redo = randomUUID();
    await done(send(UNDO, { target: undo }, { commandId: redo }));
    expect(await headHash(projectId)).toBe(raised);
    await done(send(UNDO, { target: redo }));
    expect((await readHistory(projectId)).history.slice(0, 4).map(({ sentence }) => sentence.slice(0, 16))).toEqual([
      'Undone: Level 01',
      'Redone: Level 01',
      'Undone: Level 01',
      'Level 01 raised ',
    ]);
    const other = await house();
    expect((await other.send(UNDO, { target: mine })).kind).toBe('refused');
    expect((await send(UNDO, { target: 'x' })).kind).toBe('refused');
    expect((await send(UNDO, {})).kind).toBe('refused');
  });
});

describe('a log written in an older version', () => {
  it('is read as it would be written today: by who opens, catches up, undoes and goes on', async () => {
    const { projectId, send } = await house();
    const commandId = randomUUID();
    await done(send('levels.insert', { level: '02', heightMm: 3000, name: 'New' }, { commandId }));
    const hash = await headHash(projectId);
    // As version 1 wrote it: levels and buildings without a budget.
    await asAdmin(sql`update change set schema_version = 1, changes = jsonb_set(changes, '{added}',
      (select coalesce(jsonb_agg(rec - 'budget'), '[]') from jsonb_array_elements(changes->'added') rec))
      where project_id = ${projectId}`);
    forgetHeads();
    expect(await headHash(projectId)).toBe(hash);
    const log = await readChangesSince(projectId, 0);
    const replayed = log.reduce((framework, { changes }) => apply(framework, changes), EMPTY_FRAMEWORK);
    expect(frameworkHash(replayed)).toBe(hash);
    await done(send('levels.setBudget', { level: '01', beamMm: 400 }));
    await done(send(UNDO, { target: commandId }));
  });

  it('has fields under the names they have today, in records and in what was patched', async () => {
    const { owner, projectId, send } = await house();
    const laid = { name: 'Scan', sha256: 'a'.repeat(64), content: 'picture', u0: 0, v0: 0, width: 10, height: 10 };
    await done(send('underlays.add', { ...laid, mmPerUnit: 5, strength: 0.4 }));
    const [faded, again] = [randomUUID(), randomUUID()];
    await done(send('underlays.change', { underlay: 'Scan', strength: 0.2 }, { commandId: faded }));
    const hash = await headHash(projectId);
    // As version 7 wrote it.
    await asAdmin(sql`update change set schema_version = 7, changes =
      replace(changes::text, '"opacity"', '"strength"')::jsonb where project_id = ${projectId}`);
    const old = await database().select().from(change).where(eq(change.projectId, projectId));
    expect(JSON.stringify(old.map(({ changes }) => changes)).match(/"strength"/g)).toHaveLength(2);
    forgetHeads();
    expect(await headHash(projectId)).toBe(hash);
    const log = await readChangesSince(projectId, 0);
    expect(Object.keys(log.at(-1)!.changes.patched[0]!.fields)).toEqual(['opacity']);
    const replayed = log.reduce((framework, { changes }) => apply(framework, changes), EMPTY_FRAMEWORK);
    expect(frameworkHash(replayed)).toBe(hash);
    // Sent again it is answered as it would be today; it is undone, and a later edit of the same field bars the undo.
    const first = await done(send('underlays.change', { underlay: 'Scan', strength: 0.2 }, { commandId: faded }));
    expect(Object.keys(first.changes.patched[0]!.fields)).toEqual(['opacity']);
    await done(send('underlays.change', { underlay: 'Scan', strength: 0.9 }, { commandId: again }));
    await asAdmin(sql`update change set schema_version = 7, changes =
      replace(changes::text, '"opacity"', '"strength"')::jsonb where command_id = ${again}`);
    expect(await send(UNDO, { target: faded })).toMatchObject({ kind: 'refused' });
    await done(send(UNDO, { target: again }));
    await done(send(UNDO, { target: faded }));
    const { records } = await readFramework(projectId);
    expect(Object.values(records).find(({ kind }) => kind === 'underlay')).toMatchObject({ opacity: 0.4 });
    // Taken away since, what was said of it is still read as it would be today.
    await done(send('underlays.remove', { underlay: 'Scan' }, { userId: owner }));
    expect(
      (await readChangesSince(projectId, 0)).some(({ changes }) => 'strength' in (changes.patched[0]?.fields ?? {})),
    ).toBe(false);
  });
});

describe('memory and snapshots', () => {
  it('are only shortcuts: from memory, from a snapshot and from the log alone the framework is the same', async () => {
    const owner = await person('Random');
    const projectId = randomUUID();
    await database().insert(project).values({ id: projectId, name: 'Random' });
    await setMember(projectId, owner, 'designer');
    const run = randomRun(7, 120);
    for (const { commandId, command, input } of run.steps) {
      await done(runCommand({ projectId, userId: owner, commandId, command, input: structuredClone(input) as Json }));
    }
    const hash = frameworkHash(run.end);
    const { seq } = await readFramework(projectId);
    expect(await headHash(projectId)).toBe(hash);
    forgetHeads();
    expect(await headHash(projectId)).toBe(hash);
    await writeSnapshot({ projectId, seq: 80 });
    forgetHeads();
    expect(await headHash(projectId)).toBe(hash);
    expect(frameworkHash(await replayAll(database(), projectId, seq))).toBe(hash);
    await database().update(snapshot).set({ hash: 'damaged' }).where(eq(snapshot.projectId, projectId));
    forgetHeads();
    expect(await headHash(projectId)).toBe(hash);
    // What is in the log the app itself can neither change nor delete.
    await expect(database().delete(change).where(eq(change.projectId, projectId))).rejects.toMatchObject({
      cause: { code: '42501' },
    });
    await expect(
      database().update(change).set({ sentence: '' }).where(eq(change.projectId, projectId)),
    ).rejects.toMatchObject({ cause: { code: '42501' } });
    await asAdmin(sql`delete from change where project_id = ${projectId}`);
    forgetHeads();
    expect(await readFramework(projectId)).toMatchObject({ readOnly: expect.stringMatching(/missing or damaged/) });
  });
});
