import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { forgetHeads } from '../changes/head';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import { project, projectSummary } from '../db/schema';
import { projectsOf } from '../projects/project-list';
import { createProject } from '../projects/projects';
import { newPerson } from '../testing/people';
import { writeSummary } from './summary';

afterAll(closeDatabase);

it('what the list shows of a project is worked out at its head, and never goes back', async () => {
  const orla = await newPerson('Orla');
  const projectId = await createProject(orla.id, 'House', 'Hall');
  const listed = async () => (await projectsOf(orla.id))[0]!;
  expect((await listed()).summary).toBeNull();
  await writeSummary({ projectId });
  expect((await listed()).summary).toEqual({ seq: 2, buildings: [{ name: 'Hall', levels: 0 }] });
  const sent = { projectId, userId: orla.id, commandId: randomUUID() };
  await runCommand({ ...sent, command: 'levels.setUp', input: { above: '5.4m 2@4.8m', below: '3.9m' } });
  const { summary, headSeq, lastBy, lastDone } = await listed();
  expect([summary!.seq, headSeq, lastBy]).toEqual([2, 3, 'Orla']);
  expect(lastDone).toMatch(/level/i);
  await writeSummary({ projectId });
  expect((await listed()).summary).toEqual({ seq: 3, buildings: [{ name: 'Hall', levels: 5 }] });
  // One that was begun before and ends later changes nothing.
  await database().update(projectSummary).set({ seq: 9, buildings: [] }).where(eq(projectSummary.projectId, projectId));
  await writeSummary({ projectId });
  expect((await listed()).summary).toEqual({ seq: 9, buildings: [] });
  // A project that is gone is nobody's trouble.
  await writeSummary({ projectId: randomUUID() });
});

it('of a damaged log it shows the last good state', async () => {
  const orla = await newPerson('Orla');
  const projectId = await createProject(orla.id, 'House', 'Hall');
  const sent = { projectId, userId: orla.id, commandId: randomUUID() };
  await runCommand({ ...sent, command: 'levels.setUp', input: { above: '5.4m 2@4.8m', below: '3.9m' } });
  // As though a row were missing: the head is beyond what is there.
  await database().update(project).set({ headSeq: 5 }).where(eq(project.id, projectId));
  forgetHeads();
  await writeSummary({ projectId });
  expect((await projectsOf(orla.id))[0]!.summary).toEqual({ seq: 5, buildings: [{ name: 'Hall', levels: 5 }] });
});
