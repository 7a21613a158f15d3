import type { PlateSet } from '../floors/plates';
import type { Curve } from '../geometry/curve';
import type { Ring } from '../geometry/polygon';
import type { LevelHeights } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { PlanFacts } from '../passes/plan-facts';
import type { WallPlan } from './wall-plans';
import type { UnionStore } from '../geometry/profile-store';

/** A wall between two heights, from a zero that all of them share. */
export interface Standing {
  plan: WallPlan;
  bottomMm: number;
  topMm: number;
}

/** A storey a piece of a wall has its openings in, with its floor and what is over it. */
export interface FloorOf {
  level: LevelHeights;
  floorMm: number;
  topMm: number;
  /** The lowest roof over a ring, where the wall ends at one; null where none is. */
  roofOver?: (ring: Ring) => number | null;
}

export interface PieceGiven {
  framework: Framework;
  plates: PlateSet;
  facts: PlanFacts;
  union: UnionStore;
  /** The lines of the grids of its building. */
  gridCurves: () => readonly Curve[];
}
