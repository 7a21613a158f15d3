import { lengthOf, minus, plus, turned, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { quantiseMm } from '../units/length-units';
import type { Underlay } from './underlay';

/** How an underlay lies: what of it decides where its points are. */
export type Lying = Pick<Underlay, 'content' | 'mmPerUnit' | 'turnDeg' | 'u' | 'v' | 'xMm' | 'yMm'>;

/** A picture's own y axis points down. */
const upOf = ({ content }: Pick<Lying, 'content'>): 1 | -1 => (content === 'picture' ? -1 : 1);

/** Where a point of an underlay lies in the model. */
export function onModel(lying: Lying, { u, v }: { u: number; v: number }): Point {
  const own = { x: (u - lying.u) * lying.mmPerUnit, y: upOf(lying) * (v - lying.v) * lying.mmPerUnit };
  return plus({ x: lying.xMm, y: lying.yMm }, turned(own, lying.turnDeg));
}

/** The point of an underlay that lies at a place of the model. */
export function onUnderlay(lying: Lying, at: Point): { u: number; v: number } {
  const own = turned(minus(at, { x: lying.xMm, y: lying.yMm }), -lying.turnDeg);
  return { u: lying.u + own.x / lying.mmPerUnit, v: lying.v + (upOf(lying) * own.y) / lying.mmPerUnit };
}

/** Its four corners in the model, counter-clockwise from the one that is lower left when it is not turned. */
export function cornersOf(underlay: Lying & Pick<Underlay, 'u0' | 'v0' | 'width' | 'height'>): Point[] {
  const { u0, v0, width, height } = underlay;
  const [low, high] = upOf(underlay) === 1 ? [v0, v0 + height] : [v0 + height, v0];
  return [
    { u: u0, v: low },
    { u: u0 + width, v: low },
    { u: u0 + width, v: high },
    { u: u0, v: high },
  ].map((corner) => onModel(underlay, corner));
}

/** A point where it is shown now, and where it belongs. */
export interface Registered {
  from: Point;
  to: Point;
}

/**
 * How an underlay lies after registering: by one point it is shifted; by two it is shifted, turned and scaled so that
 * both lie where they belong. Null where the two points are one.
 */
export function registered(lying: Lying, [first, second]: readonly Registered[]): Lying | null {
  if (!first) return lying;
  const { u, v } = onUnderlay(lying, first.from);
  const there = { u, v, xMm: quantiseMm(first.to.x), yMm: quantiseMm(first.to.y) };
  if (!second) return { ...lying, ...there };
  const [was, is] = [minus(second.from, first.from), minus(second.to, first.to)];
  const [a, b] = [lengthOf(was), lengthOf(is)];
  if (a < 1e-6 || b < 1e-6) return null;
  const turn = directionDeg(is.y, is.x) - directionDeg(was.y, was.x);
  return {
    ...lying,
    ...there,
    mmPerUnit: (lying.mmPerUnit * b) / a,
    turnDeg: quantiseMm((((lying.turnDeg + turn) % 360) + 360) % 360),
  };
}
