import { mmOf } from '../dimensions/resolve-length';
import { floorUnder, soffitMm } from '../floors/plates';
import type { Profile } from '../geometry/boolean';
import { bounds, boxesMeet, contains, type Ring } from '../geometry/polygon';
import type { LevelHeights, ResolvedLevel } from '../levels/resolve-levels';
import { placing } from '../solving/placed';
import { quantiseMm } from '../units/length-units';
import { runsThrough } from './joins';
import { glazedMembers } from './members';
import type { WallPiece } from './solved-wall';
import { hidesEdges, type Wall } from './wall';
import type { WallPlan } from './wall-plans';
import { stripsOf } from './wall-path';
import type { FloorOf, PieceGiven, Standing } from './piece-given';
import { openingsOf, type Misfit } from './wall-openings';

/** Plans are cut this far above FFL. */
const PLAN_CUT_MM = 1200;
/** Walls whose tops are no further apart go up together, mm. */
const WITH_MM = 10;
/** Less of a wall beside a slab's edge is none, mm². */
const LEAST_BAND_MM2 = 1000;

/**
 * A wall between two heights: in plan what its strips cover less what runs through them there, so no two walls are ever in the same
 * space, and less its openings.
 */
export function wallPiece(
  given: PieceGiven,
  { plan, bottomMm, topMm }: Standing,
  { level, above }: { level: LevelHeights; above: LevelHeights | null },
  others: readonly Standing[],
  floors: readonly FloorOf[],
): { piece: WallPiece; misfits: Misfit[] } {
  const { facts, union } = given;
  const { record, path, strips } = plan;
  const cutting = cuttersOf(plan, bottomMm, topMm, others);
  const misfits: Misfit[] = [];
  const openings = floors.flatMap((floor) => openingsOf(given, plan, floor, bottomMm, misfits));
  const heights = [...new Set([bottomMm, topMm, ...openings.flatMap((opening) => [opening.bottomMm, opening.topMm])])]
    .filter((mm) => mm >= bottomMm && mm <= topMm)
    .sort((a, b) => a - b);
  const profileOf = (rings: readonly Ring[], holes: readonly Ring[]): [string, Profile] => {
    const key = `${rings.map((ring) => facts.textOf(ring)).join('+')}|${holes
      .map((ring) => facts.textOf(ring))
      .sort()
      .join('|')}`;
    return [key, union(key, rings, holes)];
  };
  let [volumeMm3, grossMm3] = [0, 0];
  const slices: WallPiece['slices'] = [];
  const uncut = () => profileOf(strips, cutting);
  const edge = edgeBand(given, plan, level, bottomMm);
  if (edge) {
    const beside = [...cuttersOf(plan, edge.fromMm, bottomMm, others), ...upBeside(plan, edge.fromMm, others)];
    const [profile, { areaMm2 }] = profileOf(strips, [...new Set([...cutting, ...beside, ...edge.slabs])]);
    if (areaMm2 > LEAST_BAND_MM2) {
      slices.push({ profile, bottomMm: edge.fromMm, topMm: bottomMm });
      volumeMm3 += areaMm2 * (bottomMm - edge.fromMm);
      grossMm3 += areaMm2 * (bottomMm - edge.fromMm);
    }
  }
  for (let i = 0; i + 1 < heights.length; i += 1) {
    const [from, to] = [heights[i]!, heights[i + 1]!];
    const open = openings.filter((opening) => opening.bottomMm < to && opening.topMm > from);
    const [profile, { areaMm2 }] = profileOf(strips, [...cutting, ...open.map(({ ring }) => ring)]);
    volumeMm3 += areaMm2 * (to - from);
    grossMm3 += (open.length > 0 ? uncut()[1].areaMm2 : areaMm2) * (to - from);
    const last = slices.at(-1);
    if (last?.profile === profile) last.topMm = to;
    else slices.push({ profile, bottomMm: from, topMm: to });
  }
  for (const band of above ? topBands(given, plan, above, topMm, others) : []) {
    const beside = cuttersOf(plan, band.fromMm - WITH_MM, band.toMm, others);
    const [profile, { areaMm2 }] = profileOf(strips, [...new Set([...beside, ...band.without])]);
    if (areaMm2 > LEAST_BAND_MM2) {
      slices.push({ profile, bottomMm: band.fromMm, topMm: band.toMm });
      volumeMm3 += areaMm2 * (band.toMm - band.fromMm);
      grossMm3 += areaMm2 * (band.toMm - band.fromMm);
    }
  }
  // All within other walls it wants all of itself, and has nothing.
  const isWithin = grossMm3 === 0;
  if (isWithin) grossMm3 = profileOf(strips, [])[1].areaMm2 * (topMm - bottomMm);
  const { coreMm, thicknessMm } = path.build;
  const cutMm = level.fflMm + PLAN_CUT_MM;
  const isLayered = coreMm[0] > 0 || coreMm[1] < thicknessMm;
  const atCut = openings.filter((opening) => opening.bottomMm < cutMm && opening.topMm > cutMm);
  const coreOf = () =>
    profileOf(
      stripsOf(path, coreMm[0], coreMm[1]).map((ring) => facts.one(ring)),
      [...cutting, ...atCut.map(({ ring }) => ring)],
    )[0];
  const piece: WallPiece = {
    wall: record.id,
    building: record.building,
    name: record.name,
    use: record.use,
    type: plan.type,
    level: level.id,
    thicknessMm,
    strips: [...strips],
    bottomMm,
    topMm,
    slices,
    whole: openings.length > 0 ? uncut()[0] : null,
    core: isLayered ? coreOf() : null,
    openings,
    members: record.use === 'glazed' ? glazedMembers(given.framework, record, strips, given.gridCurves) : [],
    grossMm3,
    volumeMm3,
    isWithin,
  };
  return { piece, misfits };
}

