import { lengthPlus } from '../dimensions/resolve-length';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import { refuseNow } from '../commands/length-input';
import { quantiseMm } from '../units/length-units';
import { type Level } from './level';
import { boundsStorey } from './level-kinds';
import { levelsOf, type ResolvedLevel } from './resolve-levels';

/** `push`: everything beyond moves along (above ground what is above, below ground what is below). `only`: just this level. */
export type MoveMode = 'push' | 'only';

/** Levels whose height is held from this one. */
const heldFrom = (levels: readonly ResolvedLevel[], id: Id): ResolvedLevel[] =>
  levels.filter((level) => level.record.from === id);

/** The level held from the building's zero. */
export const baseLevel = (levels: readonly ResolvedLevel[]): ResolvedLevel | undefined =>
  levels.find((level) => level.record.from === null);

/** True if the storey order runs downwards here: a level below the base. */
export const isBelowGround = (levels: readonly ResolvedLevel[], level: ResolvedLevel): boolean =>
  level.fflMm < (baseLevel(levels)?.fflMm ?? 0);

/**
 * Moves one level by a distance and decides what moves along. Refuses if a locked level would move or the order
 * of storeys would change.
 */
export function moveLevel(edit: Edit, level: ResolvedLevel, byMm: number, mode: MoveMode): void {
  if (byMm === 0) return;
  shiftLevel(edit, level, byMm, mode);
  refuseIfLockedMoved(edit, level.record.building);
  refuseIfDisordered(edit, level.record.building);
}

/** Moves one level as the framework stands now, without asking whether that can be: for several moves in a row. */
export function shiftLevel(edit: Edit, level: ResolvedLevel, byMm: number, mode: MoveMode): void {
  if (byMm === 0) return;
  const levels = levelsOf(edit.framework, level.record.building);
  const downwards = isBelowGround(levels, level);
  edit.set('level', level.id, { heightMm: lengthPlus(level.record.heightMm, byMm) });
  for (const child of heldFrom(levels, level.id)) {
    const isBeyond = downwards ? child.fflMm < level.fflMm : child.fflMm > level.fflMm;
    if (mode === 'push' && (isBeyond || !child.bounding)) continue;
    edit.set('level', child.id, { heightMm: lengthPlus(child.record.heightMm, -byMm) });
  }
}

/** Refuses if a locked level stands elsewhere than before. */
export function refuseIfLockedMoved(edit: Edit, building: Id): void {
  const after = new Map(levelsOf(edit.framework, building).map((level) => [level.id, level.fflMm]));
  const moved = levelsOf(edit.before, building).find(
    (level) => level.record.locked && after.has(level.id) && after.get(level.id) !== level.fflMm,
  );
  if (moved) refuseNow(`Level ${moved.record.name} is locked and would move. Unlock it, or choose "only this"`);
}

/** Refuses if two levels that bound storeys changed places or stand at one height. */
export function refuseIfDisordered(edit: Edit, building: Id): void {
  const before = levelsOf(edit.before, building).filter((level) => level.bounding);
  const rank = new Map(before.map((level, i) => [level.id, i]));
  const after = levelsOf(edit.framework, building).filter((level) => level.bounding);
  for (let i = 1; i < after.length; i += 1) {
    const [low, high] = [after[i - 1]!, after[i]!];
    if (high.fflMm - low.fflMm < 1) {
      refuseNow(
        `Levels ${low.record.name} and ${high.record.name} would stand at one height. Keep them 1 mm apart at least`,
      );
    }
    const [a, b] = [rank.get(low.id), rank.get(high.id)];
    if (a !== undefined && b !== undefined && a > b) {
      refuseNow(
        `Level ${high.record.name} would pass level ${low.record.name}. Use push, or move ${low.record.name} first`,
      );
    }
  }
}

/** A level as wanted, at a height of its own. */
export interface LevelWanted {
  id?: Id;
  fflMm: number;
  level: Omit<Level, 'kind' | 'id' | 'building' | 'from' | 'heightMm' | 'budget' | 'extent' | 'wayOut'>;
}

/**
 * Writes levels so that they stand at the heights wanted: the base is the level nearest the building's zero that
 * is no basement, upper levels are held from the one below, basements from the one above, datums and mezzanines
 * from the storey under them. Levels with an id are changed, the others added.
 */
export function layLevels(edit: Edit, building: Id, wanted: readonly LevelWanted[]): void {
  const sorted = [...wanted].sort((a, b) => a.fflMm - b.fflMm);
  const storeys = sorted.filter(({ level }) => boundsStorey(level.levelKind));
  const candidates = storeys.filter(({ level }) => level.levelKind !== 'basement');
  const pool = candidates.length > 0 ? candidates : storeys.length > 0 ? storeys : sorted;
  const base = pool.reduce<LevelWanted | undefined>(
    (best, level) => (best && Math.abs(best.fflMm) <= Math.abs(level.fflMm) ? best : level),
    undefined,
  );
  if (!base) return;
  const write = (want: LevelWanted, from: { id: Id; fflMm: number } | null): { id: Id; fflMm: number } => {
    const heightMm = quantiseMm(want.fflMm - (from?.fflMm ?? 0));
    const fields = { ...want.level, from: from?.id ?? null, heightMm };
    if (want.id) edit.set('level', want.id, fields);
    const id =
      want.id ?? edit.add<'level'>({ kind: 'level', building, budget: null, extent: null, wayOut: null, ...fields }).id;
    return { id, fflMm: want.fflMm };
  };
  const written = new Map<LevelWanted, { id: Id; fflMm: number }>();
  const writeRun = (run: LevelWanted[], start: { id: Id; fflMm: number }) =>
    run.reduce((from, want) => {
      const here = write(want, from);
      written.set(want, here);
      return here;
    }, start);
  const baseHere = write(base, null);
  written.set(base, baseHere);
  const others = storeys.filter((level) => level !== base);
  writeRun(
    others.filter((level) => level.fflMm > base.fflMm),
    baseHere,
  );
  writeRun(others.filter((level) => level.fflMm <= base.fflMm).reverse(), baseHere);
  for (const want of sorted) {
    if (written.has(want)) continue;
    const under = storeys.filter((storey) => storey.fflMm <= want.fflMm).at(-1);
    write(want, under ? written.get(under)! : baseHere);
  }
}
