import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Steps } from './choose-steps';
import type { Flight, Landing } from './half-turn';
import type { RuleSet } from './rule-sets';
import type { StairForm } from './stair-form';

/** A change with which a storey could be climbed. */
export type StairFix = { words: string } & (
  { kind: 'longerWell'; byMm: number } | { kind: 'height'; level: Id; toMm: number }
);

/** One storey of a stair. Without steps it could not be solved. */
export interface StairStorey {
  /** The level it starts at, and the one it arrives at. */
  level: Id;
  upper: Id;
  heightMm: number;
  steps: Steps | null;
  flights: Flight[];
  landing: Landing | null;
  pitchDeg: number | null;
  /** Depth of the half landing at its narrower place. */
  landingDepthMm: number | null;
  /** First and last step riser from structure to structure. */
  firstStructuralMm: number | null;
  lastStructuralMm: number | null;
  /** Least height over its pitch lines and landing, with its place; null where nothing is above. */
  headroom: { mm: number; at: Point; under: string } | null;
  fixes: StairFix[];
}

/** A stair worked out for every storey it climbs. */
export interface SolvedStair {
  stair: Id;
  building: Id;
  name: string;
  form: StairForm;
  rules: RuleSet;
  /** Its well. */
  ring: Ring;
  waistMm: number;
  landingMm: number;
  finishMm: number;
  nosingMm: number;
  flightWidthMm: number;
  storeys: StairStorey[];
  /** The holes it needs. */
  cuts: { plate: Id; level: Id; ring: Ring }[];
  /** Levels it serves, from the lowest up. */
  levels: Id[];
}
