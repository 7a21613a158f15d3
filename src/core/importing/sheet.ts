import type { Point } from '../geometry/point';
import type { LengthUnit } from '../units/length-units';

/** A drawing somebody else made, as far as we read it: plain shapes in the drawing's own unit, with their layers. */
export interface Sheet {
  /** Unit the file says it is in; null when it does not say. */
  unit: LengthUnit | null;
  lines: { a: Point; b: Point; layer: string }[];
  circles: { at: Point; radius: number; layer: string; block: string | null }[];
  texts: { at: Point; text: string; height: number; layer: string }[];
  /** Arcs, ellipses, splines and open runs with bulges as chords: to be seen and snapped to. */
  curves: { points: Point[]; layer: string }[];
  /** Closed outlines, first corner not repeated. */
  outlines: { corners: Point[]; layer: string; block: string | null }[];
}
