import type { ListedProject } from '@/core/people/told';
import { buildingWords, listed } from './listed-project';

const project = (name: string, more: Partial<ListedProject> = {}): ListedProject => ({
  id: name,
  name,
  role: 'owner',
  headSeq: 1,
  changedAt: '2026-01-01T00:00:00.000Z',
  lastBy: null,
  lastDone: null,
  archived: false,
  deletedAt: null,
  members: [],
  summary: null,
  ...more,
});

describe('the list of projects', () => {
  const all = [
    project('Quay 10', { changedAt: '2026-03-01T00:00:00.000Z' }),
    project('Quay 9', {
      members: [{ id: 'a', name: 'Ada Vale', role: 'designer' }],
      summary: { seq: 1, buildings: [{ name: 'Hall house', levels: 14 }] },
    }),
    project('Mill', { changedAt: '2026-02-01T00:00:00.000Z' }),
  ];
  const names = (...asked: Parameters<typeof listed>) => listed(...asked).map(({ name }) => name);

  it('finds every typed word in name, building or person', () => {
    expect(names(all, 'quay', 'name')).toEqual(['Quay 9', 'Quay 10']);
    expect(names(all, 'vale hall', 'name')).toEqual(['Quay 9']);
    expect(names(all, 'quay mill', 'name')).toEqual([]);
  });

  it('is sorted by what was changed last, by name as people count, or by size', () => {
    expect(names(all, '', 'changed')).toEqual(['Quay 10', 'Mill', 'Quay 9']);
    expect(names(all, '', 'name')).toEqual(['Mill', 'Quay 9', 'Quay 10']);
    expect(names(all, '', 'size')[0]).toBe('Quay 9');
  });

  it('says a project’s buildings in words', () => {
    const buildings = [
      { name: 'Hall house', levels: 14 },
      { name: 'Annex', levels: 5 },
    ];
    expect(buildingWords(project('A', { summary: { seq: 1, buildings } }))).toBe('Hall house 14 levels, Annex 5');
    expect(buildingWords(project('A', { summary: { seq: 1, buildings: [] } }))).toBe('No building yet');
    expect(buildingWords(project('A'))).toBe('');
  });
});
