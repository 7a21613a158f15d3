import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Wall, WallOpening } from './wall';

/** A door, window or plain opening of a wall in one storey. */
export interface SolvedOpening {
  id: Id;
  opening: WallOpening['opening'];
  name: string;
  /** The level it is at. */
  level: Id;
  /** Right through the wall. */
  ring: Ring;
  /** Middle of its nearer and of its farther side, on the middle of the wall. */
  ends: [Point, Point];
  /** From the outside inwards; unit length. */
  inwards: Point;
  widthMm: number;
  thicknessMm: number;
  bottomMm: number;
  topMm: number;
  leaves: 1 | 2;
  hand: WallOpening['hand'];
  opens: WallOpening['opens'];
}

/** A wall in one storey, or right through where it passes the slabs. */
export interface WallPiece {
  wall: Id;
  building: Id;
  name: string;
  use: Wall['use'];
  type: Id;
  level: Id;
  thicknessMm: number;
  /** A ring for each straight part, before other walls run through it. */
  strips: Ring[];
  bottomMm: number;
  topMm: number;
  /** What of it there is in plan between two heights: whole stretches, and those with openings left out. */
  slices: { profile: string; bottomMm: number; topMm: number }[];
  /** Its profile without openings; null where none is open. */
  whole: string | null;
  /** Its core where the plan cuts it. */
  core: string | null;
  openings: SolvedOpening[];
  /** In plan, the members between the panels of a glazed wall; none of others. */
  members: Ring[];
  grossMm3: number;
  volumeMm3: number;
  /** All of it lies within other walls: nothing of it stands. */
  isWithin: boolean;
}
