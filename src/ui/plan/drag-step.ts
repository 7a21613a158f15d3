import type { Point } from '@/core/geometry/point';
import type { LengthDisplay } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';

/** Ends and edges are dragged in steps: 50 mm, or two inches. */
export const dragStep = (display: LengthDisplay): number => (display.system === 'imperial' ? 50.8 : 50);

/** Free points come in steps of so much: 50 mm, or an inch. */
export const stepOf = (display: LengthDisplay): number => (display.system === 'imperial' ? 25.4 : 50);

/** A shift in whole steps each way, exactly as it is written. */
export function inSteps(by: Point, display: LengthDisplay): Point {
  const step = stepOf(display);
  const round = (mm: number) => quantiseMm(Math.round(mm / step) * step);
  return { x: round(by.x), y: round(by.y) };
}
