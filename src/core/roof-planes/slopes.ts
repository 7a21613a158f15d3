import { readSlope } from '../ramps/slope-words';
import { cosDeg, directionDeg, sinDeg } from '../geometry/trig';
import type { Band } from './edges';

/** Roofs are steeper than this, and less steep than upright, degrees. */
export const LEAST_SLOPE_DEG = 0.5;
export const MOST_SLOPE_DEG = 89;

/** How far a slope goes in plan for a millimetre of height; upright, null: not at all. */
export const runOfSlope = (deg: number | null): number => (deg === null ? 0 : cosDeg(deg) / sinDeg(deg));
export const slopeOfRun = (runPerRise: number): number => directionDeg(1, runPerRise);

/** Degrees of what is typed: `40`, `40°`, `1:1.5`, `60 %`; null: none of these, or no slope of a roof. */
export function readRoofSlope(text: string): number | null {
  const typed = text.trim().replace(',', '.');
  const run = readSlope(/^\d+(\.\d+)?$/.test(typed) ? `${typed}°` : typed);
  if (run === null) return null;
  // What is typed in degrees stays as it is.
  const own = /^(\d+(?:\.\d+)?)\s*(?:°|deg|degrees)?$/.exec(typed);
  const deg = own ? Number(own[1]) : slopeOfRun(run);
  return deg >= LEAST_SLOPE_DEG && deg <= MOST_SLOPE_DEG ? deg : null;
}

/**
 * How an edge rises as it is written: a slope, `gable` or `wall` (against a higher one); with further ones from heights over the eaves on,
 * `70>2400>30` a slope of 70° up to 2400 mm and of 30° from there, `gable>2000>45` a half-hip. Null: not so written.
 */
export function readBands(text: string): Band[] | null {
  const parts = text.split('>').map((part) => part.trim());
  if (parts.length % 2 === 0) return null;
  const bands: Band[] = [];
  for (let i = 0; i < parts.length; i += 2) {
    const isUpright = /^(gable|wall)$/i.test(parts[i]!);
    const deg = isUpright ? null : readRoofSlope(parts[i]!);
    const fromMm = i === 0 ? 0 : Number(parts[i - 1]);
    if ((deg === null && !isUpright) || !Number.isFinite(fromMm) || (i > 0 && fromMm <= bands.at(-1)!.fromMm))
      return null;
    bands.push({ fromMm, runPerRise: runOfSlope(deg) });
  }
  return bands;
}
