import type { Primitive } from '../drawing/drawing';
import { box, cutStretches, nearestMm, ringsOf, stretchOf } from '../drawing/section-shapes';
import { alongOf } from '../drawing/section-plane';
import { dot, plus, times } from '../geometry/point';
import { contains, type Ring } from '../geometry/polygon';
import { ofBuilding, type InSection, type PlanAt, type SectionAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { drawWall } from './draw-walls';
import { standingBetween } from './members';
import type { SolvedOpening, WallPiece } from './solved-wall';

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

/** What of a wall is seen: from where to where along the section, between two heights. */
interface Stretch {
  along: readonly [number, number];
  bottomMm: number;
  topMm: number;
}

/** Openings one sees through: windows through their glass, holes as they are. Doors are shut. */
const isOpen = ({ opening }: SolvedOpening): boolean => opening !== 'door';

/** From where to where one sees right through an opening; null: its reveals hide what is behind. */
function throughOf({ ring, bottomMm, topMm }: SolvedOpening, { frame }: SectionAt): Stretch | null {
  const along = ring.map((point) => alongOf(frame, point)).sort((p, q) => p - q);
  const [from, to] = [along[1]!, along.at(-2)!];
  return to - from > 1 ? { along: [from, to], bottomMm, topMm } : null;
}

/** What of one lies in another; null where nothing does. */
function within(hole: Stretch, whole: Stretch): Stretch | null {
  const [from, to] = [Math.max(hole.along[0], whole.along[0]), Math.min(hole.along[1], whole.along[1])];
  const [bottomMm, topMm] = [Math.max(hole.bottomMm, whole.bottomMm), Math.min(hole.topMm, whole.topMm)];
  return to - from > 1 && topMm - bottomMm > 1 ? { along: [from, to], bottomMm, topMm } : null;
}

/** The straight parts of a wall beyond the plane, with its openings. */
function seenWall(piece: WallPiece, from: SectionAt): Primitive[] {
  const boxOf = ({ along: [x0, x1], bottomMm, topMm }: Stretch) =>
    box(x0, bottomMm + from.liftMm, x1, topMm + from.liftMm);
  const area = (
    ring: Ring,
    rings: Ring[],
    style: 'wallSeen' | 'opening' | 'glassSeen',
    isGlass = style === 'glassSeen',
  ): Primitive => ({
    type: 'area',
    style,
    id: piece.wall,
    rings,
    depthMm: nearestMm(from.frame, ring),
    ...(isGlass ? { glass: true as const } : {}),
  });
  const facing = piece.openings.filter(({ inwards }) => Math.abs(dot(inwards, from.frame.into)) > 0.1);
  const isGlazed = piece.use === 'glazed';
  const seen = (ring: Ring, bottomMm: number, topMm: number, holes: readonly Stretch[] = []) => {
    const along = stretchOf(ring, from, false);
    if (!along) return [];
    const whole = { along, bottomMm, topMm };
    return [[whole, ...holes.flatMap((hole) => within(hole, whole) ?? [])].map(boxOf)];
  };
  return [
    ...piece.strips.flatMap((strip) => {
      const own = isGlazed ? [] : facing.filter((each) => isOpen(each) && contains(strip, middleOf(each)));
      const holes = own.flatMap((each) => throughOf(each, from) ?? []);
      return seen(strip, piece.bottomMm, piece.topMm, holes).map((rings) =>
        area(strip, rings, isGlazed ? 'glassSeen' : 'wallSeen'),
      );
    }),
    ...piece.slices.flatMap(({ bottomMm, topMm }) =>
      standingBetween(piece.members, piece.openings, bottomMm, topMm).flatMap((ring) =>
        seen(ring, bottomMm, topMm).map((rings) => area(ring, rings, 'wallSeen')),
      ),
    ),
    ...facing.flatMap((each) => {
      const { ring, bottomMm, topMm, opening } = each;
      const through = !isGlazed && isOpen(each) ? throughOf(each, from) : null;
      return seen(ring, bottomMm, topMm).map((rings) =>
        area(ring, through ? [boxOf(through)] : rings, 'opening', through !== null && opening === 'window'),
      );
    }),
  ];
}
const middleOf = ({ ends: [a, b] }: SolvedOpening) => times(plus(a, b), 0.5);

/** Walls cut by a plane, and those beyond it with their openings. */
export const wallsInSection: InSection = {
  seen: { at: 'walls', draw: ({ walls }, from) => ofBuilding(walls, from).flatMap((wall) => seenWall(wall, from)) },
  cut: {
    at: 'walls',
    draw: (solved, from) => ofBuilding(solved.walls, from).flatMap((wall) => cutWall(solved, wall, from)),
  },
};
