import type { SolvedLine } from '../solving/solved';
import { finding, type Finding } from './finding';

/** Two lines of one building with one label: every crossing named by it is in doubt. */
export function checkGridLabels(lines: readonly SolvedLine[]): Finding[] {
  const groups = new Map<string, SolvedLine[]>();
  for (const line of lines) {
    if (line.label === null) continue;
    const key = `${line.building}|${line.label}`;
    const group = groups.get(key);
    if (group) group.push(line);
    else groups.set(key, [line]);
  }
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) =>
      finding(
        'grid.duplicateLabel',
        'error',
        group[0]!.building,
        null,
        group.map(({ id }) => id),
        `${group.length} grid lines are labelled ${group[0]!.label}. Give each its own label`,
      ),
    );
}
