import type { Id } from '../model/ids';
import type { Solved, SolvedBuilding, SolvedLevel } from '../solving/solved';

/** Two levels of adjoining buildings that meet, or a level that meets none. Heights are above the site datum. */
export interface Tie {
  left: { id: Id; name: string; siteMm: number } | null;
  right: { id: Id; name: string; siteMm: number } | null;
  /** Step up from the left level to the right one; null where nothing meets. */
  stepMm: number | null;
}

/** Levels further apart than this do not meet. */
const MOST_STEP_MM = 1500;

/**
 * The levels of two buildings side by side from the top down. Each level meets the other building's nearest one
 * within 1.5 m if it is that one's nearest too, so no level is tied twice and no two ties cross.
 */
export function tieTable(solved: Solved, left: Id, right: Id): Tie[] {
  const sides = [left, right].map((id) => levelsAboveDatum(solved, id));
  const [ours, theirs] = [sides[0]!, sides[1]!];
  type Level = (typeof ours)[number];
  const nearest = (from: Level, among: readonly Level[]): Level | null =>
    among.reduce<Level | null>((best, level) => {
      const gap = Math.abs(level.siteMm - from.siteMm);
      return gap <= MOST_STEP_MM && (!best || gap < Math.abs(best.siteMm - from.siteMm)) ? level : best;
    }, null);
  const tied = new Set<Id>();
  const ties: Tie[] = ours.map((level) => {
    const other = nearest(level, theirs);
    if (!other || nearest(other, ours)?.id !== level.id) return { left: level, right: null, stepMm: null };
    tied.add(other.id);
    return { left: level, right: other, stepMm: Math.round((other.siteMm - level.siteMm) * 1e6) / 1e6 };
  });
  for (const level of theirs) if (!tied.has(level.id)) ties.push({ left: null, right: level, stepMm: null });
  const height = ({ left: a, right: b }: Tie) => (a ?? b)!.siteMm;
  return ties.sort((a, b) => height(b) - height(a) || (a.left ? -1 : 1));
}

function levelsAboveDatum(solved: Solved, id: Id): { id: Id; name: string; siteMm: number }[] {
  const building: SolvedBuilding | undefined = solved.buildings.find((each) => each.id === id);
  return solved.levels
    .filter((level: SolvedLevel) => level.building === id && level.bounding)
    .map(({ id: levelId, name, fflMm }) => ({ id: levelId, name, siteMm: fflMm + (building?.zeroMm ?? 0) }));
}
