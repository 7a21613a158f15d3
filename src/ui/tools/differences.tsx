'use client';

import { otherWords, type LevelDifference } from '@/core/levels/level-differences';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { useProject } from '../session/store';

/** What the button says that makes so many levels change. */
export const changeWords = (count: number): string =>
  count === 0 ? 'Nothing would change' : `Change ${count} ${count === 1 ? 'level' : 'levels'}`;

/** What would change, level by level. */
export function Differences({ differences }: { differences: readonly LevelDifference[] }) {
  const display = useProject((project) => project.display);
  const write = (mm: number) => formatElevation(mm, display);
  if (differences.length === 0) return null;
  return (
    <ul aria-label="What would change" className="max-h-52 overflow-y-auto border border-faint px-1.5 py-1">
      {differences.map(({ id, name, formerly, fromMm, toMm, others }) => (
        <li key={id} className="flex flex-wrap justify-between gap-x-2">
          <span className={fromMm === null ? 'font-semibold text-now' : toMm === null ? 'text-wrong line-through' : ''}>
            {formerly ? `${formerly} → ${name}` : name}
          </span>
          <span className="figures text-ink2">
            {fromMm === null
              ? `new ${write(toMm!)}`
              : toMm === null
                ? `was ${write(fromMm)}`
                : fromMm === toMm
                  ? ''
                  : `${write(fromMm)} → ${write(toMm)}`}
          </span>
          {others.map((other) => (
            <span key={other.field} className="w-full pl-3 text-[11px] text-ink2">
              {otherWords(other, (mm) => formatLength(mm, display))}
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}