/** The strips of walls that run through a wall between two heights. */
function cuttersOf(plan: WallPlan, bottomMm: number, topMm: number, others: readonly Standing[]): Ring[] {
  const through = new Set<WallPlan>();
  for (const other of others) {
    if (other.bottomMm >= topMm - 1 || other.topMm <= bottomMm + 1) continue;
    if (other.plan === plan || !boxesMeet(other.plan.box, plan.box) || !runsThrough(other.plan.join, plan.join))
      continue;
    through.add(other.plan);
  }
  return [...through]
    .filter(({ strips }) => strips.some((strip) => plan.strips.some((own) => boxesMeet(bounds(strip), bounds(own)))))
    .flatMap(({ strips }) => strips);
}

/**
 * Where the slab an exterior wall stands on stops within it, the wall runs down past the slab's edge to its underside: to
 * what stands below, without a gap and without sharing any space with the slab.
 */
function edgeBand(
  { plates }: PieceGiven,
  { record, under, strips }: WallPlan,
  level: LevelHeights,
  bottomMm: number,
): { fromMm: number; slabs: Ring[] } | null {
  if (record.passesClearMm !== null || !hidesEdges(record)) return null;
  if (Math.abs(bottomMm - level.sslMm) > 1) return null;
  const slabs = plates.at(level.id).filter((plate) => under.has(plate) && plate.ring);
  const covers = slabs.some(({ ring }) => strips.every((strip) => strip.every((point) => contains(ring!, point))));
  if (slabs.length === 0 || covers) return null;
  return {
    fromMm: quantiseMm(level.sslMm - Math.min(...slabs.map(({ thicknessMm }) => thicknessMm))),
    slabs: slabs.map(({ ring }) => ring!),
  };
}

/**
 * Where the slab over the last storey of an exterior wall stops within it and nothing stands there that would go down past the
 * slab's edge, the wall goes up past it to its top: its outer leaf hides the edge of a roof without a parapet. Parted where another
 * wall begins within that height.
 */
