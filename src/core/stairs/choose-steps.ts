import { sinDeg, cosDeg } from '../geometry/trig';
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

/** Counts of risers a height can be divided into within the rule set, fewest first. */
export function countsFor(heightMm: number, rules: StairRules): number[] {
  const { least, most } = rules.riserMm;
  const [from, to] = [Math.ceil(heightMm / most - 1e-9), Math.floor(heightMm / least + 1e-9)];
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i).filter((count) => count >= 2);
}

/** Run of a flight: one going fewer than risers. */
export const runOf = (risers: number, goingMm: number): number => Math.max(0, risers - 1) * goingMm;
