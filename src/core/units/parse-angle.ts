import { done, refuse, type Result } from '../model/result';

/** An angle as typed, in degrees, counter-clockwise from east. */
export type AngleDeg = number;

const EXAMPLE = `like 30, 30° or 12°30'`;

/** Reads an angle in degrees, with minutes and seconds if any. Answers degrees within ±360, exact to 1e-9. */
export function parseAngle(text: string, decimal: '.' | ',' = '.'): Result<AngleDeg> {
  const sign = decimal === ',' ? '[.,]' : '\\.';
  const match = new RegExp(
    `^\\s*([-−–+]?)\\s*(\\d+(?:${sign}\\d+)?)\\s*(?:(?:°|deg\\b)\\s*(?:(\\d+(?:${sign}\\d+)?)\\s*['′’]\\s*(?:(\\d+(?:${sign}\\d+)?)\\s*["″”]\\s*)?)?)?$`,
    'u',
  ).exec(text);
  if (!match)
    return refuse(`That is not an angle (${EXAMPLE})`, { at: Math.max(0, text.search(/[^-−–+\d.,°\s'"′″’”]/)) });
  const read = (part: string | undefined) => Number((part ?? '0').replace(',', '.'));
  const [minutes, seconds] = [read(match[3]), read(match[4])];
  if (minutes >= 60 || seconds >= 60) return refuse(`Minutes and seconds stay under 60 (${EXAMPLE})`, { at: 0 });
  const size = read(match[2]) + minutes / 60 + seconds / 3600;
  if (size > 360) return refuse(`An angle goes from −360° to 360° (${EXAMPLE})`, { at: 0 });
  const value = Math.round((match[1] && match[1] !== '+' ? -size : size) * 1e9) / 1e9;
  return done(value === 0 ? 0 : value);
}
