import { randomUUID } from 'node:crypto';
import type { KeptView } from '@/core/views/named-view';
import { WHOLE } from '@/core/views/view-part';
import { closeDatabase, database } from '../db/connection';
import { user } from '../db/schema';
import { dropOwnView, keepOwnView, ownViews } from './own-views';
import { setMember } from '../testing/people';
import { createProject } from './projects';

afterAll(closeDatabase);

async function person(): Promise<string> {
  const id = randomUUID();
  await database()
    .insert(user)
    .values({ id, name: 'Ada', email: `${id}@test.example` });
  return id;
}
const view = (name: string, hidden: KeptView['hidden'] = []): KeptView => ({
  building: randomUUID(),
  name,
  tab: 'model',
  level: null,
  hidden,
  ghosts: [],
  part: WHOLE,
});

describe('views a person keeps for themselves', () => {
  it('are that person’s in that project only, by name, kept anew under the same', async () => {
    const [owner, viewer] = [await person(), await person()];
    const [project, other] = [await createProject(owner, 'A', 'Hall'), await createProject(owner, 'B', 'Hall')];
    await setMember(project, viewer, 'viewer');
    await keepOwnView(project, owner, view('Structure'));
    await keepOwnView(project, owner, view('Core'));
    await keepOwnView(project, owner, view('Structure', ['walls']));
    const kept = await ownViews(project, owner);
    expect(kept.map(({ name, hidden }) => [name, hidden])).toEqual([
      ['Core', []],
      ['Structure', ['walls']],
    ]);
    expect(await ownViews(project, viewer)).toEqual([]);
    expect(await ownViews(other, owner)).toEqual([]);
    // Who may only look keeps views too.
    await keepOwnView(project, viewer, view('Core'));
    await dropOwnView(project, owner, 'Core');
    expect((await ownViews(project, owner)).map(({ name }) => name)).toEqual(['Structure']);
    expect(await ownViews(project, viewer)).toHaveLength(1);
    await expect(dropOwnView(project, owner, 'Core')).rejects.toThrow('You keep no view named Core here');
  });

  it('are 200 at most', async () => {
    const owner = await person();
    const project = await createProject(owner, 'Many', 'Hall');
    for (let i = 0; i < 200; i += 1) await keepOwnView(project, owner, view(`View ${i}`));
    await expect(keepOwnView(project, owner, view('One more'))).rejects.toThrow('Drop one first');
    // The ones there may still be kept anew.
    await keepOwnView(project, owner, view('View 7', ['rooms']));
    expect(await ownViews(project, owner)).toHaveLength(200);
  });
});
