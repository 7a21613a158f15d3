import { lengthOf, minus, times, type Point } from '../geometry/point';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Rec } from '../model/kinds';
import { outwards } from '../outlines/edge-moved';
import { resolveOutline } from '../setting-out/resolve-outline';
import { outlineAt, outOfPath } from './edge-command';
import { ownPath } from './path-corners';

/** What of a thing can be taken hold of in plan: its corners and its sides, in building axes, in the order commands count them. */
export interface OwnShape {
  points: readonly Point[];
  closed: boolean;
  /** Sides that can be moved: one of a circle, for it grows all round. */
  sides: readonly number[];
  /** Corners that can be moved and taken out, and sides that can have one more; a circle has none. */
  hasCorners: boolean;
  /** Along which a side is moved outwards, of length 1. */
  outwards: (side: number) => Point;
}

/** The shape of something drawn along a path or by an outline of its own at a level; null where it follows other things. */
export function ownShape(framework: Framework, record: Rec, level: Id | null): OwnShape | null {
  const path = ownPath(framework, record);
  if (path) {
    const { corners, closed } = path;
    const count = closed ? corners.length : corners.length - 1;
    return {
      points: corners,
      closed,
      sides: [...Array(count).keys()],
      hasCorners: true,
      outwards: (side) => {
        const way = minus(corners[(side + 1) % corners.length]!, corners[side]!);
        return times({ x: -way.y, y: way.x }, outOfPath(path) / (lengthOf(way) || 1));
      },
    };
  }
  const outline = outlineAt(framework, record, level)?.outline;
  const ring = outline ? resolveOutline(framework, outline) : null;
  if (!outline || !ring || outline.type === 'gridOffset' || outline.type === 'walls') return null;
  return {
    points: ring,
    closed: true,
    sides: outline.type === 'circle' ? [0] : [...ring.keys()],
    hasCorners: outline.type === 'rectangle' || outline.type === 'polygon',
    outwards: (side) => outwards(ring, side),
  };
}
