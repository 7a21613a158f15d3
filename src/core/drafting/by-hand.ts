import type { Sent } from '../commands/command-inputs';
import { curveLength, nearestOn } from '../geometry/curve';
import { cross, distance, dot, lengthOf, minus, quantised, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { inOneTurn } from '../geometry/turn';
import type { Mirror } from '../kinds/kind';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import type { MarkEdge } from './plan-marks';

const input = ({ x, y }: Point) => ({ xMm: quantiseMm(x), yMm: quantiseMm(y) });

/** Copies in a row: so many, each as far from the last as pressed, or the last of them where pressed. */
export interface Row {
  count: number;
  reach: 'each' | 'last';
}

/** How far each copy of a row is from what is copied. */
export function rowShifts(from: Point, to: Point, { count, reach }: Row): Point[] {
  const step = quantised(times(minus(to, from), reach === 'each' ? 1 : 1 / count));
  return Array.from({ length: count }, (_, i) => times(step, i + 1));
}

/** Moves things by the way from one point to another. */
export const movedByHand = (ids: Id[], from: Point, to: Point): Sent => ({
  command: 'elements.move',
  input: { ids, ...input(minus(to, from)) },
});

export const copiedByHand = (ids: Id[], from: Point, to: Point, row: Row): Sent => ({
  command: 'elements.copy',
  input: { ids, by: [input(rowShifts(from, to, row)[0]!)], count: row.count },
});

/** How far one turns from one point to another about a third, degrees. */
export function turnBetween(about: Point, from: Point, to: Point): number {
  const [a, b] = [minus(from, about), minus(to, about)];
  return inOneTurn(directionDeg(b.y, b.x) - directionDeg(a.y, a.x));
}

export const turnedByHand = (ids: Id[], about: Point, turnDeg: number, copies: boolean): Sent => ({
  command: 'elements.turn',
  input: { ids, about: input(about), turnDeg, copies },
});

/** The line through two points; null where they are one. */
export function mirrorThrough(on: Point, to: Point): Mirror | null {
  const way = minus(to, on);
  return lengthOf(way) < 1 ? null : { on, along: times(way, 1 / lengthOf(way)) };
}

export const mirroredByHand = (ids: Id[], on: Point, to: Point, copies: boolean): Sent => ({
  command: 'elements.mirror',
  input: { ids, through: [input(on), input(to)], copies },
});

/** The sides of things that can be brought flush, or with which: the nearest within reach of a point. */
export function sideNear(
  edges: readonly MarkEdge[],
  at: Point,
  reachMm: number,
  fits: (edge: MarkEdge) => boolean,
): MarkEdge | null {
  let best: { edge: MarkEdge; gap: number } | null = null;
  for (const edge of edges) {
    if (edge.curve.kind !== 'segment' || curveLength(edge.curve) === 0 || !fits(edge)) continue;
    const gap = distance(nearestOn(edge.curve, at), at);
    if (gap <= reachMm && (!best || gap < best.gap)) best = { edge, gap };
  }
  return best?.edge ?? null;
}

/** Sides that differ by less run the same way: sine of the angle. */
const SAME_WAY = 1e-4;

/** How far a thing moves, square to its side, to be flush with another one; null where they do not run the same way. */
export function flushBy(side: MarkEdge, other: MarkEdge): Point | null {
  if (side.curve.kind !== 'segment' || other.curve.kind !== 'segment') return null;
  const way = minus(side.curve.to, side.curve.from);
  const along = minus(other.curve.to, other.curve.from);
  if (Math.abs(cross(way, along)) > SAME_WAY * lengthOf(way) * lengthOf(along)) return null;
  const out = times({ x: -way.y, y: way.x }, 1 / lengthOf(way));
  return quantised(times(out, dot(minus(other.curve.from, side.curve.from), out)));
}
