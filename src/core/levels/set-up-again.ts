import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import { baseLevel, layLevels, refuseIfDisordered, refuseIfLockedMoved, type LevelWanted } from './chain';
import { removeLevel, type EndsChoice } from './remove-level';
import { levelsOf, titleOf, type ResolvedLevel } from './resolve-levels';

/** Levels as a set-up wants them: the ground first, then upwards, the roof last; basements from the ground down. */
export interface SetUpWanted {
  uppers: LevelWanted[];
  roof: LevelWanted;
  basements: LevelWanted[];
}

/**
 * Sets up a building anew that has levels: each wanted level takes the place of the one in the same order from the
 * ground, so that what stands on it follows. Locked levels keep their names, all keep their titles and build-ups;
 * levels that are over go, levels that are missing come. Mezzanines and datums stay at their height above the storey
 * under them.
 */
export function setUpAgain(edit: Edit, building: Id, wanted: SetUpWanted, ends: EndsChoice): void {
  const levels = levelsOf(edit.before, building);
  const storeys = levels.filter(({ bounding }) => bounding);
  const base = baseLevel(storeys) ?? storeys[0];
  const at = base ? storeys.indexOf(base) : 0;
  const aboves = storeys.slice(at);
  const isRoof = (level: ResolvedLevel) => level.record.levelKind === 'roof';
  const old = {
    uppers: aboves.filter((level) => !isRoof(level)),
    roof: aboves.filter(isRoof).slice(-1),
    basements: storeys.slice(0, at).reverse(),
  };
  const pairs: [LevelWanted, ResolvedLevel | undefined][] = [
    ...wanted.uppers.map((want, i) => [want, old.uppers[i]] as [LevelWanted, ResolvedLevel | undefined]),
    [wanted.roof, old.roof[0]],
    ...wanted.basements.map((want, i) => [want, old.basements[i]] as [LevelWanted, ResolvedLevel | undefined]),
  ];
  const kept = new Set(pairs.flatMap(([, level]) => level?.id ?? []));
  for (const level of storeys) if (!kept.has(level.id)) removeLevel(edit, level, ends);
  const laid = pairs.map(([want, level]): LevelWanted => {
    if (!level) return want;
    const { name, buildUpMm, locked } = level.record;
    const title = titleOf(edit.framework, level.id);
    return {
      id: level.id,
      fflMm: want.fflMm,
      level: { ...want.level, title, buildUpMm, locked, name: locked ? name : want.level.name },
    };
  });
  const standing = levels
    .filter(({ bounding }) => !bounding)
    .map((level): LevelWanted => {
      const under = storeys.filter((storey) => kept.has(storey.id) && storey.fflMm <= level.fflMm).at(-1);
      const now = laid.find(({ id }) => id === under?.id);
      const { name, levelKind, buildUpMm, locked } = level.record;
      const title = titleOf(edit.framework, level.id);
      return {
        id: level.id,
        fflMm: quantiseMm(level.fflMm + (now && under ? now.fflMm - under.fflMm : 0)),
        level: { name, title, levelKind, buildUpMm, locked },
      };
    });
  layLevels(edit, building, [...laid, ...standing]);
  refuseIfLockedMoved(edit, building);
  refuseIfDisordered(edit, building);
}
