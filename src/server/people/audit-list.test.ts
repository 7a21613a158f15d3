import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { runCommand } from '../changes/run-command';
import { closeDatabase, database } from '../db/connection';
import { audit } from '../db/schema';
import { createProject } from '../projects/projects';
import { newPerson, setMember } from '../testing/people';
import { auditCsv, readAuditList } from './audit-list';

afterAll(closeDatabase);

async function house() {
  const [orla, ada] = [await newPerson('Orla'), await newPerson('Ada')];
  const projectId = await createProject(orla.id, 'House', 'Hall');
  await setMember(projectId, ada.id, 'designer');
  const note = (event: string, more: Partial<typeof audit.$inferInsert> = {}) =>
    database()
      .insert(audit)
      .values({
        event,
        userId: orla.id,
        projectId,
        requestId: randomUUID(),
        address: '10.0.0.7',
        route: '',
        status: 200,
        ...more,
      });
  return { orla, ada, projectId, note };
}

describe('what happened around a project', () => {
  it('is told with who, whom and what, latest first, and edits by their number a day', async () => {
    const { orla, ada, projectId, note } = await house();
    await note('invited', { detail: 'viewer', at: sql`now() - interval '2 hours'` as never });
    await note('changed the role of', { aboutId: ada.id, detail: 'designer → viewer' });
    for (const name of ['One', 'Two'])
      await runCommand({
        projectId,
        userId: ada.id,
        commandId: randomUUID(),
        command: 'project.start',
        input: { name },
      });
    const { lines, more, events } = await readAuditList(projectId, {});
    expect(more).toBe(false);
    expect(events).toEqual(['changed the role of', 'edited', 'invited']);
    expect(lines.map(({ event }) => event).at(-1)).toBe('invited');
    expect(lines.find(({ event }) => event === 'changed the role of')).toMatchObject({
      who: 'Orla',
      about: 'Ada',
      detail: 'designer → viewer',
      address: '10.0.0.7',
    });
    const edits = Object.fromEntries(
      lines.filter(({ event }) => event === 'edited').map(({ who, detail }) => [who, detail]),
    );
    expect(edits).toEqual({ Orla: '2 edits', Ada: '2 edits' });
    expect(orla.id).not.toBe(ada.id);
  });

  it('is filtered by what, by whom it was or was about, and by day; and holds nothing of other projects', async () => {
    const { ada, projectId, note } = await house();
    const other = await house();
    await other.note('downloaded');
    await note('downloaded');
    await note('removed', { aboutId: ada.id, at: sql`now() - interval '3 days'` as never });
    // Signed in since she is a member; another place's sign-in is not this project's.
    await note('signed in', { userId: ada.id, projectId: null });
    await note('signed in', { userId: other.orla.id, projectId: null });
    const told = async (asked: Parameters<typeof readAuditList>[1]) =>
      (await readAuditList(projectId, asked)).lines.map(({ event, who }) => [event, who]);
    expect(await told({ event: 'downloaded' })).toEqual([['downloaded', 'Orla']]);
    expect(await told({ event: 'signed in' })).toEqual([['signed in', 'Ada']]);
    expect(await told({ person: ada.id })).toEqual([
      ['signed in', 'Ada'],
      ['removed', 'Orla'],
    ]);
    const day = (daysAgo: number) => new Date(Date.now() - daysAgo * 86_400_000).toISOString().slice(0, 10);
    expect(await told({ from: day(4), to: day(2) })).toEqual([['removed', 'Orla']]);
    const csv = await auditCsv(projectId, { event: 'removed' });
    expect(csv.split('\r\n')[0]).toBe('when,who,what,whom,detail,from');
    expect(csv).toMatch(/Z,Orla,removed,Ada,/);
  });
});
