import { dot, minus, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import type { Profile } from '../geometry/boolean';
import { standingBetween } from './members';
import type { SolvedOpening, WallPiece } from './solved-wall';
import type { Primitive } from '../drawing/drawing';

/** A wall in the plan: cut, with its core and openings; or seen from above where the cut passes over it. */
export function drawWall(piece: WallPiece, profiles: Readonly<Record<string, Profile>>, cutMm: number): Primitive[] {
  const slice = piece.slices.find(({ bottomMm, topMm }) => bottomMm < cutMm && topMm >= cutMm);
  const shown = slice ?? piece.slices.at(-1);
  if (!shown || shown.bottomMm >= cutMm) return [];
  const area = (key: string, style: 'wallCut' | 'wallCore' | 'wallSeen' | 'glassCut'): Primitive[] =>
    profiles[key]!.regions.map(({ outer, holes }) => ({
      type: 'area',
      style,
      id: piece.wall,
      rings: [outer, ...holes],
    }));
  if (!slice) return area(shown.profile, 'wallSeen');
  const opened = piece.openings
    .filter(({ bottomMm, topMm }) => bottomMm < cutMm && topMm > cutMm)
    .flatMap((opening) => drawOpening(opening, piece.wall));
  // Glass is thin lines, with the members between its panels.
  if (piece.use === 'glazed')
    return [
      ...area(slice.profile, 'glassCut'),
      ...standingBetween(piece.members, piece.openings, cutMm - 1, cutMm + 1).map((ring): Primitive => ({
        type: 'area',
        style: 'memberCut',
        id: piece.wall,
        rings: [ring],
      })),
      ...opened,
    ];
  return [...area(slice.profile, 'wallCut'), ...(piece.core ? area(piece.core, 'wallCore') : []), ...opened];
}

/** A door with its swing, a window with its panes, a plain opening with the edges of what is above it. */
export function drawOpening(opening: SolvedOpening, id: string | null): Primitive[] {
  const { ends, inwards, thicknessMm } = opening;
  const line = (points: readonly Point[], style: 'opening' | 'openingAbove' = 'opening'): Primitive => ({
    type: 'path',
    style,
    id,
    points,
    closed: false,
  });
  const beside = (at: Point, depthMm: number) => plus(at, times(inwards, depthMm));
  const along = (depthMm: number) => [beside(ends[0], depthMm), beside(ends[1], depthMm)];
  const half = thicknessMm / 2;
  if (opening.opening === 'window')
    return [line(along(-half)), line(along(-half / 4)), line(along(half / 4)), line(along(half))];
  if (opening.opening === 'plain') return [line(along(-half), 'openingAbove'), line(along(half), 'openingAbove')];
  return doorLeaves(opening).flatMap(({ hinge, tip, jamb, widthMm }): Primitive[] => {
    const [from, to] = [minus(tip, hinge), minus(jamb, hinge)].map(({ x, y }) => directionDeg(y, x)) as [
      number,
      number,
    ];
    const sweep = (((to - from) % 360) + 360) % 360;
    const arc = sweep <= 180 ? { fromDeg: from, sweepDeg: sweep } : { fromDeg: to, sweepDeg: 360 - sweep };
    return [
      line([hinge, tip]),
      { type: 'arc', style: 'openingSwing', id, arc: { kind: 'arc', centre: hinge, radiusMm: widthMm, ...arc } },
    ];
  });
}

/** Each leaf of a door opened square: its hinge, its free edge, and where that closes. */
function doorLeaves({ ends, inwards, thicknessMm, widthMm, leaves, hand, opens }: SolvedOpening) {
  const way = times(inwards, opens === 'inwards' ? 1 : -1);
  const face = ends.map((end) => plus(end, times(way, thicknessMm / 2))) as [Point, Point];
  // Left as one comes from outside.
  const left = { x: -inwards.y, y: inwards.x };
  const isFirstLeft = dot(minus(ends[0], ends[1]), left) > 0;
  const [atLeft, atRight] = isFirstLeft ? face : [face[1], face[0]];
  const leaf = (hinge: Point, other: Point, width: number) => ({
    hinge,
    widthMm: width,
    tip: plus(hinge, times(way, width)),
    jamb: plus(hinge, times(minus(other, hinge), width / widthMm)),
  });
  if (leaves === 2) return [leaf(atLeft, atRight, widthMm / 2), leaf(atRight, atLeft, widthMm / 2)];
  return [hand === 'left' ? leaf(atLeft, atRight, widthMm) : leaf(atRight, atLeft, widthMm)];
}
