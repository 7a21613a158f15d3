import { finding, type Finding } from '../checks/finding';
import { platesUnder, soffitMm, type Plate, type PlateSet } from '../floors/plates';
import { ringGap, type Ring } from '../geometry/polygon';
import { endMm } from '../levels/resolve-end';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../solving/plan-facts';
import type { ShaftMiss, SolvedShaft } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import type { Shaft } from './shaft';

/** A shaft end this near to a slab it does not pass counts as missing it. */
const NEAR_IN_HEIGHT_MM = 300;
/** A shaft this near beside a slab in plan counts as missing it. */
const NEAR_IN_PLAN_MM = 1000;

/**
 * Which slabs a shaft cuts and which it just misses.
 *
 * At the levels named by its two ends the plain choices decide, as long as the end lies within the floor there.
 * Everywhere else height decides: a slab wholly within the shaft's height is cut; one that the shaft only enters,
 * or stops short of by a little, is missed by the distance to its far face.
 */
export function solveShaft(
  framework: Framework,
  shaft: Shaft,
  storeys: readonly ResolvedLevel[],
  plates: PlateSet,
  facts: PlanFacts,
): { solved: SolvedShaft | null; findings: Finding[] } {
  const outline = resolveOutline(framework, shaft.outline);
  if (!outline) {
    const message = `The outline of shaft ${shaft.name} crosses itself or encloses nothing. Draw it again`;
    return { solved: null, findings: [finding('outline.unsound', 'error', shaft.building, null, [shaft.id], message)] };
  }
  const ring = facts.one(outline);
  const under = platesUnder(plates.all, ring, facts);
  const soffitAt = (level: ResolvedLevel) => soffitMm(level, plates, (plate) => under.has(plate));
  const bottomMm = endMm(framework, shaft.startsAt, soffitAt);
  const topMm = endMm(framework, shaft.stopsAt, soffitAt);
  const solved: SolvedShaft = {
    shaft: shaft.id,
    building: shaft.building,
    name: shaft.name,
    purpose: shaft.purpose,
    ring,
    bottomMm,
    topMm,
    cuts: [],
    misses: [],
    levels: storeys.filter((level) => level.fflMm >= bottomMm && level.sslMm <= topMm).map(({ id }) => id),
  };
  if (topMm <= bottomMm) {
    const message = `Shaft ${shaft.name} stops below where it starts, so it cuts nothing. Change where it starts or stops`;
    return {
      solved,
      findings: [finding('span.upsideDown', 'error', shaft.building, shaft.startsAt.level, [shaft.id], message)],
    };
  }
  for (const level of storeys) {
    for (const plate of plates.at(level.id)) {
      if (plate.ring) meet(shaft, solved, plate, plate.ring, level, under.has(plate));
    }
  }
  return { solved, findings: missFindings(shaft, solved, storeys, plates.all) };
}

function meet(
  shaft: Shaft,
  solved: SolvedShaft,
  plate: Plate,
  plateRing: Ring,
  level: ResolvedLevel,
  inPlan: boolean,
): void {
  const [soffit, ssl] = [quantiseMm(level.sslMm - plate.thicknessMm), level.sslMm];
  const within = (mm: number) => mm >= soffit && mm <= level.fflMm;
  const isFoot = level.id === shaft.startsAt.level && within(solved.bottomMm);
  const isHead = level.id === shaft.stopsAt.level && within(solved.topMm);
  const isOpen = (isFoot && shaft.opensFoot) || (isHead && shaft.opensHead);
  if ((isFoot || isHead) && !isOpen) return;
  const passes = isOpen || (solved.bottomMm <= soffit && solved.topMm >= ssl);
  const entry = { plate: plate.record.id, level: level.id };
  if (passes) {
    if (inPlan) {
      solved.cuts.push(entry);
      return;
    }
    const gap = quantiseMm(ringGap(plateRing, solved.ring));
    if (gap <= NEAR_IN_PLAN_MM) solved.misses.push({ ...entry, byMm: gap, way: 'beside' });
    return;
  }
  if (!inPlan) return;
  const fromAbove = quantiseMm(solved.bottomMm - soffit);
  const fromBelow = quantiseMm(ssl - solved.topMm);
  const apart = Math.max(solved.bottomMm - ssl, soffit - solved.topMm);
  if (apart <= NEAR_IN_HEIGHT_MM) solved.misses.push({ ...entry, byMm: Math.max(fromAbove, fromBelow), way: 'short' });
}

function missFindings(
  shaft: Shaft,
  solved: SolvedShaft,
  storeys: readonly ResolvedLevel[],
  plates: readonly Plate[],
): Finding[] {
  const levelName = new Map<Id, string>(storeys.map(({ id, record }) => [id, record.name]));
  const plateName = new Map<Id, string>(plates.map(({ record }) => [record.id, record.name]));
  const words = (miss: ShaftMiss) =>
    miss.way === 'short' ? `stops ${miss.byMm} mm short of passing` : `passes ${miss.byMm} mm beside`;
  return solved.misses.map((miss) =>
    finding(
      'shaft.missesSlab',
      'error',
      shaft.building,
      miss.level,
      [shaft.id, miss.plate],
      `Shaft ${shaft.name} ${words(miss)} the slab ${plateName.get(miss.plate) ?? ''} at level ${levelName.get(miss.level) ?? ''}. Move its end, or keep clear`,
    ),
  );
}
