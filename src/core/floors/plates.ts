import { mmOf } from '../dimensions/resolve-length';
import { quantised } from '../geometry/point';
import { bounds, contains, isSimple, ringArea, type Ring } from '../geometry/polygon';
import { servedLevels } from '../levels/extent';
import type { LevelHeights, ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../passes/plan-facts';
import { quantiseMm } from '../units/length-units';
import { ringOnLines } from '../outlines/outline-from-lines';
import { asMaster } from '../typical/as-master';
import { holdsLevel } from '../typical/typical';
import type { FloorException, FloorPlate, FloorZone } from './floor';

const HAIR_MM = 1;

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
  /** Its parts with another SSL or build-up at these levels. */
  zones: readonly ZoneAt[];
}

/** A zone of a plate, where it lies on it. */
export interface ZoneAt {
  id: Id;
  name: string;
  rings: readonly Ring[];
  /** The rings a hair smaller and a hair larger: what only touches them is not in them, what ends at them is. */
  inner: readonly Ring[];
  outer: readonly Ring[];
  shiftMm: number;
  thicknessMm: number;
  /** Null: as its level. */
  buildUpMm: number | null;
}

/** The plates of a building, and those that serve a level. */
export class PlateSet {
  private readonly byLevel: ReadonlyMap<Id, readonly Plate[]>;

  constructor(readonly all: readonly Plate[]) {
    const byLevel = new Map<Id, Plate[]>();
    for (const plate of all) {
      for (const level of plate.serves) {
        const list = byLevel.get(level);
        if (list) list.push(plate);
        else byLevel.set(level, [plate]);
      }
    }
    this.byLevel = byLevel;
  }

  at(level: Id): readonly Plate[] {
    return this.byLevel.get(level) ?? NO_PLATES;
  }
}
const NO_PLATES: readonly Plate[] = [];

/** A plate at all the levels it serves, alike ones together. */
export function resolvePlate(
  framework: Framework,
  record: FloorPlate,
  storeys: readonly ResolvedLevel[],
  floored: readonly ResolvedLevel[],
  facts: PlanFacts,
): Plate[] {
  const served = servedLevels(framework, record.levels, storeys, floored);
  const states = floorStates(framework, record, served);
  const alike = new Map<FloorState, Map<string, Id[]>>();
  states.forEach((state, i) => {
    if (state.leftOut) return;
    const level = served[i]!;
    const groups = alike.get(state) ?? new Map<string, Id[]>();
    alike.set(state, groups);
    const zones = record.zones.filter(({ levels }) => levels === 'all' || holdsLevel(framework, levels, level));
    const key = zones.map(({ id }) => id).join(' ');
    groups.set(key, [...(groups.get(key) ?? []), level]);
  });
  const extents = extentsOf(framework, floored, facts);
  const parts = [...alike].flatMap(([state, groups]) =>
    [...groups].flatMap(([key, levels]) => {
      const ring = resolveOutline(framework, state.outline);
      const pulled = ring && pulledBack(framework, ring, state.pulled);
      return withinExtents(pulled && facts.one(pulled), levels, extents, facts).map((part) => ({
        state,
        key,
        ...part,
      }));
    }),
  );
  return parts.map(({ state, key, levels, own }) => {
    const thicknessMm = mmOf(framework, state.thicknessMm);
    return {
      record,
      ring: own,
      thicknessMm,
      zones: own
        ? record.zones
            .filter(({ id }) => key.split(' ').includes(id))
            .map((zone) => zoneAt(framework, zone, own, thicknessMm, facts))
        : [],
      voids: state.voids.flatMap((outline) => {
        const hole = resolveOutline(framework, outline);
        return hole ? [facts.one(hole)] : [];
      }),
      serves: new Set(levels),
    };
  });
}

/** The parts of the plan that mezzanines take, by level: of those that say so. */
const extentsOf = (framework: Framework, floored: readonly ResolvedLevel[], facts: PlanFacts): ReadonlyMap<Id, Ring> =>
  new Map(
    floored.flatMap(({ id, record: { levelKind, extent } }): [Id, Ring][] => {
      const ring = levelKind === 'mezzanine' && extent ? resolveOutline(framework, extent) : null;
      return ring ? [[id, facts.one(ring)]] : [];
    }),
  );

/** A plate's ring at the levels it serves: on a mezzanine no more than lies in its extent, in as many parts as that is. */
function withinExtents(
  ring: Ring | null,
  levels: readonly Id[],
  extents: ReadonlyMap<Id, Ring>,
  facts: PlanFacts,
): { own: Ring | null; levels: readonly Id[] }[] {
  const free = levels.filter((id) => !extents.has(id));
  const clipped = levels.flatMap((id) => {
    const extent = extents.get(id);
    if (!extent || !ring) return [];
    return facts.clipped(ring, extent).map((own) => ({ own, levels: [id] }));
  });
  return free.length > 0 || !ring ? [{ own: ring, levels: ring ? free : levels }, ...clipped] : clipped;
}

