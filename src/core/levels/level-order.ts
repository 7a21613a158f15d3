import type { Limits, Mm } from '../kinds/record-kind';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import type { LevelKind } from './level-kinds';
import { boundsStorey } from './level-kinds';
import type { Length } from '../units/parse-length';

/** What the order of levels hangs on. */
export interface LevelHeld {
  id: Id;
  name: string;
  levelKind: LevelKind;
  from: Id | null;
  heightMm: Length;
}

/** Levels that bound storeys stand 1 mm apart at least. */
const APART_MM = 1;

/** Those that bound storeys from the lowest up, each with its height over the building's zero and over the level it is held from. */
function inOrder(levels: readonly LevelHeld[], mm: Mm) {
  const byId = new Map(levels.map((level) => [level.id, level]));
  const known = new Map<Id, number>();
  const fflMm = (level: LevelHeld): number => {
    const before = known.get(level.id);
    if (before !== undefined) return before;
    const base = level.from === null ? undefined : byId.get(level.from);
    const own = quantiseMm((base ? fflMm(base) : 0) + mm(level.heightMm));
    known.set(level.id, own);
    return own;
  };
  return levels
    .filter(({ levelKind }) => boundsStorey(levelKind))
    .map((level) => ({ level, fflMm: fflMm(level) }))
    .sort((a, b) => a.fflMm - b.fflMm || (a.level.id < b.level.id ? -1 : 1));
}

/**
 * The order of a building's levels: those that bound storeys stand apart, none under the one it is held up from nor over the one it
 * hangs below, and none passes another by what a dimension or another level brings about.
 */
export const levelOrder: NonNullable<Limits<'level'>['inBuilding']> = (levels, mm, was) => {
  const order = inOrder(levels, mm);
  const before = new Map((was ? inOrder(was.records, was.mm) : []).map(({ level }, i) => [level.id, i]));
  for (let i = 1; i < order.length; i += 1) {
    const [low, high] = [order[i - 1]!, order[i]!];
    const names = `${low.level.name} and ${high.level.name}`;
    if (high.fflMm - low.fflMm < APART_MM)
      return `Levels ${names} would stand at one height. Keep them ${APART_MM} mm apart at least`;
    const [a, b] = [before.get(low.level.id), before.get(high.level.id)];
    const isHeldAsBefore = (id: Id) =>
      was?.records.find((each) => each.id === id)?.from === levels.find((each) => each.id === id)?.from;
    if (a !== undefined && b !== undefined && a > b && isHeldAsBefore(low.level.id) && isHeldAsBefore(high.level.id))
      return `Level ${low.level.name} would pass level ${high.level.name}. Levels keep their order`;
  }
  const byId = new Map(order.map(({ level }) => [level.id, level]));
  for (const { level } of order) {
    const base = level.from === null ? undefined : byId.get(level.from);
    if (!base || base.from === null) continue;
    if (mm(level.heightMm) > 0 !== mm(base.heightMm) > 0)
      return `Level ${level.name} is held from level ${base.name} and would stand on the wrong side of it`;
  }
  return null;
};
