import { levelDifferences, otherWords } from '@/core/levels/level-differences';
import { difference } from '@/core/model/changes';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import { formatElevation, formatLength } from '@/core/units/format-length';

/** What an import would change, a line each: levels with what becomes of them, counts of other things. */
export function whatWouldChange(before: Framework, after: Framework, buildings: readonly Id[]): string[] {
  const all = buildings.flatMap((building) => levelDifferences(before, after, building));
  const levels = all.map(({ name, formerly, fromMm, toMm, others }) => {
    const height =
      fromMm === null
        ? `new, ${formatElevation(toMm!)}`
        : toMm === null
          ? `removed, was ${formatElevation(fromMm)}`
          : fromMm === toMm
            ? ''
            : `${formatElevation(fromMm)} → ${formatElevation(toMm)}`;
    const words = [height, ...others.map((other) => otherWords(other, formatLength))].filter((each) => each !== '');
    return `level ${formerly ? `${formerly} → ${name}` : name}: ${words.join('; ')}`;
  });
  const added = difference(before, after).added.filter(({ kind }) => kind !== 'level');
  const kinds = [...new Set(added.map(({ kind }) => kind))].sort();
  const counts = kinds.map((kind) => `${added.filter((record) => record.kind === kind).length} new: ${kind}`);
  return levels.length + counts.length > 0 ? [...levels, ...counts] : ['Nothing would change'];
}
