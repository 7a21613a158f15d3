import { randomUUID } from 'node:crypto';
import { drizzle } from 'drizzle-orm/node-postgres';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import { frameworkHash } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { forgetHeads } from '../changes/head';
import { readFramework } from '../changes/read-changes';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import * as schema from '../db/schema';
import { writeSnapshot } from '../jobs/snapshot';
import { createProject } from '../projects/projects';
import { fingerprints } from './fingerprints';
import { faultOf, lostChanges, mend } from './mend';

const admin = new pg.Pool({ connectionString: process.env.ADMIN_DATABASE_URL, max: 2 });
const asAdmin = drizzle(admin, { schema });
afterAll(async () => {
  await closeDatabase();
  await admin.end();
});

/** A project of twelve changes with a snapshot at the ninth. */
async function house() {
  const userId = randomUUID();
  await database()
    .insert(schema.user)
    .values({ id: userId, name: 'Ada', email: `${userId}@test.example` });
  const projectId = await createProject(userId, 'House', 'Hall');
  const send = (command: string, input: Json) =>
    runCommand({ projectId, userId, commandId: randomUUID(), command, input });
  await send('levels.setUp', { above: '5.4m 2@4.8m', below: '' });
  for (let i = 0; i < 9; i += 1) await send('levels.rename', { level: '01', title: `Title ${i}` });
  await writeSnapshot({ projectId, seq: 9 });
  const { seq, records } = await readFramework(projectId);
  expect(seq).toBe(12);
  return { projectId, send, hash: frameworkHash({ records: new Map(Object.entries(records)) }) };
}

const without = async (projectId: string, ...seqs: number[]) => {
  for (const seq of seqs)
    await asAdmin.execute(sql`delete from change where project_id = ${projectId} and seq = ${seq}`);
  await asAdmin.execute(sql`delete from snapshot where project_id = ${projectId} and seq < 0`);
  forgetHeads();
};

describe('a log with a row missing or damaged', () => {
  it('opens the project at the last good state, says which row, and takes no command', async () => {
    const { projectId, send } = await house();
    await without(projectId, 11);
    const read = await readFramework(projectId);
    expect(read).toMatchObject({ seq: 10, readOnly: expect.stringMatching(/Change 11 .* missing or damaged/) });
    await expect(send('levels.rename', { level: '01', title: 'More' })).rejects.toThrow(/Change 11/);
  });

  it('is mended from a later snapshot: all there again, as it was', async () => {
    const { projectId, hash } = await house();
    for (const damage of [
      () => without(projectId, 5),
      async () => {
        await asAdmin.execute(sql`update change set changes = '{"added":[],"patched":[{"id":"x","fields":{}}],"removed":[]}'
          where project_id = ${projectId} and seq = 6`);
        forgetHeads();
      },
    ]) {
      await damage();
      const fault = await faultOf(asAdmin, projectId);
      expect(fault?.why).toBe('damaged');
      const lost = await lostChanges(asAdmin, projectId, fault!);
      await mend(asAdmin, projectId, fault!, lost!);
      expect(await faultOf(asAdmin, projectId)).toBeNull();
      expect((await fingerprints())[projectId]).toEqual({ seq: 12, hash });
    }
  });

  it('that no snapshot knows is left as it is', async () => {
    const { projectId } = await house();
    await without(projectId, 11);
    const fault = await faultOf(asAdmin, projectId);
    expect([fault?.at, await lostChanges(asAdmin, projectId, fault!)]).toEqual([11, null]);
  });

  it('written by a newer version is refused in words, and opened by nobody', async () => {
    const { projectId } = await house();
    await asAdmin.execute(sql`update change set schema_version = 999 where project_id = ${projectId} and seq = 12`);
    forgetHeads();
    await expect(readFramework(projectId)).rejects.toThrow(/newer version of the program/);
  });
});
