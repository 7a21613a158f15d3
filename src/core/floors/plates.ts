import { mmOf } from '../dimensions/resolve-length';
import { bounds, contains, ringsMeet, type Ring } from '../geometry/polygon';
import type { Point } from '../geometry/point';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../outlines/resolve-outline';
import { quantiseMm } from '../units/length-units';
import type { FloorPlate } from './floor';

/** A floor plate before its holes are known: its ring, and the levels it serves. */
export interface Plate {
  record: FloorPlate;
  ring: Ring | null;
  thicknessMm: number;
  serves: ReadonlySet<Id>;
}

export function resolvePlate(framework: Framework, record: FloorPlate, storeys: readonly ResolvedLevel[]): Plate {
  return {
    record,
    ring: resolveOutline(framework, record.outline),
    thicknessMm: mmOf(framework, record.thicknessMm),
    serves: new Set(servedLevels(record, storeys)),
  };
}

function servedLevels(record: FloorPlate, storeys: readonly ResolvedLevel[]): Id[] {
  const { levels } = record;
  if ('at' in levels) return storeys.filter(({ id }) => levels.at.includes(id)).map(({ id }) => id);
  const ranks = levels.range.map((end) => storeys.findIndex(({ id }) => id === end));
  const [low, high] = [Math.min(...ranks), Math.max(...ranks)];
  return low < 0 ? [] : storeys.slice(low, high + 1).map(({ id }) => id);
}

/** Plates whose outline holds a point. */
export const platesAt = (plates: readonly Plate[], point: Point): Plate[] =>
  plates.filter(({ ring }) => ring !== null && contains(ring, point));

/** Plates whose outline a ring meets. */
export function platesUnder(plates: readonly Plate[], ring: Ring): Plate[] {
  const box = bounds(ring);
  return plates.filter((plate) => {
    if (!plate.ring) return false;
    const other = bounds(plate.ring);
    const apart = other.minX > box.maxX || other.maxX < box.minX || other.minY > box.maxY || other.maxY < box.minY;
    return !apart && ringsMeet(plate.ring, ring);
  });
}

/** Underside of the thickest of some plates at a level; SSL where none serves it. */
export function soffitMm(level: ResolvedLevel, plates: readonly Plate[]): number {
  const thickness = plates.reduce(
    (most, plate) => (plate.serves.has(level.id) ? Math.max(most, plate.thicknessMm) : most),
    0,
  );
  return quantiseMm(level.sslMm - thickness);
}
