import { onCircle } from '../geometry/curve';
import { distance, minus, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import type { Id } from '../model/ids';
import type { DimensionMark, Primitive } from './drawing';

/** Sizes on paper, millimetres. */
export const DIMENSION_TEXT = 2.6;
export const STRING_GAP = 6;
const TICK = 1.1;

/** A place a string of dimensions passes, with what is chosen by pressing the length before it. */
export interface StringPoint {
  at: Point;
  id: Id | null;
}

export interface StringLook {
  scale: number;
  writeLength: (mm: number) => string;
}

/** Bays along a row of points, and under it the overall length when there is more than one bay. */
export function dimensionString(
  points: readonly StringPoint[],
  out: Point,
  look: StringLook,
): { primitives: Primitive[]; marks: DimensionMark[] } {
  const primitives: Primitive[] = [];
  const marks: DimensionMark[] = [];
  if (points.length < 2) return { primitives, marks };
  const mm = (paper: number) => paper * look.scale;
  const rows = points.length > 2 ? [points, [points[0]!, points.at(-1)!]] : [points];
  rows.forEach((row, i) => {
    const shift = times(out, (i === 0 ? 0.35 : 1.25) * mm(STRING_GAP));
    const at = row.map((point) => plus(point.at, shift));
    at.forEach((point, j) => {
      const own = tick(point, out, mm(TICK));
      const next = at[j + 1];
      if (!next) return void primitives.push(own);
      const parts: Primitive[] = [
        { type: 'path', style: 'dimension', id: null, points: [point, next], closed: false },
        own,
      ];
      const bay = minus(next, point);
      const size = distance(point, next);
      const text = look.writeLength(Math.round(size * 1e6) / 1e6);
      if (size >= mm(DIMENSION_TEXT) * text.length * 0.62) {
        parts.push({
          type: 'text',
          style: 'dimensionText',
          id: row[j + 1]!.id,
          at: plus(plus(point, times(bay, 0.5)), times(upwards(bay), mm(DIMENSION_TEXT * 0.75))),
          text,
          heightMm: mm(DIMENSION_TEXT),
          turnDeg: upright(directionDeg(bay.y, bay.x)),
        });
      }
      primitives.push(...parts);
      marks.push({ from: row[j]!.at, to: row[j + 1]!.at, through: next, text, parts });
    });
  });
  return { primitives, marks };
}

function tick(at: Point, out: Point, size: number): Primitive {
  const way = times(plus(out, { x: -out.y, y: out.x }), size);
  return { type: 'path', style: 'dimensionTick', id: null, points: [minus(at, way), plus(at, way)], closed: false };
}

/** Angles between rays, along an arc outside them. Angles are degrees counter-clockwise, in order. */
export function angleString(
  centre: Point,
  radiusMm: number,
  rays: readonly { deg: number; id: Id }[],
  scale: number,
): Primitive[] {
  const mm = (paper: number) => paper * scale;
  const first = rays[0];
  const last = rays.at(-1);
  if (!first || !last || first === last) return [];
  const sweepDeg = last.deg - first.deg;
  return [
    {
      type: 'arc',
      style: 'dimension',
      id: null,
      arc: { kind: 'arc', centre, radiusMm, fromDeg: first.deg, sweepDeg },
    },
    ...rays.flatMap((ray, i): Primitive[] => {
      const at = onCircle(centre, radiusMm, ray.deg);
      const out = onCircle({ x: 0, y: 0 }, 1, ray.deg);
      const next = rays[i + 1];
      if (!next) return [tick(at, out, mm(TICK))];
      const middle = (ray.deg + next.deg) / 2;
      const text = `${Math.round((next.deg - ray.deg) * 1e4) / 1e4}°`;
      const room = ((next.deg - ray.deg) * Math.PI * radiusMm) / 180;
      const label: Primitive = {
        type: 'text',
        style: 'dimensionText',
        id: next.id,
        at: onCircle(centre, radiusMm + mm(DIMENSION_TEXT * 0.8), middle),
        text,
        heightMm: mm(DIMENSION_TEXT),
        turnDeg: upright(normal(middle - 90)),
      };
      return [tick(at, out, mm(TICK)), ...(room > mm(DIMENSION_TEXT) * text.length * 0.62 ? [label] : [])];
    }),
  ];
}

const normal = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;

/** Readable from below or from the right. */
export function upright(deg: number): number {
  if (deg > 90) return deg - 180;
  return deg <= -90 ? deg + 180 : deg;
}

/** The side of a direction on which an upright text above it stands. */
function upwards(along: Point): Point {
  const size = Math.sqrt(along.x * along.x + along.y * along.y) || 1;
  const side = { x: -along.y / size, y: along.x / size };
  const isUp = Math.abs(side.y) > 1e-9 ? side.y > 0 : side.x < 0;
  return isUp ? side : { x: -side.x, y: -side.y };
}
