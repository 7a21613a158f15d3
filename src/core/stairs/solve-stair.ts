import { finding, type Finding, type Fix, fixBy } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import { asGiven } from '../dimensions/uses';
import { platesUnder, soffitMm, type PlateSet } from '../floors/plates';
import { plus, times } from '../geometry/point';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { PlanFacts } from '../passes/plan-facts';
import type { Remember } from '../passes/remembered';
import { resolveOutline } from '../setting-out/resolve-outline';
import { quantiseMm } from '../units/length-units';
import { askedOf, sizeOf } from './asked-of';
import { larger } from './cornered-well';
import { FIRST_DEG } from './lay-round';
import { layStair, type LaidStair, type StairSizes } from './lay-stair';
import { tightBox, tightHull, tightOpening } from './opening';
import { sourceOf } from './rule-sets';
import { bestWay, sizesOf, type StairAsked, type StairCandidate } from './stair-candidates';
import { fixesFor, foundAt, tooNarrow } from './stair-findings';
import type { SolvedStair, StairFix, StairStorey } from './solved-stair';
import type { Stair } from './stair';
import { stairWell } from './stair-well';
import { wellRing, type Well } from './well';
import { zoneStepAt } from './zone-steps';

/**
 * A stair through its storeys: steps, flights, landings and the holes it needs, each storey on its own. What the rule
 * set does not allow is a finding with the least change that would do. Headroom is worked out later, when slabs are known.
 */
export function solveStair(
  framework: Framework,
  stair: Stair,
  { storeys, floored }: { storeys: readonly ResolvedLevel[]; floored: readonly ResolvedLevel[] },
  plates: PlateSet,
  facts: PlanFacts,
  remember: Remember = (_, work) => work(),
): { solved: SolvedStair | null; findings: Finding[] } {
  const report = (rule: 'outline.unsound' | 'stair.well' | 'span.upsideDown', message: string, fixes: Fix[] = []) =>
    finding(rule, stair.building, stair.startsAt.level, [stair.id], message, fixes);
  const outline = resolveOutline(framework, stair.well);
  const drawn = outline && stairWell(outline, stair);
  if (!outline || !drawn) {
    const message = outline
      ? `The well of stair ${stair.name} is no rectangle. Give it four square corners, or three or four flights round corners that all point outwards`
      : `The well of stair ${stair.name} crosses itself or encloses nothing. Draw it again`;
    return { solved: null, findings: [report(outline ? 'stair.well' : 'outline.unsound', message)] };
  }
  const { box: drawnWell, cornered } = drawn;
  const mm = (length: Stair['eyeMm']) => mmOf(framework, length);
  const asked = askedOf(framework, stair, drawn);
  const { flightMm: flightWidthMm, landingMm } = sizesOf({ ...asked, heightMm: 1 });
  const solved: SolvedStair = {
    stair: stair.id,
    building: stair.building,
    name: stair.name,
    form: stair.form,
    rules: stair.rules,
    measuredBy: {
      title: asked.rules.title,
      source: asked.rules.source,
      headroomMm: asked.rules.headroomMm,
      headroomSource: sourceOf(asked.rules, 'stairs.headroom'),
    },
    ring: facts.one(outline),
    waistMm: mm(stair.waistMm),
    landingMm: mm(stair.landingMm),
    finishMm: mm(stair.finishMm),
    nosingMm: mm(stair.nosingMm),
    flightWidthMm,
    carriedBy: stair.carriedBy,
    hasOpenRisers: stair.hasOpenRisers,
    treadMm: mm(stair.treadMm),
    storeys: [],
    cuts: [],
    levels: [],
  };
  const ranks = [stair.startsAt, stair.stopsAt].map(({ level }) => storeys.findIndex(({ id }) => id === level));
  const [first, last] = [ranks[0]!, ranks[1]!];
  if (first < 0 || last < 0 || last <= first) {
    const message = `Stair ${stair.name} stops no higher than it starts, so it climbs nothing. Change where it starts or stops`;
    const fix = fixBy('Exchange its two ends', 'stairs.change', {
      stair: stair.id,
      startsAt: asGiven(framework, stair.stopsAt),
      stopsAt: asGiven(framework, stair.startsAt),
    });
    return { solved, findings: [report('span.upsideDown', message, last < first ? [fix] : [])] };
  }
  solved.levels = storeys.slice(first, last + 1).map(({ id }) => id);
  const eyeMm = mm(stair.eyeMm);
  if (
    stair.form === 'halfLanding' &&
    !stair.isFree &&
    (2 * flightWidthMm + eyeMm > drawnWell.widthMm + 1e-6 || flightWidthMm < 300)
  )
    return { solved, findings: [tooNarrow(stair, drawnWell, flightWidthMm, eyeMm, report)] };
  const climb = (lower: ResolvedLevel, upper: ResolvedLevel, bottomMm: number, topMm: number): Climb => {
    const heightMm = quantiseMm(topMm - bottomMm);
    const chosen = stair.chosen.find(({ level }) => level === lower.id)?.flights ?? null;
    const key = JSON.stringify([asked, heightMm, chosen]);
    const best = remember(`steps ${key}`, () => bestWay({ ...asked, heightMm }, chosen));
    return { lower, upper, bottomMm, heightMm, ...best };
  };
  const nominal = storeys.slice(first, last).map((lower, i) => {
    const upper = storeys[first + i + 1]!;
    return climb(lower, upper, lower.fflMm, upper.fflMm);
  });
  const well = stair.isFree ? freeWell(drawnWell, stair, nominal) : drawnWell;
  if (stair.isFree) solved.ring = facts.one(wellRing(well, 0, 0, well.lengthMm, well.widthMm));
  const sizes: StairSizes = {
    well,
    cornered,
    turn: stair.turn,
    flightWidthMm,
    floorLandingMm: stair.isFree ? 0 : mm(stair.floorLandingMm),
    landingMm,
    rules: asked.rules,
  };
  // Where a floor's zone lies otherwise at its foot or head, the storey is that much higher or lower.
  const hasZones = plates.all.some(({ zones }) => zones.length > 0);
  const climbs = hasZones ? nominal.map((each) => onZones(stair, sizes, each, plates, climb)) : nominal;
  return { solved, findings: climbed(stair, solved, sizes, asked, climbs, { plates, floored, facts, remember }) };
}

