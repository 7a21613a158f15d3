import { minus, plus, quantised, times, dot, lengthOf, type Point } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';

/** A well with its own axes: x inwards from the side one comes from, y to the left as one comes in. */
export interface Well {
  origin: Point;
  inwards: Point;
  left: Point;
  lengthMm: number;
  widthMm: number;
}

/** A ring as a well entered over one of its edges; null where it is no rectangle. */
export function wellOf(ring: Ring, entry: number): Well | null {
  if (ring.length !== 4) return null;
  const corner = (i: number) => ring[(i + entry) % 4]!;
  const [a, b, c, d] = [corner(0), corner(1), corner(2), corner(3)];
  const [side, inwards] = [minus(a, b), minus(c, b)];
  const [widthMm, lengthMm] = [lengthOf(side), lengthOf(inwards)];
  const isSquare = Math.abs(dot(side, inwards)) <= 1e-6 * widthMm * lengthMm;
  const isClosed = lengthOf(minus(plus(c, side), d)) <= 1e-3;
  if (!isSquare || !isClosed) return null;
  return {
    origin: b,
    inwards: times(inwards, 1 / lengthMm),
    left: times(side, 1 / widthMm),
    lengthMm,
    widthMm,
  };
}

export const inWell = (well: Well, x: number, y: number): Point =>
  quantised(plus(well.origin, plus(times(well.inwards, x), times(well.left, y))));

/** A rectangle of the well as a ring in plan. */
export const wellRing = (well: Well, x0: number, y0: number, x1: number, y1: number): Ring =>
  counterClockwise([inWell(well, x0, y0), inWell(well, x1, y0), inWell(well, x1, y1), inWell(well, x0, y1)]);

/** Places in a well in the axes of who turns left in it: mirrored for who turns right. */
export interface Placing {
  at: (x: number, y: number) => Point;
  /** A direction. */
  way: (x: number, y: number) => Point;
  ring: (corners: readonly (readonly [x: number, y: number])[]) => Ring;
}

export function placing(well: Well, turn: 'left' | 'right'): Placing {
  const isLeft = turn === 'left';
  const at = (x: number, y: number) => inWell(well, x, isLeft ? y : well.widthMm - y);
  return {
    at,
    way: (x, y) => plus(times(well.inwards, x), times(well.left, isLeft ? y : -y)),
    ring: (corners) => counterClockwise(corners.map(([x, y]) => at(x, y))),
  };
}
