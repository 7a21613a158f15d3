import type { ListedProject } from '@/core/people/told';

/** How the list can be sorted. */
export const SORTS = { changed: 'Changed last', name: 'Name', size: 'Levels' } as const;
export type Sort = keyof typeof SORTS;

const levelCount = ({ summary }: ListedProject): number =>
  (summary?.buildings ?? []).reduce((sum, { levels }) => sum + levels, 0);

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

const ORDERS: Record<Sort, (a: ListedProject, b: ListedProject) => number> = {
  changed: (a, b) => (a.changedAt < b.changedAt ? 1 : a.changedAt > b.changedAt ? -1 : 0),
  name: (a, b) => collator.compare(a.name, b.name),
  size: (a, b) => levelCount(b) - levelCount(a),
};

/** The projects that hold every typed word in their name, a building or a member's name, in order. */
export function listed(projects: readonly ListedProject[], typed: string, sort: Sort): ListedProject[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const holds = ({ name, members, summary }: ListedProject): boolean => {
    const text = [name, ...members.map((member) => member.name), ...(summary?.buildings ?? []).map((b) => b.name)]
      .join(' ')
      .toLowerCase();
    return words.every((word) => text.includes(word));
  };
  return projects.filter(holds).sort((a, b) => ORDERS[sort](a, b) || collator.compare(a.name, b.name));
}

const levelWords = (levels: number): string =>
  levels === 0 ? 'without levels' : levels === 1 ? '1 level' : `${levels} levels`;

/** A project's buildings in words: `Hall house 14 levels, Annex 5`. */
export function buildingWords({ summary }: ListedProject): string {
  if (!summary) return '';
  const [first, ...rest] = summary.buildings;
  if (!first) return 'No building yet';
  return [`${first.name} ${levelWords(first.levels)}`]
    .concat(rest.map(({ name, levels }) => `${name} ${levels}`))
    .join(', ');
}