/** A storey as it is climbed from the floor that lies at its foot to the one at its head. */
function onZones(
  { form }: Stair,
  sizes: StairSizes,
  nominal: Climb,
  plates: PlateSet,
  climb: (lower: ResolvedLevel, upper: ResolvedLevel, bottomMm: number, topMm: number) => Climb,
): Climb {
  const { lower, upper, way } = nominal;
  if (!way) return nominal;
  const { foot, head } = layStair(form, sizes, stepsOf(way), lower.fflMm, lower.sslMm);
  const [low, high] = [zoneStepAt(plates, lower, foot, 'foot'), zoneStepAt(plates, upper, head, 'head')];
  return low === 0 && high === 0 ? nominal : climb(lower, upper, lower.fflMm + low, upper.fflMm + high);
}

const stepsOf = ({ risers: count, riserMm, goingMm, flights }: StairCandidate) => ({
  count,
  riserMm,
  goingMm,
  flights,
});

/** A storey with the way it is climbed; `isGone`: the one that was chosen for it is none any more. */
interface Climb {
  lower: ResolvedLevel;
  upper: ResolvedLevel;
  /** The finished floor at its foot. */
  bottomMm: number;
  heightMm: number;
  way: StairCandidate | null;
  isGone: boolean;
}

/** A well as large as the largest storey asks for, from the corner where one begins. */
function freeWell(drawn: Well, { turn, form }: Stair, climbs: readonly Climb[]): Well {
  const wells = climbs.flatMap(({ way }) => (way ? [way.wellMm] : []));
  if (wells.length === 0) return drawn;
  const widthMm = Math.max(...wells.map(([, width]) => width));
  const lengths = wells.map(([length]) => length);
  // The turn of tapered treads is as deep as half the well is wide.
  if (form === 'halfWinders')
    for (const { way } of climbs) {
      const [before = 0, , after = 0] = way?.flights ?? [];
      if (way) lengths.push(Math.ceil(Math.max(before, after - 1) * way.goingMm + widthMm / 2 - 1e-6));
    }
  const lengthMm = Math.max(...lengths);
  const shift = turn === 'right' ? drawn.widthMm - widthMm : 0;
  return { ...drawn, lengthMm, widthMm, origin: plus(drawn.origin, times(drawn.left, shift)) };
}

interface Around {
  plates: PlateSet;
  floored: readonly ResolvedLevel[];
  facts: PlanFacts;
  remember: Remember;
}

