import { finding, type Finding, fixBy } from '../checks/finding';
import { ringArea, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../passes/plan-facts';
import type { FloorPiece } from '../solving/solved';
import { isAt } from '../solving/is-at';
import { jointRing, type Joint } from './joints';
import { quantiseMm } from '../units/length-units';
import type { Plate, ZoneAt } from './plates';
import type { ProfileStore } from '../geometry/profile-store';

/** What makes holes in slabs: a shaft or a stair, with the slabs it cuts and the ring it cuts out of each. */
export interface Cutter {
  id: Id;
  cuts: readonly { plate: Id; level: Id; ring: Ring }[];
}

/** The holes of each plate by level. */
export type CutsByPlate = ReadonlyMap<Id, ReadonlyMap<Id, readonly { id: Id; ring: Ring }[]>>;

/** All cuts sorted by the plates and levels they are in, once for a building. */
export function cutsByPlate(cutters: readonly Cutter[]): CutsByPlate {
  const plates = new Map<Id, Map<Id, { id: Id; ring: Ring }[]>>();
  for (const { id, cuts } of cutters) {
    for (const { plate, level, ring } of cuts) {
      let levels = plates.get(plate);
      if (!levels) plates.set(plate, (levels = new Map()));
      const list = levels.get(level);
      if (list) list.push({ id, ring });
      else levels.set(level, [{ id, ring }]);
    }
  }
  return plates;
}

/** A floor plate at each of its levels, hung from SSL, with its own holes and those of the shafts and stairs that cut it there. */
export function solveFloor(
  plate: Plate,
  storeys: readonly ResolvedLevel[],
  cuts: CutsByPlate,
  store: ProfileStore,
  facts: PlanFacts,
  joints: readonly Joint[] = [],
): { pieces: FloorPiece[]; findings: Finding[] } {
  const { record, ring } = plate;
  if (!ring) {
    const message = `The outline of floor plate ${record.name} crosses itself or encloses nothing. Draw it again`;
    return { pieces: [], findings: [finding('outline.unsound', record.building, null, [record.id], message)] };
  }
  const cutting = cuts.get(record.id);
  const strips = joints.map((joint) => ({ joint, strip: facts.one(jointRing(joint, ring)) }));
  const findings = plate.zones.filter(({ rings }) => rings.length === 0).map((zone) => zoneOff(plate, zone));
  // Levels with the same holes are one in plan, which is worked out once for all that follow one another.
  let last: { here: readonly Cut[]; gaps: readonly Ring[]; parts: PlanPart[] } | null = null;
  const eaten: ResolvedLevel[] = [];
  const pieces = storeys
    .filter(({ id }) => plate.serves.has(id))
    .flatMap((level): FloorPiece[] => {
      const here = cutting?.get(level.id) ?? NO_CUTS;
      const gaps = strips.filter(({ joint }) => isAt(joint, level.fflMm)).map(({ strip }) => strip);
      if (!last || !areAlike(last.here, here) || !areSame(last.gaps, gaps))
        last = { here, gaps, parts: planParts(plate, ring, here, gaps, store, facts) };
      const left = last.parts.filter(({ areaMm2 }) => areaMm2 > LEAST_MM2);
      if (left.length === 0) eaten.push(level);
      return left.map(({ zone, areaMm2, ...part }): FloorPiece => {
        const slab = zone ? zoneSlab(zone, level) : { topMm: level.sslMm, thicknessMm: plate.thicknessMm, zone: null };
        return {
          plate: record.id,
          building: record.building,
          name: record.name,
          level: level.id,
          grossMm3: Math.abs(ringArea(part.outline)) * slab.thicknessMm,
          volumeMm3: areaMm2 * slab.thicknessMm,
          ...part,
          ...slab,
        };
      });
    });
  return { pieces, findings: [...findings, ...eaten.map((level) => nothingLeft(plate, level))] };
}

/** Less of a slab is nothing, mm². */
const LEAST_MM2 = 1000;

/** A slab of which voids, shafts and stairs leave nothing at a level. */
function nothingLeft({ record }: Plate, { id, record: { name } }: ResolvedLevel): Finding {
  const message = `Nothing is left of floor plate ${record.name} at level ${name}: voids, shafts and stairs take all of it. Make them smaller, or leave it out there`;
  const fix = fixBy('Leave it out there', 'floors.except', { floor: record.id, level: id, leftOut: true });
  return finding('floor.nothingLeft', record.building, id, [record.id], message, [fix]);
}

type Cut = { id: Id; ring: Ring };
const NO_CUTS: readonly Cut[] = [];

const areSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i]);

