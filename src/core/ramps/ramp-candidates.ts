import { quantiseMm } from '../units/length-units';
import { sourceOf } from '../stairs/rule-sets';
import type { RampRules } from './ramp-rules';

/** What a ramp is asked for; with a run, how steep it is there and whether it may be. */
interface RampAsked {
  /** Upwards; below zero it goes down. */
  riseMm: number;
  rules: RampRules;
  /** The room there is, landings included; undefined: as long as it must be. */
  runMm?: number | undefined;
}

/** A ramp of equal flights with landings between them. */
export interface RampCandidate {
  riseMm: number;
  /** From end to end, landings included. */
  runMm: number;
  /** Run per rise of its flights. */
  slopeRatio: number;
  flights: number;
  flightRiseMm: number;
  flightRunMm: number;
  landings: number;
  landingMm: number;
  verdict: 'ok' | string[];
}

/** So many flights more than it must have are looked at: with more it may be shorter. */
const MORE_FLIGHTS = 4;
const MOST_FLIGHTS = 200;

/** Run per rise a flight of some rise must have at least; null where no flight may rise so far. */
export function leastRatio(flightRiseMm: number, { steepest }: RampRules): number | null {
  return steepest.find(({ toRiseMm }) => flightRiseMm <= toRiseMm + 1e-6)?.runPerRise ?? null;
}

/** Whether flights of some rise and run are within the rule set: the limits broken, each with its source. */
function broken(flightRiseMm: number, flightRunMm: number, rules: RampRules): string[] {
  const { steepest, flightRunMost } = rules;
  const said = (mm: number) => String(Math.round(mm * 10) / 10);
  const ratio = flightRiseMm === 0 ? Infinity : flightRunMm / flightRiseMm;
  const least = leastRatio(flightRiseMm, rules);
  const most = steepest.at(-1)!;
  const step = least === null ? steepest.length : steepest.findIndex(({ runPerRise }) => runPerRise === least) + 1;
  const found: string[] = [];
  if (least === null)
    found.push(
      `rise of one flight ${said(flightRiseMm)} mm over ${said(most.toRiseMm)} mm (${sourceOf(rules, `ramps.rise.${steepest.length}`)})`,
    );
  if (ratio < (least ?? most.runPerRise) - 1e-6)
    found.push(
      `slope 1:${said(ratio)} steeper than 1:${least ?? most.runPerRise} (${sourceOf(rules, `ramps.slope.${step}`)})`,
    );
  if (flightRunMost !== null && flightRunMm > flightRunMost + 1e-6)
    found.push(
      `run of one flight ${said(flightRunMm)} mm over ${said(flightRunMost)} mm (${sourceOf(rules, 'ramps.flightRun')})`,
    );
  return found;
}

/**
 * Ramps that climb a rise, best first: with as few landings as there may be, then the shorter one. Without a run each is as steep
 * as it may be; with one each is as steep as the run makes it, those that may not be so last, with the limits they break.
 */
export function rampCandidates({ riseMm, rules, runMm }: RampAsked): RampCandidate[] {
  const rise = Math.abs(riseMm);
  if (!(rise > 0)) return [];
  const made: RampCandidate[] = [];
  let first: number | null = null;
  for (let flights = 1; flights <= MOST_FLIGHTS && (first === null || flights <= first + MORE_FLIGHTS); flights += 1) {
    const flightRise = rise / flights;
    const landings = flights - 1;
    const ratio = leastRatio(flightRise, rules);
    const flightRun =
      runMm === undefined
        ? ratio === null
          ? null
          : flightRise * ratio
        : (runMm - landings * rules.landingMm) / flights;
    if (flightRun === null || flightRun <= 0) continue;
    const limits = broken(flightRise, flightRun, rules);
    if (runMm === undefined && limits.length > 0) continue;
    if (limits.length === 0) first ??= flights;
    made.push({
      riseMm,
      runMm: quantiseMm(flightRun * flights + landings * rules.landingMm),
      slopeRatio: quantiseMm(flightRun / flightRise),
      flights,
      flightRiseMm: quantiseMm(flightRise),
      flightRunMm: quantiseMm(flightRun),
      landings,
      landingMm: landings === 0 ? 0 : rules.landingMm,
      verdict: limits.length === 0 ? 'ok' : limits,
    });
    if (runMm !== undefined && first === null && flights > MORE_FLIGHTS * 3) break;
  }
  return made.sort(
    (a, b) => Number(a.verdict !== 'ok') - Number(b.verdict !== 'ok') || a.landings - b.landings || a.runMm - b.runMm,
  );
}
