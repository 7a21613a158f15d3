import type { Body } from '../bodies/body';
import { mmOf } from '../dimensions/resolve-length';
import { platesUnder, soffitMm, type PlateSet } from '../floors/plates';
import { lengthOf, minus, plus, quantised, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, counterClockwise, type Ring, ringArea } from '../geometry/polygon';
import { servedLevels } from '../levels/extent';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import type { PlanFacts } from '../passes/plan-facts';
import { asMaster } from '../typical/as-master';
import { quantiseMm } from '../units/length-units';
import type { UnionStore } from '../geometry/profile-store';
import type { Beam, BeamException } from './beam';

/** Less than this is left of nothing, mm². */
const LEAST_MM2 = 1000;

/** What stands in the storey under a beam and owns the space it takes: columns and walls, heights from the FFL of that storey. */
export interface Under {
  ring: Ring;
  topMm: number;
}

interface Given {
  framework: Framework;
  storeys: readonly ResolvedLevel[];
  floored: readonly ResolvedLevel[];
  plates: PlateSet;
  /** By the lower level of the storey under a level. */
  standing: (storey: Id) => readonly Under[];
  union: UnionStore;
  facts: PlanFacts;
}

/** A beam at one of its levels, in plan and height; its body is null where columns and walls take all of its space. */
export interface BeamAt {
  level: Id;
  ring: Ring;
  ends: [Point, Point];
  bottomMm: number;
  topMm: number;
  /** True where a slab lies over some of it. */
  isUnderSlab: boolean;
  body: Body | null;
}

/** The plan of a beam: a strip about the line between its two ends; null where they are in one place. */
export function beamStrip(framework: Framework, beam: Beam): { ring: Ring; ends: [Point, Point] } | null {
  const [from, to] = [resolvePlace(framework, beam.from).at, resolvePlace(framework, beam.to).at];
  const way = minus(to, from);
  const length = lengthOf(way);
  if (length < 1) return null;
  const side = times({ x: -way.y, y: way.x }, mmOf(framework, beam.widthMm) / 2 / length);
  const corners = [minus(from, side), minus(to, side), plus(to, side), plus(from, side)];
  return { ring: counterClockwise(corners.map(quantised)), ends: [from, to] };
}

/**
 * A beam at each level it serves: its top is the underside of the slab there, where several lie over it that of the lowest; without
 * one it hangs from SSL. Columns and walls that stand under it keep their space.
 */
export function solveBeam(beam: Beam, given: Given): BeamAt[] {
  const { framework, storeys, floored, plates, facts, union } = given;
  const strip = beamStrip(framework, beam);
  if (!strip) return [];
  const ring = facts.one(strip.ring);
  const box = bounds(ring);
  const served = servedLevels(framework, beam.levels, storeys, floored);
  const states = asMaster<Pick<BeamException, 'leftOut'> & Pick<Beam, 'depthMm'>, BeamException>(
    framework,
    { leftOut: false, depthMm: beam.depthMm },
    beam.exceptions,
    served.map((id) => ({ id })),
    (from, by) => ({ leftOut: by.leftOut, depthMm: by.depthMm ?? from.depthMm }),
  );
  return served.flatMap((id, i): BeamAt[] => {
    const level = floored.find((each) => each.id === id)!;
    const { leftOut, depthMm } = states[i]!;
    if (leftOut) return [];
    const over = platesUnder(plates.at(id), ring, facts);
    const topMm = soffitMm(level, plates, (plate) => over.has(plate), { rings: [ring], facts });
    const bottomMm = quantiseMm(topMm - mmOf(framework, depthMm));
    const below = storeys[storeys.findIndex((storey) => storey.id === id) - 1];
    const taken = (below ? given.standing(below.id) : [])
      .filter((each) => below!.fflMm + each.topMm > bottomMm + 1 && boxesMeet(bounds(each.ring), box))
      .map((each) => facts.one(each.ring));
    const holes = [...new Set(taken)];
    const texts = holes.map((hole) => facts.textOf(hole)).sort();
    const profile = `beam ${facts.textOf(ring)}|${texts.join('|')}`;
    const { areaMm2 } = union(profile, [ring], holes);
    const body: Body = {
      thing: beam.id,
      kind: 'beam',
      building: beam.building,
      name: beam.name,
      level: id,
      seenAt: below?.id ?? null,
      ring,
      profile,
      bottomMm,
      topMm,
      grossMm3: Math.abs(ringArea(ring)) * (topMm - bottomMm),
      volumeMm3: areaMm2 * (topMm - bottomMm),
      material: beam.material,
    };
    const isUnderSlab = over.size > 0;
    return [
      { level: id, ring, ends: strip.ends, bottomMm, topMm, isUnderSlab, body: areaMm2 < LEAST_MM2 ? null : body },
    ];
  });
}
