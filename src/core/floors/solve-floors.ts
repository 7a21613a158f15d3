import { finding, type Finding } from '../checks/finding';
import type { Profile } from '../geometry/boolean';
import type { Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../solving/plan-facts';
import type { FloorPiece } from '../solving/solved';
import { isAt } from '../solving/is-at';
import { jointRing, type Joint } from './joints';
import { quantiseMm } from '../units/length-units';
import type { Plate, ZoneAt } from './plates';

/** Profiles by plan key. Equal keys share one profile, so typical floors are cut once. */
export interface ProfileStore {
  get: (key: string, outline: Ring, holes: readonly Ring[]) => Profile;
}

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
    return { pieces: [], findings: [finding('outline.unsound', 'error', record.building, null, [record.id], message)] };
  }
  const cutting = cuts.get(record.id);
  const strips = joints.map((joint) => ({ joint, strip: facts.one(jointRing(joint, ring)) }));
  const zoneRings = plate.zones.flatMap(({ rings }) => rings);
  const findings = plate.zones.filter(({ rings }) => rings.length === 0).map((zone) => zoneOff(plate, zone));
  const pieces = storeys
    .filter(({ id }) => plate.serves.has(id))
    .flatMap((level): FloorPiece[] => {
      const here = cutting?.get(level.id) ?? [];
      const gaps = strips.filter(({ joint }) => isAt(joint, level.fflMm)).map(({ strip }) => strip);
      const holes = [
        ...here.map(({ id, ring: hole }) => ({ by: id, ring: hole })),
        ...plate.voids.map((hole) => ({ by: null, ring: hole })),
      ];
      const profileOf = (outline: Ring, less: readonly Ring[]): [string, Profile] => {
        const byText = new Map([...less, ...gaps].map((hole) => [facts.textOf(hole), hole]));
        const texts = [...byText.keys()].sort();
        const key = `${facts.textOf(outline)}|${texts.join('|')}`;
        const profile = store.get(
          key,
          outline,
          texts.map((text) => byText.get(text)!),
        );
        return [key, profile];
      };
      const pieceOf = (
        outline: Ring,
        own: FloorPiece['holes'],
        less: readonly Ring[],
        slab: Pick<FloorPiece, 'topMm' | 'thicknessMm' | 'zone'>,
      ): FloorPiece => {
        const [profile, { areaMm2 }] = profileOf(outline, [...own.map((hole) => hole.ring), ...less]);
        return {
          plate: record.id,
          building: record.building,
          name: record.name,
          level: level.id,
          profile,
          outline,
          volumeMm3: areaMm2 * slab.thicknessMm,
          cutBy: own.flatMap(({ by }) => (by === null ? [] : [by])),
          holes: own,
          gaps,
          ...slab,
        };
      };
      const whole = { topMm: level.sslMm, thicknessMm: plate.thicknessMm, zone: null };
      return [
        pieceOf(ring, holes, zoneRings, whole),
        ...plate.zones.flatMap((zone, i) =>
          zone.rings.map((outline) => {
            const meeting = holes.filter((hole) => facts.meet(facts.one(hole.ring), outline));
            // Where two zones overlap the first is as it says.
            const before = plate.zones.slice(0, i).flatMap(({ rings }) => rings);
            return pieceOf(outline, meeting, before, zoneSlab(zone, level));
          }),
        ),
      ];
    });
  return { pieces, findings };
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
  const fix = {
    words: `Take ${zone.name} out`,
    command: 'floors.removeZone',
    input: { floor: record.id, zone: zone.id },
  };
  return finding('floor.zoneOff', 'warning', record.building, null, [record.id, zone.id], message, [fix]);
}
