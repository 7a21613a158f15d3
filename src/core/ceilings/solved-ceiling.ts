import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';

/** A ceiling in one room, or within its own outline, at one level. */
export interface CeilingPiece {
  ceiling: Id;
  building: Id;
  name: string;
  level: Id;
  /** The room it hangs in; null where the region has no name or the ceiling an outline of its own. */
  room: Id | null;
  /** The region or outline before shafts, stairs and columns are taken out. */
  ring: Ring;
  profile: string;
  bottomMm: number;
  topMm: number;
  /** From FFL to its underside. */
  clearMm: number;
  /** From its top to the lowest soffit over it; null where no slab is over it. Below zero it is in the slab. */
  overMm: number | null;
  grossMm3: number;
  volumeMm3: number;
}
