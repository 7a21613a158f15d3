import type { Primitive } from '../drawing/drawing';
import { box, stretchOf, nearestMm } from '../drawing/section-shapes';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { ColumnBlock, ColumnPiece, Solved } from '../solving/solved';
import { sectionRing } from './section-shape';

/** Columns that the plan cuts. */
export function columnsCutInPlan(solved: Solved, { building: of, cutMm }: PlanAt): Primitive[] {
  return solved.columns
    .filter(({ building, bottomMm, topMm }) => building === of && bottomMm <= cutMm && topMm >= cutMm)
    .map((piece): Primitive =>
      piece.section.shape === 'circle'
        ? { type: 'circle', style: 'columnCut', id: piece.stack, at: piece.at, radiusMm: piece.section.diameterMm / 2 }
        : {
            type: 'area',
            style: 'columnCut',
            id: piece.stack,
            rings: [sectionRing(piece.section, piece.at, piece.turnDeg)],
          },
    );
}

/** Heads and thickenings under the slab above, hidden from here: dashed. */
export function blocksInPlan(solved: Solved, { building: of, shown, cutMm }: PlanAt): Primitive[] {
  const ceiling = shown.fflMm + (shown.storeyHeightMm ?? 0);
  return solved.blocks
    .filter(({ building, bottomMm, topMm }) => building === of && bottomMm > cutMm && topMm <= ceiling)
    .map(({ stack, at, turnDeg, widthMm, depthMm }): Primitive => ({
      type: 'area',
      style: 'columnHead',
      id: stack,
      rings: [sectionRing({ shape: 'rectangle', widthMm, depthMm }, at, turnDeg)],
    }));
}

function drawColumn(piece: ColumnPiece, from: SectionAt, wantsCut: boolean): Primitive[] {
  const ring = sectionRing(piece.section, piece.at, piece.turnDeg);
  const stretch = stretchOf(ring, from, wantsCut);
  if (!stretch) return [];
  return [
    {
      type: 'area',
      style: wantsCut ? 'columnCut' : 'columnSeen',
      id: piece.stack,
      ...(wantsCut ? {} : { depthMm: nearestMm(from.frame, ring) }),
      rings: [box(stretch[0], piece.bottomMm + from.liftMm, stretch[1], piece.topMm + from.liftMm)],
    },
  ];
}

function drawBlock(block: ColumnBlock, from: SectionAt, wantsCut: boolean): Primitive[] {
  const { widthMm, depthMm, at, turnDeg } = block;
  const ring = sectionRing({ shape: 'rectangle', widthMm, depthMm }, at, turnDeg);
  const stretch = stretchOf(ring, from, wantsCut);
  if (!stretch) return [];
  return [
    {
      type: 'area',
      style: wantsCut ? 'slabCut' : 'columnSeen',
      id: block.stack,
      ...(wantsCut ? {} : { depthMm: nearestMm(from.frame, ring) }),
      rings: [box(stretch[0], block.bottomMm + from.liftMm, stretch[1], block.topMm + from.liftMm)],
    },
  ];
}

/** Columns with their heads cut by a plane or beyond it. */
export const columnsInSection: InSection = {
  seen: {
    at: 'columns',
    draw: ({ columns, blocks }, from) => [
      ...ofBuilding(columns, from).flatMap((column) => drawColumn(column, from, false)),
      ...ofBuilding(blocks, from).flatMap((block) => drawBlock(block, from, false)),
    ],
  },
  cut: {
    at: 'columns',
    draw: ({ columns, blocks }, from) => [
      ...ofBuilding(blocks, from).flatMap((block) => drawBlock(block, from, true)),
      ...ofBuilding(columns, from).flatMap((column) => drawColumn(column, from, true)),
    ],
  },
};
