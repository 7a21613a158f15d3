import { cosDeg, directionDeg, sinDeg } from '../geometry/trig';

/** A slope as one reads it: ratio, percent and degrees are one thing. */
export type SlopeUnit = 'ratio' | 'percent' | 'degrees';

const rounded = (value: number): string => String(Math.round(value * 10) / 10);

/** Run per rise in words: `1:12`. */
export function slopeWords(runPerRise: number, unit: SlopeUnit = 'ratio'): string {
  if (unit === 'percent') return `${rounded(100 / runPerRise)} %`;
  if (unit === 'degrees') return `${rounded(directionDeg(1, runPerRise))}°`;
  return `1:${rounded(runPerRise)}`;
}

/** All three of them: `1:12 (8.3 %, 4.8°)`. */
export const slopeInFull = (runPerRise: number): string =>
  `${slopeWords(runPerRise)} (${slopeWords(runPerRise, 'percent')}, ${slopeWords(runPerRise, 'degrees')})`;

/** Run per rise of what is typed: `1:12`, `8%`, `4.8°` or `4.8 deg`, or a number alone, which is taken as run per rise; null: none of these. */
export function readSlope(text: string): number | null {
  const typed = text.trim().replace(',', '.');
  const ratio = /^(?:1\s*[:/]\s*)?(\d+(?:\.\d+)?)$/.exec(typed);
  if (ratio) return positive(Number(ratio[1]));
  const percent = /^(\d+(?:\.\d+)?)\s*%$/.exec(typed);
  if (percent) return positive(100 / Number(percent[1]));
  const degrees = /^(\d+(?:\.\d+)?)\s*(?:°|deg|degrees)$/.exec(typed);
  return degrees ? positive(cosDeg(Number(degrees[1])) / sinDeg(Number(degrees[1]))) : null;
}

const positive = (value: number): number | null =>
  Number.isFinite(value) && value > 0 ? Math.round(value * 1e6) / 1e6 : null;
