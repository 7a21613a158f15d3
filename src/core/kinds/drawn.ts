import type { Primitive } from '../drawing/drawing';
import type { PlanView } from '../drawing/plan-view';
import type { Frame } from '../drawing/section-plane';
import type { Id } from '../model/ids';
import type { Solved, SolvedLevel } from '../solving/solved';

/** What a plan is made of, from under to over. `grids` and `bodies` are drawn for all kinds at once. */
export const PLAN_COATS = [
  'slabs',
  'ground',
  'wordsOfSlabs',
  'shafts',
  'walls',
  'boundaries',
  'wordsOfRooms',
  'ceilings',
  'stairs',
  'grids',
  'extents',
  'over',
  'bodies',
  'columns',
] as const;
export type PlanCoat = Exclude<(typeof PLAN_COATS)[number], 'grids' | 'bodies'>;

/** What stands beyond the plane of a section, and what it cuts, each from under to over. */
export const SEEN_COATS = ['ground', 'slabs', 'columns', 'walls', 'bodies', 'stairs', 'shafts'] as const;
export const CUT_COATS = ['ground', 'slabs', 'ceilings', 'bodies', 'walls', 'stairs', 'columns'] as const;

/** The plan that is drawn, with its level and the height it is cut at. */
export interface PlanAt extends PlanView {
  shown: SolvedLevel;
  cutMm: number;
}

/** A plane seen from the own axes of a building, and how much higher its heights are drawn. */
export interface SectionAt {
  building: Id;
  frame: Frame;
  isCut: boolean;
  liftMm: number;
  scale: number;
}

export type DrawPlan = (solved: Solved, at: PlanAt) => readonly Primitive[];
export type DrawSection = (solved: Solved, at: SectionAt) => readonly Primitive[];

/** What things of a kind draw in plan, by coat. */
export type InPlanView = { [coat in PlanCoat]?: DrawPlan };

/** What things of a kind draw in sections and elevations. */
export interface InSection {
  seen?: { at: Exclude<(typeof SEEN_COATS)[number], 'bodies'>; draw: DrawSection };
  cut?: { at: Exclude<(typeof CUT_COATS)[number], 'bodies'>; draw: DrawSection };
}

/** Pieces of the building that is drawn. */
export const ofBuilding = <T extends { building: Id }>(pieces: readonly T[], { building }: SectionAt): readonly T[] =>
  pieces.filter((piece) => piece.building === building);
