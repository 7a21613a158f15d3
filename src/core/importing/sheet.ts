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
  /** Where a file tells several buildings apart: what is of each, in its axes. */
  parts?: { building: string; sheet: Sheet }[];
}

/** What a drawing shows of a building, where it tells buildings apart and holds that one; else all of it. */
export const sheetOfBuilding = (sheet: Sheet, building: string): Sheet =>
  sheet.parts?.find((part) => part.building === building)?.sheet ?? sheet;