const areAlike = (a: readonly Cut[], b: readonly Cut[]): boolean =>
  a.length === b.length && a.every(({ id, ring }, i) => id === b[i]!.id && ring === b[i]!.ring);

/** A plate or one of its zones in plan: what does not change with height. */
type PlanPart = Pick<FloorPiece, 'profile' | 'outline' | 'cutBy' | 'holes' | 'gaps'> & {
  zone: ZoneAt | null;
  areaMm2: number;
};

/** The plate less its holes and zones, then each zone less the holes that meet it. */
function planParts(
  plate: Plate,
  ring: Ring,
  here: readonly Cut[],
  gaps: Ring[],
  store: ProfileStore,
  facts: PlanFacts,
): PlanPart[] {
  const holes: FloorPiece['holes'] = [
    ...here.map(({ id, ring: hole }) => ({ by: id, ring: hole })),
    ...plate.voids.map((hole) => ({ by: null, ring: hole })),
  ];
  const partOf = (outline: Ring, own: FloorPiece['holes'], less: readonly Ring[], zone: ZoneAt | null): PlanPart => {
    const taken = [...own.map((hole) => hole.ring), ...less, ...gaps];
    const byText = new Map(taken.map((hole) => [facts.textOf(hole), hole]));
    const texts = [...byText.keys()].sort();
    const profile = `${facts.textOf(outline)}|${texts.join('|')}`;
    const { areaMm2 } = store.get(
      profile,
      outline,
      texts.map((text) => byText.get(text)!),
    );
    const cutBy = own.flatMap(({ by }) => (by === null ? [] : [by]));
    return { profile, outline, cutBy, holes: own, gaps, zone, areaMm2 };
  };
  const zoneRings = plate.zones.flatMap(({ rings }) => rings);
  return [
    partOf(ring, holes, zoneRings, null),
    ...plate.zones.flatMap((zone, i) =>
      zone.rings.map((outline) => {
        const meeting = holes.filter((hole) => facts.meet(facts.one(hole.ring), outline));
        // Where two zones overlap the first is as it says.
        const before = plate.zones.slice(0, i).flatMap(({ rings }) => rings);
        return partOf(outline, meeting, before, zone);
      }),
    ),
  ];
}

function zoneSlab(zone: ZoneAt, level: ResolvedLevel): Pick<FloorPiece, 'topMm' | 'thicknessMm' | 'zone'> {
  const { id, name, shiftMm, thicknessMm, buildUpMm } = zone;
  const topMm = quantiseMm(level.sslMm + shiftMm);
  const stepMm = quantiseMm(topMm + (buildUpMm ?? level.fflMm - level.sslMm) - level.fflMm);
  return { topMm, thicknessMm, zone: { id, name, stepMm, shiftMm } };
}

/** A zone that lies beside its plate. */
function zoneOff({ record }: Plate, zone: ZoneAt): Finding {
  const message = `Zone ${zone.name} lies beside floor plate ${record.name}. Move it onto the plate, or take it out`;
  const fix = fixBy(`Take ${zone.name} out`, 'floors.removeZone', { floor: record.id, zone: zone.id });
  return finding('floor.zoneOff', record.building, null, [record.id, zone.id], message, [fix]);
}
