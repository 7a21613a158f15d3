import { finding, type Finding, type Fix } from '../checks/finding';
import { moveFix, moveIn } from '../checks/least-move';
import { localSlabs, platesUnder, soffitMm, type Plate, type PlateSet } from '../floors/plates';
import { intersection } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import { bounds, contains, ringGap, type Box, type Ring } from '../geometry/polygon';
import { endMm } from '../levels/resolve-end';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { mmOf } from '../dimensions/resolve-length';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { statesUp } from '../levels/states-up';
import type { Outline } from '../outlines/outline';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../passes/plan-facts';
import type { ShaftMiss, SolvedLift, SolvedShaft } from '../solving/solved';
import { reachingFollowers } from '../typical/as-master';
import { quantiseMm } from '../units/length-units';
import type { Shaft, ShaftException, SlabState } from './shaft';
import { asGiven } from '../dimensions/uses';

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
  const states = shaftStates(framework, shaft, storeys, facts);
  if (!states) {
    const message = `The outline of shaft ${shaft.name} crosses itself or encloses nothing. Draw it again`;
    return { solved: null, findings: [finding('outline.unsound', shaft.building, null, [shaft.id], message)] };
  }
  const stateAt = new Map(storeys.map(({ id }, i) => [id, states[i]!]));
  const unders = new Map<Ring, Set<Plate>>();
  const underOf = (ring: Ring): Set<Plate> => {
    const known = unders.get(ring) ?? platesUnder(plates.all, ring, facts);
    unders.set(ring, known);
    return known;
  };
  const soffitAt = (level: ResolvedLevel) => {
    const ring = stateAt.get(level.id)?.ring ?? states[0]!.ring;
    return soffitMm(level, plates, (plate) => underOf(ring).has(plate), { rings: [ring], facts });
  };
  const bottomMm = endMm(framework, shaft.startsAt, soffitAt);
  const topMm = endMm(framework, shaft.stopsAt, soffitAt);
  const solved: SolvedShaft = {
    shaft: shaft.id,
    building: shaft.building,
    name: shaft.name,
    purpose: shaft.purpose,
    ring: states[
      Math.max(
        0,
        storeys.findIndex(({ id }) => id === shaft.startsAt.level),
      )
    ]!.ring,
    stages: [],
    sleevesAt: [],
    bottomMm,
    topMm,
    cuts: [],
    misses: [],
    levels: storeys.filter((level) => level.fflMm >= bottomMm && level.sslMm <= topMm).map(({ id }) => id),
    lift: solvedLift(framework, shaft, storeys, [bottomMm, topMm]),
  };
  if (topMm <= bottomMm) {
    const message = `Shaft ${shaft.name} stops below where it starts, so it cuts nothing. Change where it starts or stops`;
    return {
      solved,
      findings: [
        finding('span.upsideDown', shaft.building, shaft.startsAt.level, [shaft.id], message, [
          {
            words: 'Exchange its two ends',
            command: 'shafts.change',
            input: {
              shaft: shaft.id,
              startsAt: asGiven(framework, shaft.stopsAt),
              stopsAt: asGiven(framework, shaft.startsAt),
            },
          },
        ]),
      ],
    };
  }
  const moves: MovesIn = new Map();
  for (const level of storeys) {
    for (const plate of plates.at(level.id)) {
      if (plate.ring) meet(shaft, solved, plate, plate.ring, level, stateAt.get(level.id)!, underOf, facts, moves);
    }
  }
  solved.stages = stagesOf(solved, storeys, states);
  return { solved, findings: missFindings(shaft, solved, storeys, plates.all, moves) };
}

/** The lift of a shaft between two heights: of all storeys it stops at those where its doors have room. */
function solvedLift(
  framework: Framework,
  { lift, purpose }: Shaft,
  storeys: readonly ResolvedLevel[],
  [bottomMm, topMm]: readonly [number, number],
): SolvedLift | null {
  if (!lift || purpose !== 'lift') return null;
  const mm = (length: typeof lift.pitMm) => mmOf(framework, length);
  const doorHeightMm = mm(lift.doorHeightMm);
  const { stops } = lift;
  const isStop = ({ id, fflMm, record }: ResolvedLevel) =>
    stops === 'all'
      ? record.levelKind !== 'roof' && fflMm >= bottomMm - 0.5 && fflMm + doorHeightMm <= topMm + 0.5
      : stops.includes(id);
  return {
    stops: storeys.filter(isStop).map(({ id }) => id),
    doorWidthMm: mm(lift.doorWidthMm),
    doorHeightMm,
    pitMm: mm(lift.pitMm),
    overrunMm: mm(lift.overrunMm),
    carWidthMm: mm(lift.carWidthMm),
    carDepthMm: mm(lift.carDepthMm),
    persons: lift.persons,
  };
}

