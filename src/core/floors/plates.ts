import { mmOf } from '../dimensions/resolve-length';
import { quantised } from '../geometry/point';
import { bounds, isSimple, ringArea, type Ring } from '../geometry/polygon';
import { servedLevels } from '../levels/extent';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../solving/plan-facts';
import { quantiseMm } from '../units/length-units';
import { ringOnLines } from '../outlines/outline-from-lines';
import { asMaster } from '../typical/as-master';
import type { FloorException, FloorPlate } from './floor';

/**
 * A floor plate before its holes are known, as it is at some of its levels: its ring, and the levels it is so at. A plate
 * that differs by level is several of these.
 */
export interface Plate {
  record: FloorPlate;
  ring: Ring | null;
  thicknessMm: number;
  /** Holes of its own. */
  voids: readonly Ring[];
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

/** A plate at all the levels it serves, alike ones together. */
export function resolvePlate(
  framework: Framework,
  record: FloorPlate,
  storeys: readonly ResolvedLevel[],
  floored: readonly ResolvedLevel[],
  facts: PlanFacts,
): Plate[] {
  const served = servedLevels(framework, record.levels, storeys, floored);
  const states = asMaster<FloorState, FloorException>(
    framework,
    { ...PLAIN_FLOOR, outline: record.outline, thicknessMm: record.thicknessMm },
    record.exceptions,
    served.map((id) => ({ id })),
    (from, by) => ({
      outline: by.outline ?? from.outline,
      thicknessMm: by.thicknessMm ?? from.thicknessMm,
      pulled: by.pulled.length > 0 ? by.pulled : by.outline ? [] : from.pulled,
      voids: by.voids.length > 0 || by.upwards ? by.voids : from.voids,
      leftOut: by.leftOut,
    }),
  );
  const alike = new Map<FloorState, Id[]>();
  states.forEach((state, i) => {
    if (!state.leftOut) alike.set(state, [...(alike.get(state) ?? []), served[i]!]);
  });
  return [...alike].map(([state, levels]) => {
    const ring = resolveOutline(framework, state.outline);
    const pulled = ring && pulledBack(framework, ring, state.pulled);
    return {
      record,
      ring: pulled && facts.one(pulled),
      thicknessMm: mmOf(framework, state.thicknessMm),
      voids: state.voids.flatMap((outline) => {
        const hole = resolveOutline(framework, outline);
        return hole ? [facts.one(hole)] : [];
      }),
      serves: new Set(levels),
    };
  });
}

type FloorState = Pick<FloorException, 'pulled' | 'voids' | 'leftOut'> & Pick<FloorPlate, 'outline' | 'thicknessMm'>;
const PLAIN_FLOOR = { pulled: [], voids: [], leftOut: false };

/** A ring with some of its edges moved inwards; null where nothing sound is left. */
function pulledBack(framework: Framework, ring: Ring, pulled: FloorException['pulled']): Ring | null {
  if (pulled.length === 0) return ring;
  const edges = ring.map((from, i) => ({
    curve: { kind: 'segment' as const, from, to: ring[(i + 1) % ring.length]! },
    offsetMm: pulled.filter(({ edge }) => edge === i).reduce((sum, { byMm }) => sum - mmOf(framework, byMm), 0),
  }));
  // Corner i is where edge i begins.
  const moved = ringOnLines(edges)?.map(quantised);
  return moved && isSimple(moved) && ringArea(moved) > 0 ? moved : null;
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
