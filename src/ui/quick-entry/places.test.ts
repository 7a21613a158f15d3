import { TOPICS, topicAt, topicsFor } from '../help/topics';
import { STEPS } from '@/core/kinds/steps';
import { toolsAt } from '../kinds/registry';
import { placesFor, saysNotThere } from './places';

const found = (line: string) => placesFor(line).map(({ words }) => words);

it.each([
  ['door', 'Doors & windows, at Walls'],
  ['windows', 'Doors & windows, at Walls'],
  ['roof', 'Flat roof, at Floors & roof'],
  ['gable', 'Pitched roof, at Floors & roof'],
  ['skylight', 'Dormers, at Floors & roof'],
  ['gutter', 'Falls, at Floors & roof'],
  ['mullion', 'Walls'],
  ['elevator', 'Shafts'],
  ['raft', 'Foundations, at Floors & roof'],
  ['slab', 'Floors, at Floors & roof'],
  ['pillar', 'Columns'],
  ['axes', 'Grids'],
  ['storey', 'Levels'],
  ['ceiling', 'Ceilings, at Walls'],
  ['area', 'Rooms, at Walls'],
  ['elevation', 'Section, a view'],
  ['3d', '3D, a view'],
  ['quantities', 'Schedules, a view'],
  ['ifc', 'Hand over'],
  ['clashes', 'Checks'],
  ['help', 'Help and keys'],
  ['shortcuts', 'Help and keys'],
])('%s leads to %s', (line, words) => expect(found(line)).toContain(words));

it('every tool is found by its own name, and a line that is a command leads nowhere else', () => {
  for (const step of STEPS)
    for (const { words } of toolsAt(step))
      expect(found(words.toLowerCase().replace(' & ', ' ')).join()).toContain(words);
  expect(found('')).toEqual([]);
  expect(found('level 02 to 10.35m')).toEqual([]);
});

it.each([
  ['transom', /Transoms are not there/],
  ['furniture', /not part of a framework/],
])('%s is said not to be there', (line, says) => expect(saysNotThere(line)).toMatch(says));

it('help opens at what one is doing, and is found by any of its words', () => {
  expect(topicAt('stairs', 'plan').title).toBe('Stairs');
  expect(topicAt(null, 'board').title).toBe('Carry board');
  expect(topicsFor('setback')[0]!.title).toBe('Floors and roofs');
  expect(topicsFor('feet')[0]!.title).toBe('Lengths and places');
  expect(topicsFor('door').map(({ title }) => title)[0]).toBe('Walls, doors and windows');
  expect(topicsFor('flux capacitor')).toEqual([]);
  expect(topicsFor('')).toHaveLength(TOPICS.length);
});