/** A shaft at one level. */
interface ShaftState {
  ring: Ring;
  slab: SlabState;
}

/** The shaft at each level; null when one of its outlines is unsound. */
function shaftStates(
  framework: Framework,
  shaft: Shaft,
  storeys: readonly ResolvedLevel[],
  facts: PlanFacts,
): ShaftState[] | null {
  const rings = new Map<Outline, Ring | null>();
  const ringOf = (outline: Outline): Ring | null => {
    if (!rings.has(outline)) {
      const ring = resolveOutline(framework, outline);
      rings.set(outline, ring && facts.one(ring));
    }
    return rings.get(outline)!;
  };
  // Levels that are alike share one state object, and so one ring.
  const made = new Map<object, ShaftState | null>();
  const states = statesUp<{ outline: Outline; slab: SlabState }, ShaftException>(
    { outline: shaft.outline, slab: 'open' },
    reachingFollowers(framework, shaft.exceptions),
    storeys,
    (from, by) => ({ outline: by.outline ?? from.outline, slab: by.slab ?? from.slab }),
  ).map((state) => {
    if (!made.has(state)) {
      const ring = ringOf(state.outline);
      made.set(state, ring && { ring, slab: state.slab });
    }
    return made.get(state)!;
  });
  return states.length === 0 || states.some((state) => state === null) ? null : (states as ShaftState[]);
}

/** The shaft's free space in stretches of one outline each, from the lowest up: a new outline begins at its level's SSL. */
function stagesOf(
  { bottomMm, topMm }: SolvedShaft,
  storeys: readonly ResolvedLevel[],
  states: readonly ShaftState[],
): SolvedShaft['stages'] {
  const stages: SolvedShaft['stages'] = [];
  storeys.forEach((level, i) => {
    const from = Math.max(bottomMm, i === 0 ? bottomMm : level.sslMm);
    const to = Math.min(topMm, storeys[i + 1]?.sslMm ?? topMm);
    if (to <= from) return;
    const { ring } = states[i]!;
    const last = stages.at(-1);
    if (last && last.ring === ring) last.topMm = to;
    else stages.push({ ring, bottomMm: last ? last.topMm : bottomMm, topMm: to });
  });
  return stages;
}

/** Shares of plan under this only touch, mm². */
const TOUCH_MM2 = 1000;

/** True for a shaft that lies over some of a slab; one that only touches its edge passes beside it. */
const sharesPlan = (ring: Ring, plateRing: Ring, facts: PlanFacts): boolean =>
  isWithin(plateRing, ring) || facts.shared(ring, plateRing, () => intersection(ring, plateRing).areaMm2) > TOUCH_MM2;

/** True for a ring whose middle and corners lie in another. */
const isWithin = (outer: Ring, ring: Ring): boolean =>
  contains(outer, middleOf(bounds(ring))) && ring.every((point) => contains(outer, point));

const middleOf = ({ minX, maxX, minY, maxY }: Box): Point => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });

