import { cosDeg, sinDeg } from '../geometry/trig';
import { done, refuse, type Result } from '../model/result';

/** A slope as typed. `ratio` is rise : run. */
export type Slope =
  | { unit: 'ratio'; rise: number; run: number }
  | { unit: 'percent'; value: number }
  | { unit: 'degrees'; value: number };

const EXAMPLE = 'like 1:15, 5:12, 6.67% or 3.8°';

/** Reads a slope: rise:run, percent or degrees. It must be under 90° and not negative. */
export function parseSlope(text: string, decimal: '.' | ',' = '.'): Result<Slope> {
  const number = decimal === ',' ? '(\\d+(?:[.,]\\d+)?)' : '(\\d+(?:\\.\\d+)?)';
  const read = (part: string) => Number(part.replace(',', '.'));
  const ratio = new RegExp(`^\\s*${number}\\s*:\\s*${number}\\s*$`).exec(text);
  if (ratio) {
    const [rise, run] = [read(ratio[1]!), read(ratio[2]!)];
    if (run === 0) return refuse(`The run of a slope cannot be zero (${EXAMPLE})`, { at: text.indexOf(':') + 1 });
    return done({ unit: 'ratio', rise, run });
  }
  const percent = new RegExp(`^\\s*${number}\\s*%\\s*$`).exec(text);
  if (percent) return done({ unit: 'percent', value: read(percent[1]!) });
  const degrees = new RegExp(`^\\s*${number}\\s*(?:°|deg)\\s*$`).exec(text);
  if (degrees) {
    const value = read(degrees[1]!);
    if (value >= 90) return refuse(`A slope stays under 90° (${EXAMPLE})`, { at: 0 });
    return done({ unit: 'degrees', value });
  }
  return refuse(`That is not a slope; say ratio, percent or degrees (${EXAMPLE})`, { at: 0 });
}

/** Rise over run of a slope. */
export function slopeRatio(slope: Slope): number {
  if (slope.unit === 'ratio') return slope.rise / slope.run;
  if (slope.unit === 'percent') return slope.value / 100;
  return sinDeg(slope.value) / cosDeg(slope.value);
}
