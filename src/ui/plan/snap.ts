import { distance, type Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { formatLength, type LengthDisplay } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';

/** A point as taken, with the words for it. */
export interface Snapped {
  at: Point;
  words: string;
  /** It is at nothing: a point in round steps. */
  isFree?: true;
}

const stepOf = (display: LengthDisplay): number => (display.system === 'imperial' ? 25.4 : 50);

/** A shift in whole steps each way, exactly as it is written. */
export function inSteps(by: Point, display: LengthDisplay): Point {
  const step = stepOf(display);
  const round = (mm: number) => quantiseMm(Math.round(mm / step) * step);
  return { x: round(by.x), y: round(by.y) };
}

/** The nearest crossing, corner or point of an underlay within reach, else the point in round steps. */
export function snap(
  solved: Solved,
  building: Id,
  level: Id | null,
  point: Point,
  reachMm: number,
  display: LengthDisplay,
  more: readonly Snapped[] = [],
): Snapped {
  let best: Snapped | null = null;
  let least = reachMm;
  const offer = (at: Point, words: string) => {
    const gap = distance(at, point);
    if (gap < least) {
      least = gap;
      best = { at, words };
    }
  };
  for (const { building: of, at, label } of solved.crossings)
    if (of === building) offer(at, `crossing ${label ?? ''}`.trim());
  for (const shaft of solved.shafts) {
    if (shaft.building === building && level && shaft.levels.includes(level))
      for (const corner of shaft.ring) offer(corner, `corner of shaft ${shaft.name}`);
  }
  for (const { at, words } of more) offer(at, words);
  if (best) return best;
  const at = inSteps(point, display);
  return { at, isFree: true, words: `${formatLength(at.x, display)}, ${formatLength(at.y, display)}` };
}
