import { formatForEntry, type LengthDisplay } from './format-length';

const INCH = 25.4;
/** What a length in feet and inches is rounded to, by how long it is: a quarter of an inch, an inch, three, a foot. */
const STEPS: readonly [belowMm: number, stepMm: number][] = [
  [1.5 * INCH, INCH / 4],
  [24 * INCH, INCH],
  [180 * INCH, 3 * INCH],
  [Infinity, 12 * INCH],
];

/** A usual length as a person would choose it in their own unit: 300 mm, or a foot. */
export function usualMm(mm: number, display: LengthDisplay): number {
  if (display.system === 'metric') return mm;
  const [, step] = STEPS.find(([below]) => Math.abs(mm) < below)!;
  return Math.round(mm / step) * step;
}

/** The text a field begins with, for a usual length. */
export const firstLength = (mm: number, display: LengthDisplay): string =>
  formatForEntry(usualMm(mm, display), display);
