'use client';

import type { SolvedLevel } from '@/core/solving/solved';
import { formatLength } from '@/core/units/format-length';
import { useSlice } from '../session/store';

/** Levels to choose from, the topmost first. */
export function LevelOptions({ levels }: { levels: readonly SolvedLevel[] }) {
  return [...levels].reverse().map(({ id, name, title }) => (
    <option key={id} value={id}>
      {title ? `${name} ${title}` : name}
    </option>
  ));
}

/** The levels of the other buildings, each with its height above the site datum. */
export function OtherLevels({ than }: { than: string | null }) {
  const { solved, display } = useSlice('solved', 'display');
  return (solved?.buildings ?? [])
    .filter(({ id }) => id !== than)
    .map(({ id, name, zeroMm }) => (
      <optgroup key={id} label={name}>
        {(solved?.levels ?? [])
          .filter((level) => level.building === id && level.bounding)
          .reverse()
          .map((level) => (
            <option key={level.id} value={level.id}>
              {level.name}, {formatLength(level.fflMm + zeroMm, display)} above datum
            </option>
          ))}
      </optgroup>
    ));
}
