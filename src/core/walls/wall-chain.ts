import type { Finding } from '../checks/finding';
import type { Id } from '../model/ids';
import type { Pass } from '../passes/pass';
import type { WallPiece } from './solved-wall';
import type { WallRun } from './wall-heights';
import type { Misfit } from './wall-openings';

/** The walls of a building from where they stand: there is one chain before ceilings are known, and one after. */
export interface WallChain {
  /** Where a wall stands, with what is found of it; by building and id. */
  runs: Pass<{ runs: readonly WallRun[]; findings: Finding[] }>;
  /** Those of a storey; by building and level. */
  at: Pass<readonly WallRun[]>;
  byLevel: Pass<ReadonlyMap<Id, readonly WallRun[]>>;
  /** The lowest storey with the same walls; by building and level. */
  alike: Pass<Id>;
  /** What stands between the floor of a storey and the next, also of other storeys; by building and level. */
  band: Pass<readonly Band[]>;
  /** Pieces of a storey that do not pass slabs, from its FFL; by building and level. */
  inPlan: Pass<InPlan>;
  /** Pieces of a wall that passes slabs, in the building's heights; by building and id. */
  passing: Pass<InPlan>;
  /** All pieces of a building, wall by wall from the lowest up. */
  pieces: Pass<readonly WallPiece[]>;
  findings: Pass<Finding[]>;
}

/** A wall of one type between two heights, from the FFL of a storey. */
export type Band = Pick<WallRun, 'wall' | 'type' | 'bottomMm' | 'topMm'>;

/** Walls of a storey, with the openings there is no room for. */
export interface InPlan {
  pieces: readonly WallPiece[];
  misfits: readonly Misfit[];
}
