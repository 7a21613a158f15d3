import { cross, dot, minus, times, type Point } from '../geometry/point';
import { bounds, ringArea, type Ring } from '../geometry/polygon';

/** A corner of a slant in plan, with the heights of its top and of its underside there. */
export interface SlantCorner extends Point {
  topMm: number;
  bottomMm: number;
}

/** An upright piece whose top and underside are even but need not be level. Convex in plan, counter-clockwise. */
export type Slant = readonly SlantCorner[];

/** Counter-clockwise, whichever way it was given. */
export const slantOf = (corners: readonly SlantCorner[]): Slant =>
  ringArea(corners) < 0 ? [...corners].reverse() : corners;

/** An even height: so much at a place, rising by `slope` per millimetre. */
export interface Plane {
  at: Point;
  mm: number;
  slope: Point;
}

/** The plane of a piece's top or of its underside; level where its corners lie in one line. */
export function planeOf(slant: Slant, side: 'topMm' | 'bottomMm'): Plane {
  const [a, ...rest] = slant;
  const at = { x: a!.x, y: a!.y };
  const mm = a![side];
  for (let i = 0; i + 1 < rest.length; i += 1) {
    const [u, v] = [minus(rest[i]!, at), minus(rest[i + 1]!, at)];
    const area = cross(u, v);
    if (Math.abs(area) < 1e-6) continue;
    const [p, q] = [rest[i]![side] - mm, rest[i + 1]![side] - mm];
    return { at, mm, slope: { x: (p * v.y - q * u.y) / area, y: (q * u.x - p * v.x) / area } };
  }
  return { at, mm, slope: { x: 0, y: 0 } };
}

/** A piece with a level top and underside. */
export const levelSlant = (ring: Ring, bottomMm: number, topMm: number): Slant =>
  slantOf(ring.map(({ x, y }) => ({ x, y, topMm, bottomMm })));

/** A straight bar between two places, upright sides: so wide and so high, under its top line. */
export function barSlant(
  from: Point & { mm: number },
  to: Point & { mm: number },
  widthMm: number,
  depthMm: number,
): Slant | null {
  const way = minus(to, from);
  const length = Math.sqrt(dot(way, way));
  if (length < 1) return null;
  const side = times({ x: -way.y, y: way.x }, widthMm / 2 / length);
  const at = (end: Point & { mm: number }, by: number): SlantCorner => ({
    x: end.x + side.x * by,
    y: end.y + side.y * by,
    topMm: end.mm,
    bottomMm: end.mm - depthMm,
  });
  return slantOf([at(from, -1), at(to, -1), at(to, 1), at(from, 1)]);
}

/** Cubic millimetres: the thickness is even too, so that of each triangle is that of its corners' mean. */
export function volumeOfSlant(slant: Slant): number {
  const [a] = slant;
  const thick = ({ topMm, bottomMm }: SlantCorner) => topMm - bottomMm;
  let sum = 0;
  for (let i = 1; i + 1 < slant.length; i += 1) {
    const [b, c] = [slant[i]!, slant[i + 1]!];
    sum += (Math.abs(ringArea([a!, b, c])) * (thick(a!) + thick(b) + thick(c))) / 3;
  }
  return sum;
}

/** Lowest underside and highest top. */
export const reachOfSlants = (slants: readonly Slant[]): { bottomMm: number; topMm: number } => ({
  bottomMm: Math.min(...slants.flatMap((slant) => slant.map(({ bottomMm }) => bottomMm))),
  topMm: Math.max(...slants.flatMap((slant) => slant.map(({ topMm }) => topMm))),
});

/** A rectangle about all of them in plan. */
export function ringAbout(slants: readonly Slant[]): Ring {
  const { minX, minY, maxX, maxY } = bounds(slants.flat());
  return [
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ];
}

/** A side seen square to a run, x along it and y up, drawn out across: as pieces between its corners. */
export function slantsOfSide(
  side: readonly Point[],
  at: (along: number, across: number) => Point,
  rightMm: number,
  leftMm: number,
): Slant[] {
  const xs = [...new Set(side.map(({ x }) => Math.round(x * 1e3) / 1e3))].sort((a, b) => a - b);
  return xs.flatMap((x, i): Slant[] => {
    const end = xs[i + 1];
    if (end === undefined || end - x < 1e-2) return [];
    // Just within the stretch, so that an upright edge at its end counts for its own side.
    const inset = Math.min(1e-3, (end - x) / 4);
    const [near, far] = [heightsAt(side, x + inset), heightsAt(side, end - inset)];
    if (!near || !far) return [];
    const corner = (along: number, across: number, [bottomMm, topMm]: readonly [number, number]) => ({
      ...at(along, across),
      bottomMm,
      topMm,
    });
    return [
      slantOf([corner(x, rightMm, near), corner(end, rightMm, far), corner(end, leftMm, far), corner(x, leftMm, near)]),
    ];
  });
}

/** The lowest and highest height of a side at a distance along it. */
function heightsAt(side: readonly Point[], x: number): [number, number] | null {
  const meets = side.flatMap((a, i) => {
    const b = side[(i + 1) % side.length]!;
    if (a.x > x === b.x > x) return [];
    return [a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)];
  });
  return meets.length < 2 ? null : [Math.min(...meets), Math.max(...meets)];
}

/** Heights from a foot. */
export const loweredSlants = (slants: readonly Slant[], footMm: number): Slant[] =>
  slants.map((slant) =>
    slant.map((corner) => ({ ...corner, topMm: corner.topMm - footMm, bottomMm: corner.bottomMm - footMm })),
  );

/** The height of a piece's top over a place in plan; null where it is not over it. */
export function heightOnSlant(slant: Slant, point: Point): number | null {
  const [a] = slant;
  for (let i = 1; i + 1 < slant.length; i += 1) {
    const [b, c] = [slant[i]!, slant[i + 1]!];
    const area = cross(minus(b, a!), minus(c, a!));
    if (Math.abs(area) < 1e-6) continue;
    const u = cross(minus(point, a!), minus(c, a!)) / area;
    const v = cross(minus(b, a!), minus(point, a!)) / area;
    if (u >= -1e-9 && v >= -1e-9 && u + v <= 1 + 1e-9)
      return a!.topMm + (b.topMm - a!.topMm) * u + (c.topMm - a!.topMm) * v;
  }
  return null;
}
