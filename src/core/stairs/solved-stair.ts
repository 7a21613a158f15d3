import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Steps } from './choose-steps';
import type { Flight, Landing, StairEnd, TaperedTread } from './pieces';
import type { WalkPlace } from './lay-stair';
import type { Stair } from './stair';
import type { StairForm } from './stair-form';

/** A change with which a storey could be climbed. */
export type StairFix = { words: string } & (
  | { kind: 'longerWell' | 'widerWell' | 'largerWell'; byMm: number }
  | { kind: 'height'; level: Id; toMm: number }
  /** `isFree`: no longer in its well. */
  | { kind: 'form'; form: StairForm; isFree: boolean }
);

/** One storey of a stair. Without steps it could not be solved. */
export interface StairStorey {
  /** The level it starts at, and the one it arrives at. */
  level: Id;
  upper: Id;
  heightMm: number;
  /** The finished floor it starts from. */
  bottomMm: number;
  steps: Steps | null;
  flights: Flight[];
  tapered: TaperedTread[];
  landings: Landing[];
  /** The walking line, from its first step riser up. */
  walk: WalkPlace[];
  /** Where one steps on, and off. */
  foot: StairEnd | null;
  head: StairEnd | null;
  pitchDeg: number | null;
  /** Depth of its landings at the narrowest place; null without any. */
  landingDepthMm: number | null;
  /** First and last step riser from structure to structure. */
  firstStructuralMm: number | null;
  lastStructuralMm: number | null;
  /** Limits broken by what the designer asks for, each with its source. */
  broken: readonly string[];
  /** Least height over its pitch lines and landing, with its place; null where nothing is above. */
  headroom: { mm: number; at: Point; lowMm: number; under: string } | null;
  fixes: StairFix[];
}

/** A stair worked out for every storey it climbs. */
export interface SolvedStair {
  stair: Id;
  building: Id;
  name: string;
  form: StairForm;
  rules: Stair['rules'];
  /** What of its rule set is told later on. */
  measuredBy: { title: string; source: string; headroomMm: number; headroomSource: string };
  /** Its well. */
  ring: Ring;
  waistMm: number;
  landingMm: number;
  finishMm: number;
  nosingMm: number;
  flightWidthMm: number;
  /** A piece under the treads as thick as the waist, or stringers as deep. */
  carriedBy: Stair['carriedBy'];
  hasOpenRisers: boolean;
  treadMm: number;
  storeys: StairStorey[];
  /** The holes it needs. */
  cuts: { plate: Id; level: Id; ring: Ring }[];
  /** Levels it serves, from the lowest up. */
  levels: Id[];
}
