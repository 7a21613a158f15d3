import { recordsOf } from '@/core/model/framework';
import { frameworkAt } from '../changes/head';
import { readHeadSeq } from '../changes/read-changes';
import { closeDatabase, database } from '../db/connection';
import { newPerson } from '../testing/people';
import { tryTemplate } from './from-template';
import { projectsOf } from './project-list';
import { projectOf } from './project-settings';
import { createProject } from './projects';

afterAll(closeDatabase);

it('a project made from a template has what its commands make, in its units, and a history of them', async () => {
  const orla = await newPerson('Orla');
  const asked = { key: 'low-rise', numbers: { storeys: "2@12'", basements: '' }, system: 'imperial' as const };
  const id = await createProject(orla.id, 'Quay', 'Quay house', asked);
  expect((await projectOf(id)).units).toBe('imperial');
  const seq = (await readHeadSeq(id))!;
  const framework = await frameworkAt(database(), id, seq);
  expect(
    recordsOf(framework, 'level')
      .map(({ name }) => name)
      .sort(),
  ).toEqual(['00', '01', 'RF']);
  expect(recordsOf(framework, 'building').map(({ name }) => name)).toEqual(['Quay house']);
  expect(seq).toBeGreaterThan(10);
});

it('what is refused makes no project', async () => {
  const orla = await newPerson('Orla');
  const made = async (key: string, numbers: Record<string, string>) =>
    createProject(orla.id, 'None', 'Hall', { key, numbers, system: 'metric' });
  await expect((async () => made('castle', {}))()).rejects.toThrow('There is no template castle');
  await expect((async () => made('low-rise', { deep: '3@1m' }))()).rejects.toThrow(
    'Bays deep: 3000 to 15000, not 1000',
  );
  expect(await projectsOf(orla.id)).toEqual([]);
});

it('a template that is tried says what it would be, and keeps nothing of another that was typed', () => {
  const begun = tryTemplate({ key: 'by-heights', numbers: {}, system: 'metric' }, 'Hall');
  expect(begun.words).toMatch(/^14 storeys/);
  expect(begun.elevation.ground).toBeNull();
  const typed = tryTemplate(
    { key: 'by-heights', numbers: { storeys: '2@3m', basements: '' }, system: 'metric' },
    'Hall',
  );
  expect(typed.levelsMm).toEqual([0, 3000, 6000]);
  expect(tryTemplate({ key: 'by-heights', numbers: {}, system: 'metric' }, 'Hall')).toEqual(begun);
});