/** The storeys laid in the well, and the holes they need; what cannot be climbed is found. */
function climbed(
  stair: Stair,
  solved: SolvedStair,
  sizes: StairSizes,
  asked: Omit<StairAsked, 'heightMm'>,
  climbs: readonly Climb[],
  { plates, floored, facts, remember }: Around,
): Finding[] {
  const findings: Finding[] = [];
  const under = platesUnder(plates.all, solved.ring, facts);
  const heights = climbs.map(({ heightMm }) => heightMm);
  const { cornered } = sizes;
  const grown = cornered
    ? (byMm: number) => sizeOf(larger(cornered, byMm), asked.widthMm!, sizes.floorLandingMm)
    : null;
  let startDeg = FIRST_DEG;
  climbs.forEach((climb, i) => {
    const { lower, upper, bottomMm, heightMm, way } = climb;
    const steps = way && stepsOf(way);
    // Above its first floor the stair stands in its own opening.
    const footMm = i === 0 ? lower.sslMm : lower.sslMm - DEEP_MM;
    const laid = steps && layStair(stair.form, sizes, steps, bottomMm, footMm, startDeg);
    if (laid) startDeg = laid.nextDeg;
    const fixes = way
      ? []
      : remember(`fixes ${JSON.stringify([asked, heightMm, lower.id, heights])}`, () =>
          fixesFor({ ...asked, heightMm }, heights, lower, grown),
        );
    const storey = storeyOf(climb, solved.finishMm, steps, laid, fixes);
    solved.storeys.push(storey);
    findings.push(...foundAt(stair, storey, lower.record.name, climb.isGone));
    const soffit = soffitMm(upper, plates, (plate) => under.has(plate), { rings: [solved.ring], facts });
    const opening = facts.one(laid && steps ? openingOf(stair, sizes, steps, laid, bottomMm, soffit) : solved.ring);
    for (const plate of plates.at(upper.id))
      if (under.has(plate)) solved.cuts.push({ plate: plate.record.id, level: upper.id, ring: opening });
    // It runs past the mezzanines between two floors with all of its well.
    for (const { id, bounding, fflMm } of floored)
      if (!bounding && fflMm > lower.fflMm && fflMm < upper.fflMm)
        for (const plate of plates.at(id))
          if (under.has(plate)) solved.cuts.push({ plate: plate.record.id, level: id, ring: solved.ring });
  });
  return findings;
}

/** Deeper than any flight's underside lies under the floor it starts from. */
const DEEP_MM = 2000;

function openingOf(
  { form, opening, turn }: Stair,
  { well, cornered, flightWidthMm, floorLandingMm, rules }: StairSizes,
  steps: NonNullable<StairStorey['steps']>,
  laid: LaidStair,
  bottomMm: number,
  soffit: number,
) {
  if (opening === 'well') return laid.opening;
  if (form === 'halfLanding')
    return tightOpening({ well, turn, flightWidthMm, floorLandingMm }, steps, bottomMm, soffit, rules.headroomMm);
  // Round stairs are open all round.
  if (form === 'spiral' || form === 'circular') return laid.opening;
  if (cornered) return tightHull(laid.opening, laid, soffit, rules.headroomMm);
  return tightBox({ well, whole: laid.opening }, laid, soffit, rules.headroomMm);
}

function storeyOf(
  { lower, upper, bottomMm, heightMm, way }: Climb,
  finishMm: number,
  steps: StairStorey['steps'],
  laid: LaidStair | null,
  fixes: StairFix[],
): StairStorey {
  const { flights = [], tapered = [], landings = [], walk = [], foot = null, head = null } = laid ?? {};
  return {
    level: lower.id,
    upper: upper.id,
    heightMm,
    bottomMm,
    headroom: null,
    steps,
    flights,
    tapered,
    landings,
    walk,
    foot,
    head,
    pitchDeg: way?.pitchDeg ?? null,
    landingDepthMm: laid?.landingDepthMm ?? null,
    // Structure to structure: the floor's build-up is not the finish on the treads.
    firstStructuralMm: steps && quantiseMm(steps.riserMm - finishMm + (lower.fflMm - lower.sslMm)),
    lastStructuralMm: steps && quantiseMm(steps.riserMm + finishMm - (upper.fflMm - upper.sslMm)),
    broken: way && way.verdict !== 'ok' ? way.verdict : [],
    fixes,
  };
}
