import { sinDeg, cosDeg } from '../geometry/trig';
import { quantiseMm } from '../units/length-units';
import { PACE_TARGET_MM, type StairRules } from './rule-sets';

/** The steps of one storey: equal risers and goings, dealt to flights. */
export interface Steps {
  /** Step risers in the storey. */
  count: number;
  riserMm: number;
  goingMm: number;
  /** Step risers of each part, the first one first: flights, and the tapered treads between two. */
  flights: readonly number[];
}

/** Goings are whole millimetres, so that they can be set out. */
const GOING_GRAIN_MM = 1;

/** Risers dealt to two flights as evenly as can be, the first taking the odd one: the longer run is least so. */
const dealRisers = (count: number): [number, number] => [Math.ceil(count / 2), Math.floor(count / 2)];

/** Goings a riser of this height allows, whole millimetres; null where none. `mostMm` is what the well leaves. */
export function goingsFor(riserMm: number, rules: StairRules, mostMm: number): { least: number; most: number } | null {
  const { goingMm, pace, pitchMostDeg } = rules;
  const least = Math.max(
    goingMm.least,
    pace.isLimit ? pace.least - 2 * riserMm : 0,
    pitchMostDeg === null ? 0 : (riserMm * cosDeg(pitchMostDeg)) / sinDeg(pitchMostDeg),
  );
  const most = Math.min(goingMm.most ?? Infinity, pace.isLimit ? pace.most - 2 * riserMm : Infinity, mostMm);
  const whole = {
    least: Math.ceil(least / GOING_GRAIN_MM - 1e-9) * GOING_GRAIN_MM,
    most: most === Infinity ? Infinity : Math.floor(most / GOING_GRAIN_MM + 1e-9) * GOING_GRAIN_MM,
  };
  return whole.least <= whole.most ? whole : null;
}

/** The whole going with which a riser comes nearest to the pace. */
export const paceGoing = (riserMm: number): number =>
  Math.round((PACE_TARGET_MM - 2 * riserMm) / GOING_GRAIN_MM) * GOING_GRAIN_MM;

/** True if flights of this many risers are within the rule set. */
const flightIsAllowed = (risers: number, riserMm: number, rules: StairRules): boolean =>
  (rules.risersMost === null || risers <= rules.risersMost) &&
  (rules.flightRiseMost === null || risers * riserMm <= rules.flightRiseMost + 1e-6);

/** Counts of risers a height can be divided into within the rule set, fewest first. */
export function countsFor(heightMm: number, rules: StairRules): number[] {
  const { least, most } = rules.riserMm;
  const [from, to] = [Math.ceil(heightMm / most - 1e-9), Math.floor(heightMm / least + 1e-9)];
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i).filter((count) => count >= 2);
}

/**
 * The steps of a half-turn storey: of all counts the rule set allows and whose flights fit `runMm`, the one whose
 * 2 risers + going comes nearest to the target. What differs by less than goings can be set out counts as equal, and of
 * equals the fewest risers are taken. Null if none.
 */
export function chooseSteps(heightMm: number, runMm: number, rules: StairRules): Steps | null {
  const found: { steps: Steps; miss: number }[] = [];
  for (const count of countsFor(heightMm, rules)) {
    const riserMm = heightMm / count;
    const flights = dealRisers(count);
    if (!flightIsAllowed(flights[0], riserMm, rules)) continue;
    const goings = goingsFor(riserMm, rules, flights[0] > 1 ? runMm / (flights[0] - 1) : Infinity);
    if (!goings) continue;
    const goingMm = Math.min(Math.max(paceGoing(riserMm), goings.least), goings.most);
    const miss = Math.abs(2 * riserMm + goingMm - PACE_TARGET_MM);
    found.push({ miss, steps: { count, riserMm: quantiseMm(riserMm), goingMm, flights } });
  }
  const least = Math.min(...found.map(({ miss }) => miss));
  return found.find(({ miss }) => miss <= least + GOING_GRAIN_MM / 2 + 1e-9)?.steps ?? null;
}

/** Run of a flight: one going fewer than risers. */
export const runOf = (risers: number, goingMm: number): number => Math.max(0, risers - 1) * goingMm;

/** The shortest run in which a height can be climbed within the rule set; null where no length would do. */
export function leastRun(heightMm: number, rules: StairRules): number | null {
  let least: number | null = null;
  for (const count of countsFor(heightMm, rules)) {
    const riserMm = heightMm / count;
    const [longer] = dealRisers(count);
    const goings = goingsFor(riserMm, rules, Infinity);
    if (!goings || !flightIsAllowed(longer, riserMm, rules)) continue;
    const run = runOf(longer, goings.least);
    if (least === null || run < least) least = run;
  }
  return least;
}

/** Heights are tried in steps of this. */
const HEIGHT_STEP_MM = 10;

/** The height nearest to one that cannot be climbed in a run, at which it can be; null where none is within 3 m. */
export function nearestHeight(heightMm: number, runMm: number, rules: StairRules): number | null {
  for (let by = HEIGHT_STEP_MM; by <= 3000; by += HEIGHT_STEP_MM) {
    // Lower first: a storey is lowered more easily than a building raised.
    for (const other of [heightMm - by, heightMm + by]) {
      const round = Math.round(other / HEIGHT_STEP_MM) * HEIGHT_STEP_MM;
      if (round > 0 && chooseSteps(round, runMm, rules)) return round;
    }
  }
  return null;
}
