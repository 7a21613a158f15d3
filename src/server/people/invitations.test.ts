import { eq, sql } from 'drizzle-orm';
import { closeDatabase, database } from '../db/connection';
import { invitation, outbox } from '../db/schema';
import { deleteProject } from '../projects/deleted-projects';
import { changeProject } from '../projects/project-settings';
import { createProject } from '../projects/projects';
import { newPerson, setMember } from '../testing/people';
import { invitationsOf, invite, invitedBy, isInvited, join, takeBackInvitation } from './invitations';
import { hashOfToken } from './links';
import { membersOf } from './members';
import { readOutbox } from './outbox';

afterAll(closeDatabase);

const tokenOf = (link: string): string => link.split('#')[1]!;

async function house() {
  const owner = { ...(await newPerson('Orla')), role: 'owner' as const };
  const projectId = await createProject(owner.id, 'House', 'Hall');
  const sent = async (email = 'sten@test.example') =>
    tokenOf((await invite(projectId, owner, { email, role: 'consultant', disciplines: ['Fire'], days: 14 })).link);
  return { owner, projectId, sent };
}

describe('an invitation by a link', () => {
  it('says what it is for, lets one person in, and works no second time', async () => {
    const { projectId, sent, owner } = await house();
    const token = await sent();
    expect(await invitedBy(token)).toMatchObject({
      project: 'House',
      role: 'consultant',
      disciplines: ['Fire'],
      invitedBy: 'Orla',
    });
    const [sten, tor] = [await newPerson('Sten'), await newPerson('Tor')];
    expect(await join(token, sten.id)).toEqual({ projectId, role: 'consultant' });
    await expect(join(token, tor.id)).rejects.toThrow('This invitation was used already');
    await expect(invitedBy(token)).rejects.toThrow('used already');
    expect((await membersOf(projectId)).map(({ name, role, disciplines }) => [name, role, disciplines])).toEqual([
      [owner.name, 'owner', []],
      ['Sten', 'consultant', ['Fire']],
    ]);
    expect(await invitationsOf(projectId)).toMatchObject([{ state: 'used', usedBy: 'Sten', invitedBy: 'Orla' }]);
  });

  it('lets one of two in who use it at the same moment', async () => {
    const { projectId, sent } = await house();
    const token = await sent();
    const people = await Promise.all(['A', 'B', 'C'].map((name) => newPerson(name)));
    const came = await Promise.allSettled(people.map(({ id }) => join(token, id)));
    expect(came.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(await membersOf(projectId)).toHaveLength(2);
  });

  it('is not used up by who is in already', async () => {
    const { projectId, sent, owner } = await house();
    const token = await sent();
    await expect(join(token, owner.id)).rejects.toThrow('You are in this project already');
    expect(await join(token, (await newPerson('Sten')).id)).toMatchObject({ projectId });
  });

  it('works no more when it is too old, taken back, or its project is deleted', async () => {
    const { projectId, sent, owner } = await house();
    const sten = await newPerson('Sten');
    const [old, back, last] = [
      await sent('a@test.example'),
      await sent('b@test.example'),
      await sent('c@test.example'),
    ];
    await database()
      .update(invitation)
      .set({ expiresAt: sql`now() - interval '1 second'` })
      .where(eq(invitation.tokenHash, hashOfToken(old)));
    await expect(join(old, sten.id)).rejects.toThrow('too old');
    const { id } = (await invitationsOf(projectId)).find(({ email }) => email === 'b@test.example')!;
    await takeBackInvitation(projectId, id);
    await expect(takeBackInvitation(projectId, id)).rejects.toThrow('not open any more');
    await expect(join(back, sten.id)).rejects.toThrow('taken back');
    expect((await invitationsOf(projectId)).map(({ state }) => state).sort()).toEqual([
      'expired',
      'open',
      'taken back',
    ]);
    await deleteProject(projectId, owner.id, 'House');
    await expect(join(last, sten.id)).rejects.toThrow('leads nowhere');
    expect(await isInvited(last)).toBe(false);
    expect(await membersOf(projectId)).toHaveLength(1);
  });

  it('of another project cannot be taken back from here', async () => {
    const [mine, theirs] = [await house(), await house()];
    const token = await theirs.sent();
    const [open] = await invitationsOf(theirs.projectId);
    await expect(takeBackInvitation(mine.projectId, open!.id)).rejects.toThrow('not open');
    expect(await isInvited(token)).toBe(true);
  });

  it('is refused for who is in, from who may not invite, and to more than one may give', async () => {
    const { projectId, owner } = await house();
    const ada = { ...(await newPerson('Ada')), role: 'designer' as const };
    await setMember(projectId, ada.id, 'designer');
    const wanted = { email: 'x@test.example', role: 'viewer' as const, disciplines: [], days: 14 };
    await expect(invite(projectId, owner, { ...wanted, email: ada.email })).rejects.toThrow('Ada is in this project');
    await expect(invite(projectId, ada, wanted)).rejects.toThrow('In this project owners invite');
    await changeProject(projectId, owner.id, { inviters: 'designers' });
    expect((await invite(projectId, ada, wanted)).link).toContain('/join#');
    await expect(invite(projectId, ada, { ...wanted, role: 'owner' })).rejects.toThrow('Only an owner');
  });
});

describe('what is kept of a link', () => {
  const rowsHolding = async (token: string) => {
    const { rows } = await database().execute<{ n: string }>(sql`
      select count(*) as n from (select i::text as t from invitation i union all select o::text from outbox o
        union all select a::text from audit a) as all_rows where t like ${`%${token}%`}`);
    return Number(rows[0]!.n);
  };

  it('is a hash alone; the outbox can show it until it is used, and then nowhere', async () => {
    const { sent } = await house();
    const token = await sent('kept@test.example');
    expect(await rowsHolding(token)).toBe(0);
    const shown = async () => (await readOutbox()).find(({ to }) => to === 'kept@test.example')!.link;
    expect(await shown()).toBe(`http://127.0.0.1:${new URL((await shown())!).port}/join#${token}`);
    await join(token, (await newPerson('Sten')).id);
    expect(await shown()).toBeNull();
    const [row] = await database()
      .select()
      .from(outbox)
      .where(eq(outbox.tokenHash, hashOfToken(token)));
    expect(row!.sealedLink).toBeNull();
  });

  it('is refused when it is no token at all', async () => {
    for (const token of ['', 'a', "' or true --", 'a'.repeat(43)])
      await expect(invitedBy(token)).rejects.toThrow('This link leads nowhere');
  });
});