function meet(
  shaft: Shaft,
  solved: SolvedShaft,
  plate: Plate,
  plateRing: Ring,
  level: ResolvedLevel,
  { ring, slab }: ShaftState,
  underOf: (ring: Ring) => ReadonlySet<Plate>,
  facts: PlanFacts,
  moves: MovesIn,
): void {
  const inPlan = underOf(ring).has(plate) && sharesPlan(ring, plateRing, facts);
  // Over a zone it passes the slab of the zone, over its edge both.
  const slabs = localSlabs(plate, { rings: [ring], facts });
  const ssl = quantiseMm(level.sslMm + Math.max(...slabs.map(({ shiftMm }) => shiftMm)));
  const soffit = quantiseMm(level.sslMm + Math.min(...slabs.map(({ shiftMm, thicknessMm }) => shiftMm - thicknessMm)));
  const within = (mm: number) => mm >= soffit && mm <= Math.max(level.fflMm, ssl);
  const isFoot = level.id === shaft.startsAt.level && within(solved.bottomMm);
  const isHead = level.id === shaft.stopsAt.level && within(solved.topMm);
  const isOpen = (isFoot && shaft.opensFoot) || (isHead && shaft.opensHead);
  if ((isFoot || isHead) && !isOpen) return;
  const passes = isOpen || (solved.bottomMm <= soffit && solved.topMm >= ssl);
  const entry = { plate: plate.record.id, level: level.id };
  if (passes) {
    if (inPlan) {
      if (slab === 'open') solved.cuts.push({ ...entry, ring });
      else if (slab === 'sleeves' && !solved.sleevesAt.includes(level.id)) solved.sleevesAt.push(level.id);
      return;
    }
    const gap = quantiseMm(ringGap(plateRing, ring));
    if (gap > NEAR_IN_PLAN_MM) return;
    const miss: ShaftMiss = { ...entry, byMm: gap, way: 'beside' };
    solved.misses.push(miss);
    moves.set(miss, moveIn(ring, plateRing));
    return;
  }
  if (!inPlan) return;
  const fromAbove = quantiseMm(solved.bottomMm - soffit);
  const fromBelow = quantiseMm(ssl - solved.topMm);
  const apart = Math.max(solved.bottomMm - ssl, soffit - solved.topMm);
  if (apart <= NEAR_IN_HEIGHT_MM) solved.misses.push({ ...entry, byMm: Math.max(fromAbove, fromBelow), way: 'short' });
}

/** How a shaft that passes beside a slab comes to lie in it. */
type MovesIn = Map<ShaftMiss, Point | null>;

/** An end that stops short taken to the level whose slab it misses, opening it; a shaft beside a slab moved into it. */
function missFixes(
  shaft: Shaft,
  miss: ShaftMiss,
  storeys: readonly ResolvedLevel[],
  level: string,
  moves: MovesIn,
): Fix[] {
  if (miss.way === 'beside') return moveFix(shaft.id, `shaft ${shaft.name}`, moves.get(miss) ?? null);
  const rank = (id: Id) => storeys.findIndex((each) => each.id === id);
  const middle = (rank(shaft.startsAt.level) + rank(shaft.stopsAt.level)) / 2;
  const isFoot =
    rank(miss.level) < middle ||
    (rank(miss.level) === rank(shaft.startsAt.level) && rank(shaft.startsAt.level) !== rank(shaft.stopsAt.level));
  const at = { level: miss.level, face: 'SSL', offsetMm: 0 } as const;
  return [
    {
      words: `Let it cut the slab at level ${level}`,
      command: 'shafts.change',
      input: {
        shaft: shaft.id,
        ...(isFoot ? { startsAt: at, opensFoot: true } : { stopsAt: at, opensHead: true }),
      },
    },
  ];
}

function missFindings(
  shaft: Shaft,
  solved: SolvedShaft,
  storeys: readonly ResolvedLevel[],
  plates: readonly Plate[],
  moves: MovesIn,
): Finding[] {
  const levelName = new Map<Id, string>(storeys.map(({ id, record }) => [id, record.name]));
  const plateName = new Map<Id, string>(plates.map(({ record }) => [record.id, record.name]));
  const words = (miss: ShaftMiss) =>
    miss.way === 'short'
      ? `stops ${miss.byMm} mm short of passing`
      : miss.byMm > 0
        ? `passes ${miss.byMm} mm beside`
        : 'only touches';
  return solved.misses.map((miss) =>
    finding(
      'shaft.missesSlab',
      shaft.building,
      miss.level,
      [shaft.id, miss.plate],
      `Shaft ${shaft.name} ${words(miss)} the slab ${plateName.get(miss.plate) ?? ''} at level ${levelName.get(miss.level) ?? ''}. Move its end, or keep clear`,
      missFixes(shaft, miss, storeys, levelName.get(miss.level) ?? '', moves),
    ),
  );
}
