import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Kind } from '../model/kinds';

/**
 * A piece of a thing that is one plan shape between two heights: what any kind that has no pieces of its own making is worked out to.
 * Drawing, sections, 3D, files and the board take bodies as they come.
 */
export interface Body {
  /** The record it is of, and its kind. */
  thing: Id;
  kind: Kind;
  building: Id;
  name: string;
  /** The level it belongs to. */
  level: Id;
  /** The level in whose plan it is seen overhead, dashed; null: in none. */
  seenAt: Id | null;
  /** Its outline in plan before others take their space from it. */
  ring: Ring;
  profile: string;
  bottomMm: number;
  topMm: number;
  grossMm3: number;
  volumeMm3: number;
  material: string;
}
