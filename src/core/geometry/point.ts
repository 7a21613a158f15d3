import { quantiseMm } from '../units/length-units';
import { cosDeg, sinDeg } from './trig';

/** A point or vector in plan, millimetres. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const times = (a: Point, k: number): Point => ({ x: a.x * k, y: a.y * k });
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
/** Square root is exact in every engine; `Math.hypot` is not. */
export const lengthOf = (a: Point): number => Math.sqrt(a.x * a.x + a.y * a.y);
export const distance = (a: Point, b: Point): number => lengthOf(minus(a, b));
export const quantised = (a: Point): Point => ({ x: quantiseMm(a.x), y: quantiseMm(a.y) });

/** Turns a vector counter-clockwise by an angle in degrees. */
export function turned(a: Point, degrees: number): Point {
  if (degrees === 0) return a;
  const [c, s] = [cosDeg(degrees), sinDeg(degrees)];
  return { x: a.x * c - a.y * s, y: a.x * s + a.y * c };
}

/** Where two infinite lines through `p` and `q` with directions `d` and `e` meet; null if (nearly) parallel. */
export function lineCrossing(p: Point, d: Point, q: Point, e: Point): Point | null {
  const area = cross(d, e);
  if (Math.abs(area) <= 1e-9 * lengthOf(d) * lengthOf(e)) return null;
  const t = cross(minus(q, p), e) / area;
  return plus(p, times(d, t));
}
