import { minus, quantised, turned, type Point } from '../geometry/point';

/**
 * A step of a typed path from a corner to the next, as one would say it: `4500 e` along an axis, else a shift. Steps go along the
 * axes of the path's first place, which are turned so far.
 */
export function pathStep(from: Point, to: Point, turnDeg: number, write: (mm: number) => string): string {
  const { x, y } = quantised(turned(minus(to, from), -turnDeg));
  if (y === 0) return `${write(Math.abs(x))} ${x > 0 ? 'e' : 'w'}`;
  if (x === 0) return `${write(Math.abs(y))} ${y > 0 ? 'n' : 's'}`;
  return `${write(x)},${write(y)}`;
}
