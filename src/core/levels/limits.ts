import { ringArea } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

/** Heights that rules ask for, and the areas of a storey. */
export interface BuildingLimits {
  /** From the ground level to the topmost level that bounds a storey or is a datum. */
  overallMm: number;
  top: string;
  /** FFL of the highest floor people use, above ground; null where there is none. */
  occupiedMm: number | null;
  occupied: string | null;
  grossMm2: number;
  netMm2: number;
}

/** Kinds of level whose floor nobody uses. */
const UNOCCUPIED = new Set(['roof', 'plant', 'datum']);

/** Overall height, highest occupied floor and floor areas of a building; null without levels. The ground is at its zero. */
export function limitsOf(solved: Solved, building: Id): BuildingLimits | null {
  const levels = solved.levels.filter((level) => level.building === building);
  const top = levels.at(-1);
  if (!top) return null;
  const occupied = levels
    .filter((level) => !UNOCCUPIED.has(level.levelKind) && level.bounding && level.fflMm >= 0)
    .at(-1);
  const areas = storeyAreas(solved, building);
  const sum = (pick: (area: StoreyArea) => number) =>
    [...areas.values()].reduce((total, area) => total + pick(area), 0);
  return {
    overallMm: top.fflMm,
    top: top.name,
    occupiedMm: occupied?.fflMm ?? null,
    occupied: occupied?.name ?? null,
    grossMm2: sum(({ grossMm2 }) => grossMm2),
    netMm2: sum(({ netMm2 }) => netMm2),
  };
}

export interface StoreyArea {
  /** Slabs with their holes, and without. */
  grossMm2: number;
  netMm2: number;
}

/** Slab areas by level: gross counts what shafts take, net leaves it out. */
export function storeyAreas(solved: Solved, building: Id): Map<Id, StoreyArea> {
  const areas = new Map<Id, StoreyArea>();
  for (const floor of solved.floors) {
    if (floor.building !== building) continue;
    const profile = solved.profiles[floor.profile]!;
    const area = areas.get(floor.level) ?? { grossMm2: 0, netMm2: 0 };
    areas.set(floor.level, {
      grossMm2: area.grossMm2 + ringArea(floor.outline),
      netMm2: area.netMm2 + profile.areaMm2,
    });
  }
  return areas;
}
