import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import { lengthOf, minus, plus, quantised, times, turned, type Point } from '../geometry/point';
import { isSimple, ringArea, type Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { Outline } from './outline';
import { ringOnLines } from './outline-from-lines';
import { resolvePlace } from './resolve-place';
import { shifted } from './shifted';

/**
 * An outline with one edge of its ring moved outwards, mm; its neighbours grow or shrink with it. Edges count counter-clockwise
 * from 0. A circle grows all round. Lengths that stay keep the expressions they were typed as. Null where the outline follows a
 * grid or walls, or nothing sound would be left.
 */
export function edgeMoved(framework: Framework, outline: Outline, edge: number, byMm: number): Outline | null {
  const moved = changed(framework, outline, edge, byMm);
  return moved && resolveOutline(framework, moved) ? moved : null;
}

function changed(framework: Framework, outline: Outline, edge: number, byMm: number): Outline | null {
  switch (outline.type) {
    case 'circle':
      return { ...outline, diameterMm: lengthPlus(outline.diameterMm, 2 * byMm) };
    case 'rectangle': {
      // Right and top grow by themselves; left and bottom take the place along.
      const isAcross = edge % 2 === 1;
      const shift: Point = edge === 3 ? { x: -byMm, y: 0 } : edge === 0 ? { x: 0, y: -byMm } : { x: 0, y: 0 };
      const { turnDeg } = resolvePlace(framework, outline.place);
      return {
        ...outline,
        place: shifted(framework, outline.place, turned(shift, turnDeg + outline.turnDeg)),
        ...(isAcross ? { widthMm: lengthPlus(outline.widthMm, byMm) } : { depthMm: lengthPlus(outline.depthMm, byMm) }),
      };
    }
    case 'polygon':
      return polygonMoved(framework, outline, edge, byMm);
    case 'lines': {
      const ring = resolveOutline(framework, outline);
      // Along arcs there are more corners than lines.
      if (ring?.length !== outline.edges.length) return null;
      const [first] = [...outline.edges.keys()].filter((i) => liesOn(framework, outline, i, ring, edge));
      if (first === undefined) return null;
      return {
        ...outline,
        edges: outline.edges.map((each, i) =>
          i === first ? { ...each, offsetMm: lengthPlus(each.offsetMm, byMm) } : each,
        ),
      };
    }
    default:
      return null;
  }
}

/** True if moving the line of an outline moves this edge of its ring: lines may be named in either order round. */
function liesOn(
  framework: Framework,
  outline: Extract<Outline, { type: 'lines' }>,
  i: number,
  ring: Ring,
  edge: number,
): boolean {
  const edges = outline.edges.map((each, k) => (k === i ? { ...each, offsetMm: lengthPlus(each.offsetMm, 1) } : each));
  const nudged = resolveOutline(framework, { ...outline, edges });
  if (nudged?.length !== ring.length) return false;
  const stays = (k: number) => lengthOf(minus(nudged[k]!, ring[k]!)) < 0.5;
  return !stays(edge) && !stays((edge + 1) % ring.length);
}

function polygonMoved(
  framework: Framework,
  outline: Extract<Outline, { type: 'polygon' }>,
  edge: number,
  byMm: number,
): Outline | null {
  const ring = resolveOutline(framework, outline);
  if (!ring) return null;
  const moved = ringOnLines(
    ring.map((from, i) => ({
      curve: { kind: 'segment' as const, from, to: ring[(i + 1) % ring.length]! },
      offsetMm: i === edge ? byMm : 0,
    })),
  )?.map(quantised);
  if (moved?.length !== ring.length || !isSimple(moved) || ringArea(moved) <= 0) return null;
  const { at, turnDeg } = resolvePlace(framework, outline.place);
  const ends = new Set([edge, (edge + 1) % ring.length]);
  // The ring may go the other way round than the corners were typed.
  const isSame = !isReversed(framework, outline, ring);
  const points = outline.points.map((typed, i) => {
    const corner = isSame ? i : ring.length - 1 - i;
    if (!ends.has(corner)) return typed;
    const { x, y } = quantised(turned(minus(moved[corner]!, at), -turnDeg));
    return { xMm: x, yMm: y };
  });
  return { ...outline, points };
}

/** True if the ring does not begin with the first corner that was typed. */
export function isReversed(framework: Framework, outline: Extract<Outline, { type: 'polygon' }>, ring: Ring): boolean {
  const { at, turnDeg } = resolvePlace(framework, outline.place);
  const { xMm, yMm } = outline.points[0]!;
  const first = plus(at, turned({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) }, turnDeg));
  return lengthOf(minus(ring[0]!, first)) > 0.01;
}

/** Along the outward normal of an edge of a counter-clockwise ring, one long. */
export function outwards(ring: Ring, edge: number): Point {
  const way = minus(ring[(edge + 1) % ring.length]!, ring[edge]!);
  const along = times(way, 1 / (lengthOf(way) || 1));
  return { x: along.y, y: -along.x };
}
