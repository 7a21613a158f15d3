import type { Primitive } from '../drawing/drawing';
import { box, cutStretches, stretchOf, nearestMm } from '../drawing/section-shapes';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { FoundationPiece, Solved } from '../solving/solved';

/** Foundations under the level their top is held to, hidden by the slab: dashed. */
export const foundationsInPlan = (solved: Solved, view: PlanAt): Primitive[] =>
  solved.foundations
    .filter(({ level }) => level === view.level)
    .flatMap(({ foundation, profile }) =>
      solved.profiles[profile]!.regions.map(({ outer, holes }): Primitive => ({
        type: 'area',
        style: 'columnHead',
        id: foundation,
        rings: [outer, ...holes],
      })),
    );

/** A raft, pad or strip where the plane cuts it, or beyond it. */
function drawFoundation(solved: Solved, piece: FoundationPiece, from: SectionAt, wantsCut: boolean): Primitive[] {
  const regions = solved.profiles[piece.profile]!.regions;
  const stretches = wantsCut
    ? from.isCut
      ? cutStretches(
          from.frame,
          regions.flatMap(({ outer, holes }) => [outer, ...holes]),
        )
      : []
    : regions.flatMap(({ outer }) => {
        const stretch = stretchOf(outer, from, false);
        return stretch ? [[...stretch, nearestMm(from.frame, outer)] as const] : [];
      });
  return stretches.map(([x0, x1, depthMm]): Primitive => ({
    type: 'area',
    style: wantsCut ? 'slabCut' : 'slabSeen',
    id: piece.foundation,
    ...(depthMm === undefined ? {} : { depthMm }),
    rings: [box(x0, piece.bottomMm + from.liftMm, x1, piece.topMm + from.liftMm)],
  }));
}

/** Foundations cut by a plane or beyond it. */
export const foundationsInSection: InSection = {
  seen: { at: 'ground', draw: (solved, from) => drawn(solved, from, false) },
  cut: { at: 'ground', draw: (solved, from) => drawn(solved, from, true) },
};

const drawn = (solved: Solved, from: SectionAt, wantsCut: boolean): Primitive[] =>
  ofBuilding(solved.foundations, from).flatMap((piece) => drawFoundation(solved, piece, from, wantsCut));
