import type { Primitive } from '../drawing/drawing';
import { ofBuilding, type InSection, type PlanAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { drawStairSection } from './draw-stair-section';
import { drawStair } from './draw-stairs';

/** Stairs in the plan of a level. */
export const stairsInPlan = ({ stairs }: Solved, view: PlanAt): Primitive[] =>
  stairs.filter(({ building }) => building === view.building).flatMap((stair) => drawStair(stair, view));

export const stairsInSection: InSection = {
  seen: {
    at: 'stairs',
    draw: ({ stairs }, from) => ofBuilding(stairs, from).flatMap((stair) => drawStairSection(stair, from, false)),
  },
  cut: {
    at: 'stairs',
    draw: ({ stairs }, from) => ofBuilding(stairs, from).flatMap((stair) => drawStairSection(stair, from, true)),
  },
};
