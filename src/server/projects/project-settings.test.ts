import { closeDatabase } from '../db/connection';
import { readHistory } from '../changes/read-changes';
import { newPerson } from '../testing/people';
import { changeProject, detailsOf, projectOf } from './project-settings';
import { createProject } from './projects';

afterAll(closeDatabase);

const DETAILS = { code: 'TY-04', client: 'Trust', address: null, rules: 'general' as const };

it('a project is changed whole or not at all, by commands where it is the framework that changes', async () => {
  const orla = await newPerson('Orla');
  const id = await createProject(orla.id, 'House', 'Hall');
  await changeProject(id, orla.id, { name: 'Mill', units: 'imperial', inviters: 'designers', details: DETAILS });
  expect(await projectOf(id)).toMatchObject({
    name: 'Mill',
    units: 'imperial',
    inviters: 'designers',
    archived: false,
  });
  expect((await detailsOf(id)).details).toEqual(DETAILS);
  expect((await readHistory(id)).history.slice(0, 2).map(({ sentence }) => sentence)).toEqual([
    'Details of the project changed',
    'Project named Mill',
  ]);
  // Put away together with a new name; after that nothing of a change is done.
  await changeProject(id, orla.id, { name: 'Old mill', archived: true });
  expect(await projectOf(id)).toMatchObject({ name: 'Old mill', archived: true });
  await expect(changeProject(id, orla.id, { name: 'No', units: 'metric' })).rejects.toThrow('is archived');
  expect(await projectOf(id)).toMatchObject({ name: 'Old mill', units: 'imperial' });
  // Taken out and renamed in one.
  await changeProject(id, orla.id, { archived: false, name: 'Mill again' });
  expect(await projectOf(id)).toMatchObject({ name: 'Mill again', archived: false });
});

it('a project without disciplines of its own has the usual ones', async () => {
  const orla = await newPerson('Orla');
  const id = await createProject(orla.id, 'House', 'Hall');
  expect((await projectOf(id)).disciplines).toContain('Structure');
  await changeProject(id, orla.id, { disciplines: ['Timber'] });
  expect((await projectOf(id)).disciplines).toEqual(['Timber']);
});
