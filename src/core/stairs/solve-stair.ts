import { finding, type Finding, type Fix, fixBy } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import { platesUnder, soffitMm, type PlateSet } from '../floors/plates';
import { directionDeg } from '../geometry/trig';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../passes/plan-facts';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { chooseSteps, leastRun, nearestHeight } from './choose-steps';
import { landingDepth, layHalfTurn, wellOf, type HalfTurn } from './half-turn';
import { tightOpening, wholeOpening } from './opening';
import { STAIR_RULES, type StairRules } from './rule-sets';
import type { SolvedStair, StairFix, StairStorey } from './solved-stair';
import type { Stair } from './stair';
import type { StairForm } from './stair-form';
import { asGiven } from '../dimensions/uses';

/** Forms as they are stored, by what they are called everywhere else. */
const FORM_OF: Record<Stair['form'], StairForm> = { halfTurn: 'halfLanding' };

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
): { solved: SolvedStair | null; findings: Finding[] } {
  const rules = STAIR_RULES[stair.rules];
  const report = (rule: 'outline.unsound' | 'stair.well' | 'span.upsideDown', message: string, fixes: Fix[] = []) =>
    finding(rule, stair.building, stair.startsAt.level, [stair.id], message, fixes);
  const outline = resolveOutline(framework, stair.well);
  const well = outline && wellOf(outline, stair.entry);
  if (!outline || !well) {
    const message = outline
      ? `The well of stair ${stair.name} is no rectangle. Give it four square corners`
      : `The well of stair ${stair.name} crosses itself or encloses nothing. Draw it again`;
    return { solved: null, findings: [report(outline ? 'stair.well' : 'outline.unsound', message)] };
  }
  const mm = (length: Stair['eyeMm']) => mmOf(framework, length);
  const eyeMm = mm(stair.eyeMm);
  const flightWidthMm = stair.widthMm === null ? (well.widthMm - eyeMm) / 2 : mm(stair.widthMm);
  const sizes: HalfTurn = { well, turn: stair.turn, flightWidthMm, floorLandingMm: mm(stair.floorLandingMm) };
  const wellRing = facts.one(outline);
  const solved: SolvedStair = {
    stair: stair.id,
    building: stair.building,
    name: stair.name,
    form: FORM_OF[stair.form],
    rules: stair.rules,
    ring: wellRing,
    waistMm: mm(stair.waistMm),
    landingMm: mm(stair.landingMm),
    finishMm: mm(stair.finishMm),
    nosingMm: mm(stair.nosingMm),
    flightWidthMm,
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
  if (2 * flightWidthMm + eyeMm > well.widthMm + 1e-6 || flightWidthMm < 300) {
    const message = `The well of stair ${stair.name} is ${write(well.widthMm)} wide; two flights of ${write(flightWidthMm)} and an eye of ${write(eyeMm)} need ${write(2 * flightWidthMm + eyeMm)}. Make the well wider or the flights narrower`;
    const widestMm = Math.floor((well.widthMm - eyeMm) / 2);
    const fix = fixBy(`Make the flights ${write(widestMm)} wide`, 'stairs.change', {
      stair: stair.id,
      widthMm: widestMm,
    });
    return { solved, findings: [report('stair.well', message, widestMm >= 300 ? [fix] : [])] };
  }
  const findings: Finding[] = [];
  const under = platesUnder(plates.all, wellRing, facts);
  for (let i = first; i < last; i += 1) {
    const [lower, upper] = [storeys[i]!, storeys[i + 1]!];
    const storey = solveStorey(sizes, rules, lower, upper, solved.finishMm, i === first);
    solved.storeys.push(storey);
    if (!storey.steps) findings.push(unsolved(stair, storey, lower));
    const soffit = soffitMm(upper, plates, (plate) => under.has(plate), { rings: [wellRing], facts });
    const ring =
      stair.opening === 'tight' && storey.steps
        ? tightOpening(sizes, storey.steps, lower.fflMm, soffit, rules.headroomMm)
        : wholeOpening(sizes);
    const opening = facts.one(ring);
    for (const plate of plates.at(upper.id)) {
      if (under.has(plate)) solved.cuts.push({ plate: plate.record.id, level: upper.id, ring: opening });
    }
    // It runs past the mezzanines between two floors with all of its well.
    for (const { id, bounding, fflMm } of floored)
      if (!bounding && fflMm > lower.fflMm && fflMm < upper.fflMm)
        for (const plate of plates.at(id))
          if (under.has(plate)) solved.cuts.push({ plate: plate.record.id, level: id, ring: wellRing });
  }
  return { solved, findings };
}

/** Deeper than any flight's underside lies under the floor it starts from. */
const DEEP_MM = 2000;

function solveStorey(
  sizes: HalfTurn,
  rules: StairRules,
  lower: ResolvedLevel,
  upper: ResolvedLevel,
  finishMm: number,
  isFirst: boolean,
): StairStorey {
  const heightMm = quantiseMm(upper.fflMm - lower.fflMm);
  const { well, flightWidthMm, floorLandingMm } = sizes;
  const landingMm = Math.min(flightWidthMm, rules.landingCapMm ?? Infinity);
  const runMm = well.lengthMm - floorLandingMm - landingMm;
  const steps = runMm > 0 ? chooseSteps(heightMm, runMm, rules) : null;
  const common = { level: lower.id, upper: upper.id, heightMm, headroom: null };
  if (!steps)
    return {
      ...common,
      steps: null,
      flights: [],
      landing: null,
      pitchDeg: null,
      landingDepthMm: null,
      firstStructuralMm: null,
      lastStructuralMm: null,
      fixes: fixesFor(heightMm, runMm, rules, lower),
    };
  // Above its first floor the stair stands in its own opening.
  const { flights, landing } = layHalfTurn(sizes, steps, lower.fflMm, isFirst ? lower.sslMm : lower.sslMm - DEEP_MM);
  return {
    ...common,
    steps,
    flights,
    landing,
    pitchDeg: quantiseMm(directionDeg(steps.riserMm, steps.goingMm)),
    landingDepthMm: quantiseMm(landingDepth(sizes, steps)),
    // Structure to structure: the floor's build-up is not the finish on the treads.
    firstStructuralMm: quantiseMm(steps.riserMm - finishMm + (lower.fflMm - lower.sslMm)),
    lastStructuralMm: quantiseMm(steps.riserMm + finishMm - (upper.fflMm - upper.sslMm)),
    fixes: [],
  };
}

/** The least changes with which a storey could be climbed: a longer well, another height; the smaller one first. */
function fixesFor(heightMm: number, runMm: number, rules: StairRules, lower: ResolvedLevel): StairFix[] {
  const fixes: (StairFix & { byMm: number })[] = [];
  const needed = leastRun(heightMm, rules);
  if (needed !== null && needed > runMm) {
    const byMm = Math.ceil(needed - runMm - 1e-6);
    fixes.push({ kind: 'longerWell', byMm, words: `make its well ${write(byMm)} mm longer` });
  }
  const height = nearestHeight(heightMm, Math.max(0, runMm), rules);
  if (height !== null)
    fixes.push({
      kind: 'height',
      toMm: height,
      level: lower.id,
      byMm: Math.abs(height - heightMm),
      words: `make the storey ${write(height)} mm high`,
    });
  return fixes.sort((a, b) => a.byMm - b.byMm);
}

function unsolved(stair: Stair, storey: StairStorey, lower: ResolvedLevel): Finding {
  const [fix] = storey.fixes;
  const what = `Stair ${stair.name} cannot climb ${write(storey.heightMm)} mm from level ${lower.record.name} in its well within its rule set`;
  return finding(
    'stair.unsolved',
    stair.building,
    storey.level,
    [stair.id],
    fix ? `${what}. Least change: ${fix.words}` : `${what}, however long it is. Another form has to be used`,
    storey.fixes.map((each) => fixOf(stair, each)),
  );
}

const fixOf = (stair: Stair, fix: StairFix): Fix =>
  fix.kind === 'height'
    ? {
        words: capital(fix.words),
        command: 'levels.setHeight',
        input: { level: fix.level, heightMm: fix.toMm, mode: 'push' },
      }
    : { words: capital(fix.words), command: 'stairs.lengthenWell', input: { stair: stair.id, byMm: fix.byMm } };

const write = (mm: number): string => formatLength(Math.round(mm * 10) / 10);
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
