import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { levelsOf } from './resolve-levels';

/** What would become of one level: added, removed, moved, renamed, or several of these. */
export interface LevelDifference {
  id: Id;
  name: string;
  /** Name before, where it is another. */
  formerly: string | null;
  fromMm: number | null;
  toMm: number | null;
}

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
      };
    })
    .filter(({ formerly, fromMm, toMm }) => formerly !== null || fromMm !== toMm)
    .sort((a, b) => (b.toMm ?? b.fromMm!) - (a.toMm ?? a.fromMm!) || (a.id < b.id ? -1 : 1));
}
