import { finding, type Finding } from '../checks/finding';
import type { Profile } from '../geometry/boolean';
import type { Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../solving/plan-facts';
import type { FloorPiece } from '../solving/solved';
import { isAt } from '../solving/is-at';
import { jointRing, type Joint } from './joints';
import type { Plate } from './plates';

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
  const outlineText = facts.textOf(ring);
  const pieces = storeys
    .filter(({ id }) => plate.serves.has(id))
    .map((level): FloorPiece => {
      const here = cutting?.get(level.id) ?? [];
      const holes = new Map([...plate.voids, ...here.map((cut) => cut.ring)].map((hole) => [facts.textOf(hole), hole]));
      const gaps = strips.filter(({ joint }) => isAt(joint, level.fflMm)).map(({ strip }) => strip);
      for (const gap of gaps) holes.set(facts.textOf(gap), gap);
      const texts = [...holes.keys()].sort();
      const key = `${outlineText}|${texts.join('|')}`;
      const profile = store.get(
        key,
        ring,
        texts.map((text) => holes.get(text)!),
      );
      return {
        plate: record.id,
        building: record.building,
        name: record.name,
        level: level.id,
        topMm: level.sslMm,
        thicknessMm: plate.thicknessMm,
        profile: key,
        outline: ring,
        volumeMm3: profile.areaMm2 * plate.thicknessMm,
        cutBy: here.map(({ id }) => id),
        holes: [
          ...here.map(({ id, ring: hole }) => ({ by: id, ring: hole })),
          ...plate.voids.map((hole) => ({ by: null, ring: hole })),
        ],
        gaps,
      };
    });
  return { pieces, findings: [] };
}