function topBands(
  { framework, plates }: PieceGiven,
  plan: WallPlan,
  above: LevelHeights,
  topMm: number,
  others: readonly Standing[],
): { fromMm: number; toMm: number; without: Ring[] }[] {
  const { record, under, strips } = plan;
  if (record.passesClearMm !== null || !hidesEdges(record)) return [];
  const toSoffit = record.stopsAt.face === 'soffit' && mmOf(framework, record.stopsAt.offsetMm) === 0;
  if (!toSoffit && !goesUpBeside(record)) return [];
  const slabs = plates.at(above.id).filter((plate) => under.has(plate) && plate.ring);
  if (slabs.length === 0 || topMm > above.sslMm - 1) return [];
  const soffitMm = above.sslMm - Math.max(...slabs.map(({ thicknessMm }) => thicknessMm));
  const covers = slabs.some(({ ring }) => strips.every((strip) => strip.every((point) => contains(ring!, point))));
  if (covers || Math.abs(topMm - soffitMm) > 1) return [];
  const standing = others.filter(
    ({ plan: other, bottomMm }) => hidesEdges(other.record) && bottomMm >= topMm - 1 && bottomMm <= above.sslMm + 1,
  );
  // It goes on up itself.
  if (standing.some((other) => other.plan === plan)) return [];
  // What begins lower than the top of the slab stands there, whatever would run through it above.
  const isLow = ({ bottomMm }: Standing) => bottomMm > topMm + 1 && bottomMm < above.sslMm - 1;
  const through = standing.filter((each) => toSoffit || isLow(each) || !runsThrough(plan.join, each.plan.join));
  const parts = [...new Set([topMm, ...through.filter(isLow).map(({ bottomMm }) => bottomMm), above.sslMm])];
  parts.sort((a, b) => a - b);
  return parts.slice(1).map((toMm, i) => ({
    fromMm: parts[i]!,
    toMm,
    without: [
      ...slabs.map(({ ring }) => ring!),
      ...through.filter((each) => !isLow(each) || each.bottomMm < toMm).flatMap(({ plan: { strips } }) => [...strips]),
    ],
  }));
}

/** True for a wall that is to end at the top of the slab over it: beside that it goes on up. */
export const goesUpBeside = (record: Wall): boolean => hidesEdges(record) && record.stopsAt.face === 'SSL';

/** The strips of walls that run through one and go on up beside the slab it stands on. */
const upBeside = (plan: WallPlan, fromMm: number, others: readonly Standing[]): Ring[] =>
  others
    .filter(({ plan: other, topMm }) => goesUpBeside(other.record) && Math.abs(topMm - fromMm) <= WITH_MM)
    .filter(({ plan: other }) => other !== plan && runsThrough(other.join, plan.join))
    .flatMap(({ plan: { strips } }) => [...strips]);

/** The floor a wall stands on in its storey, at FFL. */
export const floorOf = (
  { plates, facts }: Pick<PieceGiven, 'plates' | 'facts'>,
  { strips }: WallPlan,
  level: LevelHeights,
): number => floorUnder(level, plates, { rings: strips, facts }).fflMm;

/** The floors a wall passes between two heights, each with the soffit over it. */
export function floorsPassed(
  given: Pick<PieceGiven, 'plates' | 'facts'>,
  { plan, bottomMm, topMm }: Standing,
  storeys: readonly ResolvedLevel[],
): FloorOf[] {
  const { plates, facts } = given;
  return storeys.flatMap((floor, i) => {
    const above = storeys[i + 1];
    if (floor.fflMm < bottomMm - 1 || floor.fflMm >= topMm - 1) return [];
    const soffit = above
      ? soffitMm(above, plates, (plate) => plan.under.has(plate), { rings: plan.strips, facts })
      : topMm;
    return [{ level: floor, floorMm: floorOf(given, plan, floor), topMm: Math.min(topMm, soffit) }];
  });
}

/** A piece with its heights from another zero, at another level of the same plan. */
export const placed = placing((piece: WallPiece, level, zeroMm) => {
  const mm = (relative: number) => quantiseMm(zeroMm + relative);
  return {
    ...piece,
    level,
    bottomMm: mm(piece.bottomMm),
    topMm: mm(piece.topMm),
    slices: piece.slices.map((slice) => ({ ...slice, bottomMm: mm(slice.bottomMm), topMm: mm(slice.topMm) })),
    openings: piece.openings.map((opening) => ({
      ...opening,
      level,
      bottomMm: mm(opening.bottomMm),
      topMm: mm(opening.topMm),
    })),
  };
});
