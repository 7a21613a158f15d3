import type { Primitive } from '../drawing/drawing';
import { box, cutStretches, nearestMm, ringsOf, stretchOf } from '../drawing/section-shapes';
import { dot } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { drawWall } from './draw-walls';
import { standingBetween } from './members';
import type { WallPiece } from './solved-wall';

/** Walls a plan cuts: those of the level, and those that run past it. */
export const wallsInPlan = (
  { walls, sharedWalls, profiles }: Solved,
  { building: of, level, cutMm }: PlanAt,
): Primitive[] =>
  [...walls, ...sharedWalls]
    .filter(
      (piece) => piece.building === of && (piece.level === level || (piece.bottomMm < cutMm && piece.topMm > cutMm)),
    )
    .flatMap((piece) => drawWall(piece, profiles, cutMm));

/** A wall where the plane cuts it, its openings left out. */
function cutWall(solved: Solved, piece: WallPiece, { frame, isCut, liftMm }: SectionAt): Primitive[] {
  if (!isCut) return [];
  return piece.slices.flatMap(({ profile, bottomMm, topMm }) => {
    const rings = ringsOf(solved.profiles[profile]!);
    return cutStretches(frame, rings).map(([x0, x1]): Primitive => ({
      type: 'area',
      style: 'wallCut',
      id: piece.wall,
      rings: [box(x0, bottomMm + liftMm, x1, topMm + liftMm)],
    }));
  });
}

/** The straight parts of a wall beyond the plane, with its openings. */
function seenWall(piece: WallPiece, from: SectionAt): Primitive[] {
  const seen = (
    ring: Ring,
    bottomMm: number,
    topMm: number,
    style: 'wallSeen' | 'opening' | 'glassSeen',
  ): Primitive[] => {
    const stretch = stretchOf(ring, from, false);
    if (!stretch) return [];
    const rings = [box(stretch[0], bottomMm + from.liftMm, stretch[1], topMm + from.liftMm)];
    return [
      {
        type: 'area',
        style,
        id: piece.wall,
        rings,
        depthMm: nearestMm(from.frame, ring),
        ...(style === 'glassSeen' ? { glass: true as const } : {}),
      },
    ];
  };
  return [
    ...piece.strips.flatMap((strip) =>
      seen(strip, piece.bottomMm, piece.topMm, piece.use === 'glazed' ? 'glassSeen' : 'wallSeen'),
    ),
    ...piece.slices.flatMap(({ bottomMm, topMm }) =>
      standingBetween(piece.members, piece.openings, bottomMm, topMm).flatMap((ring) =>
        seen(ring, bottomMm, topMm, 'wallSeen'),
      ),
    ),
    ...piece.openings
      .filter(({ inwards }) => Math.abs(dot(inwards, from.frame.into)) > 0.1)
      .flatMap(({ ring, bottomMm, topMm }) => seen(ring, bottomMm, topMm, 'opening')),
  ];
}

/** Walls cut by a plane, and those beyond it with their openings. */
export const wallsInSection: InSection = {
  seen: { at: 'walls', draw: ({ walls }, from) => ofBuilding(walls, from).flatMap((wall) => seenWall(wall, from)) },
  cut: {
    at: 'walls',
    draw: (solved, from) => ofBuilding(solved.walls, from).flatMap((wall) => cutWall(solved, wall, from)),
  },
};