/** How a plate is at each of the levels it serves. */
const floorStates = (framework: Framework, record: FloorPlate, served: readonly Id[]): FloorState[] =>
  asMaster<FloorState, FloorException>(
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

/** The levels a plate would serve and is left out at on purpose. */
export function levelsLeftOut(framework: Framework, record: FloorPlate, storeys: readonly ResolvedLevel[]): Id[] {
  const served = servedLevels(framework, record.levels, storeys, storeys);
  const states = floorStates(framework, record, served);
  return served.filter((_, i) => states[i]!.leftOut);
}

type FloorState = Pick<FloorException, 'pulled' | 'voids' | 'leftOut'> & Pick<FloorPlate, 'outline' | 'thicknessMm'>;
const PLAIN_FLOOR = { pulled: [], voids: [], leftOut: false };

function zoneAt(framework: Framework, zone: FloorZone, plate: Ring, plateMm: number, facts: PlanFacts): ZoneAt {
  const ring = resolveOutline(framework, zone.outline);
  const rings = ring ? facts.clipped(facts.one(ring), plate) : [];
  const grown = (byMm: number) => rings.map((each) => facts.one(offsetRing(each, byMm) ?? each));
  return {
    id: zone.id,
    name: zone.name,
    rings,
    inner: grown(-HAIR_MM),
    outer: grown(HAIR_MM),
    shiftMm: mmOf(framework, zone.shiftMm),
    thicknessMm: zone.thicknessMm === null ? plateMm : mmOf(framework, zone.thicknessMm),
    buildUpMm: zone.buildUpMm === null ? null : mmOf(framework, zone.buildUpMm),
  };
}

/** A ring with all its edges moved outwards. */
const offsetRing = (ring: Ring, byMm: number): Ring | null =>
  ringOnLines(
    ring.map((from, i) => ({
      curve: { kind: 'segment' as const, from, to: ring[(i + 1) % ring.length]! },
      offsetMm: byMm,
    })),
  );

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

/** What is asked about in plan: some rings together. */
export interface Over {
  rings: readonly Ring[];
  facts: PlanFacts;
}

/**
 * Underside of the lowest of a level's plates that count, over some rings; SSL where none does. Zones of a plate count where
 * the rings meet them, the plate itself where they are not wholly in one.
 */
export function soffitMm(level: LevelHeights, plates: PlateSet, counts: (plate: Plate) => boolean, over: Over): number {
  let deepMm: number | null = null;
  for (const plate of plates.at(level.id)) {
    // Asking about the plan costs most: only where it can matter.
    if (plate.zones.length === 0 && deepMm !== null && plate.thicknessMm <= deepMm) continue;
    if (!counts(plate)) continue;
    const deep = localSlabs(plate, over).map(({ shiftMm, thicknessMm }) => thicknessMm - shiftMm);
    deepMm = Math.max(deepMm ?? -Infinity, ...deep);
  }
  return quantiseMm(level.sslMm - (deepMm ?? 0));
}

/** The slabs some rings are under or on: zones of a plate, and the plate itself. */
export function localSlabs(
  plate: Plate,
  { rings, facts }: Over,
): Pick<ZoneAt, 'shiftMm' | 'thicknessMm' | 'buildUpMm'>[] {
  const own = { shiftMm: 0, thicknessMm: plate.thicknessMm, buildUpMm: null };
  if (plate.zones.length === 0) return [own];
  const met = plate.zones.filter((zone) => zone.inner.some((part) => rings.some((ring) => facts.meet(ring, part))));
  return met.some((zone) => holdsAll(zone, rings)) ? met : [own, ...met];
}

const holdsAll = (zone: ZoneAt, rings: readonly Ring[]): boolean =>
  zone.outer.some((part) => rings.every((ring) => ring.every((point) => contains(part, point))));

/** SSL and FFL under some rings: of the zone they lie wholly in, else of the level. */
export function floorUnder(
  level: LevelHeights,
  plates: PlateSet,
  { rings, facts }: Over,
): Pick<ResolvedLevel, 'sslMm' | 'fflMm'> {
  for (const { zones } of plates.at(level.id)) {
    const zone = zones.find(
      (each) => holdsAll(each, rings) && each.inner.some((part) => rings.some((ring) => facts.meet(ring, part))),
    );
    if (!zone) continue;
    const sslMm = quantiseMm(level.sslMm + zone.shiftMm);
    return { sslMm, fflMm: quantiseMm(sslMm + (zone.buildUpMm ?? level.fflMm - level.sslMm)) };
  }
  return level;
}
