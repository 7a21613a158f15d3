import { mmOf } from '../dimensions/resolve-length';
import { bounds, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../solving/plan-facts';
import { quantiseMm } from '../units/length-units';
import type { FloorPlate } from './floor';

/** A floor plate before its holes are known: its ring, and the levels it serves. */
export interface Plate {
  record: FloorPlate;
  ring: Ring | null;
  thicknessMm: number;
  serves: ReadonlySet<Id>;
}

/** The plates of a building, and those that serve a level. */
export interface PlateSet {
  all: readonly Plate[];
  at: (level: Id) => readonly Plate[];
}

export function plateSet(plates: readonly Plate[]): PlateSet {
  const byLevel = new Map<Id, Plate[]>();
  for (const plate of plates) {
    for (const level of plate.serves) {
      const list = byLevel.get(level);
      if (list) list.push(plate);
      else byLevel.set(level, [plate]);
    }
  }
  return { all: plates, at: (level) => byLevel.get(level) ?? [] };
}

export function resolvePlate(
  framework: Framework,
  record: FloorPlate,
  storeys: readonly ResolvedLevel[],
  floored: readonly ResolvedLevel[],
  facts: PlanFacts,
): Plate {
  const ring = resolveOutline(framework, record.outline);
  return {
    record,
    ring: ring && facts.one(ring),
    thicknessMm: mmOf(framework, record.thicknessMm),
    serves: new Set(servedLevels(record, storeys, floored)),
  };
}

/** Levels named one by one may be mezzanines; a range passes them by. */
function servedLevels(record: FloorPlate, storeys: readonly ResolvedLevel[], floored: readonly ResolvedLevel[]): Id[] {
  const { levels } = record;
  if ('at' in levels) return floored.filter(({ id }) => levels.at.includes(id)).map(({ id }) => id);
  const ranks = levels.range.map((end) => storeys.findIndex(({ id }) => id === end));
  const [low, high] = [Math.min(...ranks), Math.max(...ranks)];
  return low < 0 ? [] : storeys.slice(low, high + 1).map(({ id }) => id);
}

/** Plates whose outline a ring meets. */
export function platesUnder(plates: readonly Plate[], ring: Ring, facts: PlanFacts): Set<Plate> {
  const box = bounds(ring);
  const under = plates.filter((plate) => {
    if (!plate.ring) return false;
    const other = bounds(plate.ring);
    const apart = other.minX > box.maxX || other.maxX < box.minX || other.minY > box.maxY || other.maxY < box.minY;
    return !apart && facts.meet(ring, plate.ring);
  });
  return new Set(under);
}

/** Underside of the thickest of a level's plates that count; SSL where none does. */
export function soffitMm(level: ResolvedLevel, plates: PlateSet, counts: (plate: Plate) => boolean): number {
  const thickness = plates
    .at(level.id)
    .reduce((most, plate) => (plate.thicknessMm > most && counts(plate) ? plate.thicknessMm : most), 0);
  return quantiseMm(level.sslMm - thickness);
}
