import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import { audit, blob, session, user } from '../db/schema';
import { newPerson } from '../testing/people';
import { keepFile } from '../projects/files';
import { createProject } from '../projects/projects';
import { sweep, sweepFiles } from './sweep';

afterAll(closeDatabase);

it('files that no underlay names are removed after their days, those that one names or lately named are not', async () => {
  const userId = randomUUID();
  await database()
    .insert(user)
    .values({ id: userId, name: 'Ada', email: `${userId}@test.example` });
  const [mine, other] = [await createProject(userId, 'Mine', 'A'), await createProject(userId, 'Other', 'B')];
  const bytes = (text: string) => new TextEncoder().encode(text);
  const named = await keepFile(mine, 'named.png', bytes('named'));
  const unnamed = await keepFile(mine, 'unnamed.dxf', bytes('unnamed'));
  const removed = await keepFile(mine, 'removed.png', bytes('removed'));
  const fresh = await keepFile(mine, 'fresh.dxf', bytes('fresh'));
  // The same contents in a project where nobody names them.
  await keepFile(other, 'named.png', bytes('named'));
  const send = (command: string, input: object) =>
    runCommand({ projectId: mine, userId, commandId: randomUUID(), command, input: input as never });
  for (const [name, sha256] of [
    ['Scan', named],
    ['Gone', removed],
  ] as const) {
    const view = { name, sha256, content: 'picture', width: 100, height: 100, mmPerUnit: 10 };
    expect(await send('underlays.add', view)).toMatchObject({ kind: 'done' });
  }
  expect(await send('underlays.remove', { underlay: 'Gone' })).toMatchObject({ kind: 'done' });
  await database()
    .update(blob)
    .set({ at: sql`now() - interval '40 days'` })
    .where(sql`${blob.projectId} in (${mine}, ${other}) and ${blob.sha256} <> ${fresh}`);
  await sweepFiles();
  const left = async (projectId: string) =>
    (await database().select({ sha256: blob.sha256 }).from(blob).where(eq(blob.projectId, projectId))).map(
      ({ sha256 }) => sha256,
    );
  expect((await left(mine)).sort()).toEqual([named, removed, fresh].sort());
  expect(await left(mine)).not.toContain(unnamed);
  expect(await left(other)).toEqual([]);
});

it('the sweep of a night, as the app’s own role, ends what is over and leaves what is not', async () => {
  const ada = await newPerson('Ada');
  const requestId = randomUUID();
  const line = { event: 'signed in', userId: ada.id, requestId, address: '', route: '', status: 200 };
  const daysAgo = (days: number) => sql`now() - make_interval(days => ${days})`;
  await database()
    .insert(audit)
    .values([
      { ...line, at: daysAgo(399) },
      { ...line, at: daysAgo(401) },
    ]);
  const over = { id: randomUUID(), token: randomUUID(), userId: ada.id, expiresAt: new Date(Date.now() - 1000) };
  await database().insert(session).values(over);
  await sweep();
  expect(await database().select().from(audit).where(eq(audit.requestId, requestId))).toHaveLength(1);
  const tokens = (await database().select().from(session).where(eq(session.userId, ada.id))).map(({ token }) => token);
  expect(tokens).toEqual([ada.token]);
});
