import { ROLES } from '@/core/people/powers';
import { closeDatabase } from '../db/connection';
import { createProject } from '../projects/projects';
import { newPerson, setMember } from '../testing/people';
import { changeMember, handOver, membersOf, powersInWords, removeMember } from './members';

afterAll(closeDatabase);

async function house() {
  const owner = await newPerson('Orla');
  const projectId = await createProject(owner.id, 'House', 'Hall');
  const ada = await newPerson('Ada');
  await setMember(projectId, ada.id, 'designer');
  const roles = async () => Object.fromEntries((await membersOf(projectId)).map(({ name, role }) => [name, role]));
  return { projectId, owner, ada, roles };
}

describe('members of a project', () => {
  it('have a role that an owner changes; disciplines are a consultant’s', async () => {
    const { projectId, ada, roles } = await house();
    const change = await changeMember(projectId, ada.id, { role: 'consultant', disciplines: ['Structure', 'Fire'] });
    expect(change).toEqual({ before: 'designer', after: 'consultant' });
    expect((await membersOf(projectId)).find(({ id }) => id === ada.id)).toMatchObject({
      disciplines: ['Structure', 'Fire'],
    });
    await changeMember(projectId, ada.id, { role: 'viewer', disciplines: ['Fire'] });
    expect(await roles()).toEqual({ Orla: 'owner', Ada: 'viewer' });
    expect((await membersOf(projectId)).find(({ id }) => id === ada.id)!.disciplines).toEqual([]);
  });

  it('always have an owner among them', async () => {
    const { projectId, owner, ada, roles } = await house();
    const last = 'A project has an owner';
    await expect(changeMember(projectId, owner.id, { role: 'designer' })).rejects.toThrow(last);
    await expect(removeMember(projectId, owner.id)).rejects.toThrow(last);
    expect(await roles()).toEqual({ Orla: 'owner', Ada: 'designer' });
    await changeMember(projectId, ada.id, { role: 'owner' });
    // Both leave at once: one of them stays.
    const left = await Promise.allSettled([removeMember(projectId, owner.id), removeMember(projectId, ada.id)]);
    expect(left.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    expect(Object.values(await roles())).toEqual(['owner']);
  });

  it('can be handed the project: who gives it goes on as designer', async () => {
    const { projectId, owner, ada, roles } = await house();
    await handOver(projectId, owner.id, ada.id);
    expect(await roles()).toEqual({ Ada: 'owner', Orla: 'designer' });
    await expect(handOver(projectId, ada.id, (await newPerson('Stranger')).id)).rejects.toThrow('not in this project');
    expect(await roles()).toEqual({ Ada: 'owner', Orla: 'designer' });
  });

  it('are told in words what each may do', () => {
    const words = powersInWords('owners');
    expect(words.map(({ role }) => role)).toEqual(ROLES);
    expect(words.find(({ role }) => role === 'viewer')!.may).toHaveLength(1);
    expect(words.find(({ role }) => role === 'designer')!.may).not.toContain('invite people');
    expect(powersInWords('designers').find(({ role }) => role === 'designer')!.may).toContain('invite people');
  });
});
