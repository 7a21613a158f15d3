import { turned, type Point } from './point';
import { cosDeg, sinDeg } from './trig';

/** Where points of a plan go: x′ = a·x + c·y + x0, y′ = b·x + d·y + y0. */
export interface Affine {
  a: number;
  b: number;
  c: number;
  d: number;
  x0: number;
  y0: number;
}

export const affineOf = {
  shift: ({ x, y }: Point): Affine => ({ a: 1, b: 0, c: 0, d: 1, x0: x, y0: y }),
  turn: ({ about, deg }: { about: Point; deg: number }): Affine => {
    const [c, s] = [cosDeg(deg), sinDeg(deg)];
    const { x, y } = turned(about, deg);
    return { a: c, b: s, c: -s, d: c, x0: about.x - x, y0: about.y - y };
  },
  mirror: ({ on, along: { x, y } }: { on: Point; along: Point }): Affine => {
    const [a, b] = [x * x - y * y, 2 * x * y];
    return { a, b, c: b, d: -a, x0: on.x - a * on.x - b * on.y, y0: on.y - b * on.x + a * on.y };
  },
};

export const through = ({ a, b, c, d, x0, y0 }: Affine, { x, y }: Point): Point => ({
  x: a * x + c * y + x0,
  y: b * x + d * y + y0,
});
