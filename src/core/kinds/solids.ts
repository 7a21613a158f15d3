import type { SectionMm } from '../columns/section-shape';
import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Slant } from '../slants/slant';
import type { Solved } from '../solving/solved';

/** How solids look in 3D: a colour of the theme, the colour of their edges, and how much is seen through them. */
export interface SolidLook {
  colour: 'columns' | 'slabs' | 'shafts' | 'stairs' | 'walls' | 'roofs' | 'sheet';
  edges?: 'walls' | 'ink2';
  opacity?: number;
  /** Those of the current level stand out. */
  marksLevel?: true;
}

/**
 * What a solid is made of: a section at a point, an outline drawn out, or pieces of one plane with heights of their own at each corner. An outline is drawn out upwards from its foot, or along
 * an axis from where it begins, x and y of the outline along the two others.
 */
export type SolidForm =
  | { section: SectionMm; at: Point; turnDeg: number; bottomMm: number; heightMm: number }
  | { profile: string; bottomMm: number; heightMm: number }
  | { ring: Ring; bottomMm: number; heightMm: number }
  | { ring: Ring; heightMm: number; from: Vector; x: Vector; y: Vector }
  | { slants: readonly Slant[] };
type Vector = readonly [number, number, number];

/** One solid of a building. */
export interface Solid {
  /** Tells it from all others of its kind. */
  key: string;
  /** The record that a press chooses. */
  id: Id;
  level: Id | null;
  look: SolidLook;
  form: SolidForm;
}

/** What things of a kind are in 3D. */
export interface Solids {
  of: (solved: Solved, building: Id) => Solid[];
}
