import { finding, type Finding, fixBy } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import type { PlateSet } from '../floors/plates';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Length } from '../units/parse-length';
import { quantiseMm } from '../units/length-units';
import type { BudgetZone } from './budget';
import type { ResolvedLevel } from './resolve-levels';

/** How the height of a storey is spent, millimetres from its FFL up: clear height first, build-up of the floor above last. */
export interface HeightBudget {
  level: Id;
  building: Id;
  storeyMm: number;
  clearMm: number;
  ceilingMm: number;
  servicesMm: number;
  beamMm: number;
  slabMm: number;
  buildUpMm: number;
  /** Clear height wanted; null where none is typed. */
  targetMm: number | null;
}

/** The zone as it holds at a level: its own, else the building's typical one; null where neither is typed. */
export function zoneOf(framework: Framework, level: ResolvedLevel, zone: BudgetZone): Length | null {
  const typical = recordOf(framework, 'building', level.record.building)?.budget?.[zone] ?? null;
  return level.record.budget?.[zone] ?? typical;
}

/**
 * The budget of each storey of a building from the lowest up. The slab is the thickest at the level above; what the
 * zones leave is the clear height, which is below zero when they do not fit.
 */
export function heightBudgets(
  framework: Framework,
  storeys: readonly ResolvedLevel[],
  slabMmAt: (level: Id) => number,
): HeightBudget[] {
  return storeys.slice(0, -1).map((level, i) => {
    const above = storeys[i + 1]!;
    const mm = (zone: BudgetZone) => mmOf(framework, zoneOf(framework, level, zone) ?? 0);
    const storeyMm = quantiseMm(above.fflMm - level.fflMm);
    const buildUpMm = quantiseMm(above.fflMm - above.sslMm);
    const slabMm = slabMmAt(above.id);
    const [beamMm, servicesMm, ceilingMm] = [mm('beamMm'), mm('servicesMm'), mm('ceilingMm')];
    const target = zoneOf(framework, level, 'targetMm');
    return {
      level: level.id,
      building: level.record.building,
      storeyMm,
      clearMm: quantiseMm(storeyMm - buildUpMm - slabMm - beamMm - servicesMm - ceilingMm),
      ceilingMm,
      servicesMm,
      beamMm,
      slabMm,
      buildUpMm,
      targetMm: target === null ? null : mmOf(framework, target),
    };
  });
}

/** What slabs at a level take below its SSL at most, their lower zones too, mm. */
export const thickestSlab =
  (plates: PlateSet) =>
  (level: Id): number =>
    plates
      .at(level)
      .reduce(
        (most, { thicknessMm, ring, zones }) =>
          ring ? Math.max(most, thicknessMm, ...zones.map((zone) => zone.thicknessMm - zone.shiftMm)) : most,
        0,
      );

/** Storeys whose clear height falls under what is wanted. */
export function checkClearHeights(budgets: readonly HeightBudget[], names: ReadonlyMap<Id, string>): Finding[] {
  return budgets.flatMap(({ level, building, storeyMm, clearMm, targetMm }) => {
    if (targetMm === null || clearMm >= targetMm) return [];
    const short = Math.round((targetMm - clearMm) * 10) / 10;
    const words =
      clearMm < 0
        ? `the zones of storey ${names.get(level)} are ${Math.round(-clearMm * 10) / 10} mm more than its height`
        : `storey ${names.get(level)} has ${Math.round(clearMm * 10) / 10} mm clear, ${short} mm under the ${targetMm} mm wanted`;
    const message = `${words[0]!.toUpperCase()}${words.slice(1)}. Raise the level above by ${short} mm, or thin a zone`;
    const fix = fixBy(`Raise the level above by ${short} mm`, 'levels.setHeight', {
      level,
      heightMm: storeyMm + targetMm - clearMm,
      mode: 'push',
    });
    return [finding('level.lowClear', building, level, [level], message, [fix])];
  });
}
