import { eq, inArray, sql } from 'drizzle-orm';
import pg from 'pg';
import { roleIn } from '../people/membership';
import { closeDatabase, database } from '../db/connection';
import { change, project, user } from '../db/schema';
import { importProject, exportProject } from '../projects/project-file';
import { deleteProject, restoreProject } from '../projects/deleted-projects';
import { projectsOf } from '../projects/project-list';
import { createProject } from '../projects/projects';
import { newPerson, setMember } from '../testing/people';
import { sweepProjects } from './sweep-projects';

afterAll(closeDatabase);

/** As if a project had been deleted so many days ago. */
const deletedDaysAgo = (id: string, days: number) =>
  database()
    .update(project)
    .set({ deletedAt: sql`now() - make_interval(days => ${days})` })
    .where(eq(project.id, id));

it('a deleted project is nobody’s until it is brought back, and after its days it is gone with all that is its own', async () => {
  const [orla, ada] = [await newPerson('Orla'), await newPerson('Ada')];
  const [kept, back, gone, other] = await Promise.all(
    ['Kept', 'Back', 'Gone', 'Other'].map((name) => createProject(orla.id, name, 'Hall')),
  );
  for (const id of [kept!, back!, gone!]) await setMember(id, ada.id, 'designer');
  await expect(deleteProject(gone!, orla.id, 'gone')).rejects.toThrow('Type Gone to delete it');
  for (const [id, name] of [
    [kept!, 'Kept'],
    [back!, 'Back'],
    [gone!, 'Gone'],
  ] as const)
    await deleteProject(id, orla.id, name);
  expect([await roleIn(database(), gone!, orla.id), await roleIn(database(), gone!, ada.id)]).toEqual([null, null]);
  expect((await projectsOf(ada.id)).length).toBe(0);
  expect((await projectsOf(orla.id)).filter(({ deletedAt }) => deletedAt)).toHaveLength(3);
  await restoreProject(back!);
  expect(await roleIn(database(), back!, ada.id)).toBe('designer');
  await deletedDaysAgo(kept!, 29);
  await deletedDaysAgo(gone!, 31);
  await sweepProjects();
  const left = await database()
    .select({ id: project.id })
    .from(project)
    .where(inArray(project.id, [kept!, back!, gone!, other!]));
  expect(new Set(left.map(({ id }) => id))).toEqual(new Set([kept, back, other]));
  expect(await database().select().from(change).where(eq(change.projectId, gone!))).toEqual([]);
  expect(await database().select().from(change).where(eq(change.projectId, kept!))).toHaveLength(2);
});

it('names without an account go with the last log they stand in', async () => {
  const [orla, mira] = [await newPerson('Orla'), await newPerson('Mira')];
  const from = await createProject(orla.id, 'From', 'Hall');
  const file = new Uint8Array(await (await exportProject(from, orla.id)).arrayBuffer());
  const asker = { person: mira, signal: new AbortController().signal, request: new Request('http://127.0.0.1/') };
  const { id } = await importProject(asker, 'from.zip', file);
  const [first] = await database().select().from(change).where(eq(change.projectId, id));
  const { authorId } = first!;
  const ghost = () => database().select().from(user).where(eq(user.id, authorId));
  await sweepProjects();
  expect(await ghost()).toMatchObject([{ name: 'Orla', isGone: true }]);
  await deleteProject(id, mira.id, 'From');
  await deletedDaysAgo(id, 40);
  await sweepProjects();
  expect(await ghost()).toEqual([]);
});

it('the app itself can remove no project, and none before its days', async () => {
  const orla = await newPerson('Orla');
  const id = await createProject(orla.id, 'Mine', 'Hall');
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await expect(client.query('delete from project where id = $1', [id])).rejects.toThrow('permission denied');
  await deleteProject(id, orla.id, 'Mine');
  await client.query('select spine_remove_deleted(-5)');
  await client.end();
  expect(await database().select().from(project).where(eq(project.id, id))).toHaveLength(1);
});
