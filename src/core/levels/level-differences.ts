import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { levelsOf, titleOf, type ResolvedLevel } from './resolve-levels';

/** What would become of one level: added, removed, moved, renamed, changed otherwise, or several of these. */
export interface LevelDifference {
  id: Id;
  name: string;
  /** Name before, where it is another. */
  formerly: string | null;
  fromMm: number | null;
  toMm: number | null;
  /** What else would be another of a level that stays. */
  others: LevelOther[];
}

type LevelOther =
  | { field: 'use'; from: string; to: string }
  | { field: 'kind'; from: string; to: string }
  | { field: 'build-up'; fromMm: number; toMm: number };

/** Levels of a building that two frameworks do not have alike, from the top down. */
export function levelDifferences(before: Framework, after: Framework, building: Id): LevelDifference[] {
  const was = new Map(levelsOf(before, building).map((level) => [level.id, level]));
  const is = new Map(levelsOf(after, building).map((level) => [level.id, level]));
  const ids = [...new Set([...is.keys(), ...was.keys()])];
  return ids
    .map((id): LevelDifference => {
      const [old, now] = [was.get(id), is.get(id)];
      const name = (now ?? old)!.record.name;
      return {
        id,
        name,
        formerly: old && now && old.record.name !== name ? old.record.name : null,
        fromMm: old?.fflMm ?? null,
        toMm: now?.fflMm ?? null,
        others: old && now ? othersOf(old, now, titleOf(before, id), titleOf(after, id)) : [],
      };
    })
    .filter(({ formerly, fromMm, toMm, others }) => formerly !== null || fromMm !== toMm || others.length > 0)
    .sort((a, b) => (b.toMm ?? b.fromMm!) - (a.toMm ?? a.fromMm!) || (a.id < b.id ? -1 : 1));
}

function othersOf(old: ResolvedLevel, now: ResolvedLevel, oldTitle: string, title: string): LevelOther[] {
  const others: LevelOther[] = [];
  if (oldTitle !== title) others.push({ field: 'use', from: oldTitle, to: title });
  if (old.record.levelKind !== now.record.levelKind)
    others.push({ field: 'kind', from: old.record.levelKind, to: now.record.levelKind });
  const [fromMm, toMm] = [old.fflMm - old.sslMm, now.fflMm - now.sslMm];
  if (fromMm !== toMm) others.push({ field: 'build-up', fromMm, toMm });
  return others;
}

/** What would become of a level's other fields, in words: `use: Gallery → Hall`. */
export const otherWords = (other: LevelOther, write: (mm: number) => string): string =>
  other.field === 'build-up'
    ? `build-up: ${write(other.fromMm)} → ${write(other.toMm)}`
    : `${other.field}: ${other.from || 'none'} → ${other.to || 'none'}`;
