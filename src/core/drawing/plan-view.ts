import type { Id } from '../model/ids';

/** What is drawn in plan: a level of a building, cut at a height, for a scale of paper and a reader's units. */
export interface PlanView {
  building: Id;
  level: Id;
  /** Scale of the paper, 1 : scale: texts and bubbles keep their size on paper. */
  scale: number;
  /** The least height of what is written, mm on paper; what would be smaller is left out. */
  leastTextMm?: number;
  /** Height of the cut above FFL. */
  cutAboveMm: number;
  writeLength: (mm: number) => string;
  /** Heights of landings; not said without it. */
  writeElevation?: (mm: number) => string;
  /** Square metres where it is not said. */
  writeArea?: (mm2: number) => string;
}
