import { finding, type Finding } from '../checks/finding';
import type { Profile } from '../geometry/boolean';
import type { Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { PlanFacts } from '../solving/plan-facts';
import type { FloorPiece, SolvedShaft } from '../solving/solved';
import { isAt } from '../solving/is-at';
import { jointRing, type Joint } from './joints';
import type { Plate } from './plates';

/** Profiles by plan key. Equal keys share one profile, so typical floors are cut once. */
export interface ProfileStore {
  get: (key: string, outline: Ring, holes: readonly Ring[]) => Profile;
}

/** A floor plate at each of its levels, hung from SSL, with the holes of the shafts that cut it there. */
export function solveFloor(
  plate: Plate,
  storeys: readonly ResolvedLevel[],
  shafts: readonly SolvedShaft[],
  store: ProfileStore,
  facts: PlanFacts,
  joints: readonly Joint[] = [],
): { pieces: FloorPiece[]; findings: Finding[] } {
  const { record, ring } = plate;
  if (!ring) {
    const message = `The outline of floor plate ${record.name} crosses itself or encloses nothing. Draw it again`;
    return { pieces: [], findings: [finding('outline.unsound', 'error', record.building, null, [record.id], message)] };
  }
  const cutting = new Map<Id, SolvedShaft[]>();
  for (const shaft of shafts) {
    for (const cut of shaft.cuts) {
      if (cut.plate !== record.id) continue;
      const list = cutting.get(cut.level);
      if (list) list.push(shaft);
      else cutting.set(cut.level, [shaft]);
    }
  }
  const strips = joints.map((joint) => ({ joint, strip: facts.one(jointRing(joint, ring)) }));
  const outlineText = facts.textOf(ring);
  const holeTexts = new Map(shafts.map((shaft) => [shaft.shaft, facts.textOf(shaft.ring)]));
  const pieces = storeys
    .filter(({ id }) => plate.serves.has(id))
    .map((level): FloorPiece => {
      const cutters = cutting.get(level.id) ?? [];
      const holes = new Map(cutters.map((shaft) => [holeTexts.get(shaft.shaft)!, shaft.ring]));
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
        cutBy: cutters.map(({ shaft }) => shaft),
        gaps,
      };
    });
  return { pieces, findings: [] };
}
