import type { Primitive } from '../drawing/drawing';
import { leastText } from '../drawing/least-text';
import { box, cutStretches, ringsOf } from '../drawing/section-shapes';
import { bounds } from '../geometry/polygon';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import { LINE_STEP, ROOM_TEXT_MM, tagOf } from '../rooms/draw-rooms';
import type { Solved } from '../solving/solved';
import type { CeilingPiece } from './solved-ceiling';

/** What is clear under a ceiling, under the tag of its room; the outline of one that follows no room, dashed. */
function drawCeiling(
  piece: CeilingPiece,
  { rooms, profiles }: Pick<Solved, 'rooms' | 'profiles'>,
  view: PlanAt,
  nth: number,
): Primitive[] {
  const region = rooms.find(({ ring, room }) => room !== null && ring === piece.ring);
  const box = bounds(piece.ring);
  const words = `clear ${view.writeLength(piece.clearMm)}`;
  const fitting = Math.min((box.maxX - box.minX) / (words.length * 0.75), (box.maxY - box.minY) / 5);
  const tag = region ? tagOf(region, view) : null;
  const heightMm = Math.min(tag?.heightMm ?? ROOM_TEXT_MM * view.scale, fitting);
  // Under a tag with no place for its area nothing is written either.
  const isRead = (region ? tag?.lines.length === 2 : true) && heightMm >= leastText(view);
  const middle = profiles[piece.profile]!.centroid;
  const follows = rooms.some(({ ring }) => ring === piece.ring);
  return [
    ...(follows
      ? []
      : [{ type: 'area' as const, style: 'ceilingOver' as const, id: piece.ceiling, rings: [piece.ring] }]),
    ...(isRead
      ? [
          {
            type: 'text' as const,
            style: 'ceilingText' as const,
            id: piece.ceiling,
            at:
              region && tag
                ? { x: tag.x, y: region.at.y - tag.heightMm * LINE_STEP * (tag.lines.length + nth) }
                : { x: middle.x, y: middle.y - heightMm * 1.3 * nth },
            text: words,
            heightMm,
            turnDeg: 0,
          },
        ]
      : []),
  ];
}

/** Ceilings over a level. Two in one room are a finding: their tags stand one under the other. */
export function ceilingsInPlan({ ceilings, rooms, profiles }: Solved, view: PlanAt): Primitive[] {
  const here = { rooms: rooms.filter(({ level }) => level === view.level), profiles };
  return ceilings
    .filter(({ level }) => level === view.level)
    .flatMap((piece, i, all) =>
      drawCeiling(piece, here, view, all.slice(0, i).filter(({ ring }) => ring === piece.ring).length),
    );
}

/** A ceiling where the plane cuts it. */
function cutCeiling(solved: Solved, piece: CeilingPiece, { frame, isCut, liftMm }: SectionAt): Primitive[] {
  if (!isCut) return [];
  const rings = ringsOf(solved.profiles[piece.profile]!);
  return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
    type: 'area',
    style: 'ceilingCut',
    id: piece.ceiling,
    rings: [box(x0, piece.bottomMm + liftMm, x1, piece.topMm + liftMm)],
  }));
}

export const ceilingsInSection: InSection = {
  cut: {
    at: 'ceilings',
    draw: (solved, from) => ofBuilding(solved.ceilings, from).flatMap((piece) => cutCeiling(solved, piece, from)),
  },
};
