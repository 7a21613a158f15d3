import { mmOf } from '../dimensions/resolve-length';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { distanceToSegment } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import { quantiseMm } from '../units/length-units';
import type { Wall, WallOpening } from './wall';
import { wallPath } from './wall-path';

/** Where each straight part of a path begins along it, and how long it is, mm. */
function partsOf(
  points: readonly Point[],
  closed: boolean,
): { startMm: number; longMm: number; from: Point; to: Point }[] {
  let run = 0;
  const n = points.length;
  return Array.from({ length: closed ? n : n - 1 }, (_, i) => {
    const [from, to] = [points[i]!, points[(i + 1) % n]!];
    const part = { startMm: run, longMm: distance(from, to), from, to };
    run += part.longMm;
    return part;
  });
}

/**
 * The openings of a wall whose corners changed: in a part that stays they stay where they are in plan; in one whose beginning moved they
 * keep their distance from its end; in all others from its beginning. One whose part is gone stays as far along the wall as it was.
 */
export function openingsFollow(
  framework: Framework,
  before: Wall,
  after: Wall,
  partOf: (part: number) => number | null,
): Wall {
  const [was, now] = [wallPath(framework, before), wallPath(framework, after)];
  if (!was || !now || before.openings.length === 0) return after;
  const [old, fresh] = [partsOf(was.points, was.closed), partsOf(now.points, now.closed)];
  const openings = before.openings.map((opening) => {
    const along = mmOf(framework, opening.alongMm);
    const middle = along + mmOf(framework, opening.widthMm) / 2;
    const index = old.findIndex(({ startMm, longMm }) => middle >= startMm && middle <= startMm + longMm);
    const part = old[index];
    if (!part) return opening;
    // Where its beginning and its end are in plan.
    const place = (mm: number) =>
      plus(part.from, times(minus(part.to, part.from), (mm - part.startMm) / (part.longMm || 1)));
    const [start, end] = [place(along), place(2 * middle - along)];
    const same = fresh.find(
      ({ from, to }) =>
        distanceToSegment(start, from, to) < 1e-3 &&
        distanceToSegment(end, from, to) < 1e-3 &&
        dot(minus(end, start), minus(to, from)) > 0,
    );
    if (same) return at(opening, along, same.startMm + distance(same.from, start));
    const next = fresh[partOf(index) ?? -1];
    if (!next) return opening;
    const isFromEnd = distance(part.from, next.from) > 1e-3 && distance(part.to, next.to) <= 1e-3;
    const offset = isFromEnd ? next.longMm - (part.longMm - (along - part.startMm)) : along - part.startMm;
    return at(opening, along, next.startMm + offset);
  });
  return { ...after, openings };
}

/** As it was typed where it has not moved along its wall. */
const at = (opening: WallOpening, wasMm: number, nowMm: number): WallOpening =>
  Math.abs(nowMm - wasMm) < 1e-3 ? opening : { ...opening, alongMm: Math.max(0, quantiseMm(nowMm)) };
