import { done, refuse, type Result } from '../model/result';
import { quantiseMm } from './length-units';
import { parseAngle } from './parse-angle';

const EXAMPLE = "like 6@15 or 12°30' 15° 3@20";

/** Reads a list of angles between rays, `n@angle` or single ones parted by spaces or commas: degrees, each above zero. */
export function parseAngles(text: string): Result<number[]> {
  const parts = text
    .trim()
    .replace(/\s*@\s*/g, '@')
    .split(/\s*[,;]\s*|\s+/)
    .filter((part) => part !== '');
  if (parts.length === 0) return refuse(`Type the angles between the rays (${EXAMPLE})`, { at: 0 });
  const angles: number[] = [];
  for (const part of parts) {
    const times = /^(\d{1,3})@(.+)$/.exec(part);
    const parsed = parseAngle(times ? times[2]! : part);
    if (!parsed.ok) return refuse(`"${part}" is not an angle (${EXAMPLE})`, { at: text.indexOf(part) });
    if (parsed.value <= 0) return refuse(`An angle between two rays is more than zero (${EXAMPLE})`, { at: 0 });
    for (let i = 0; i < (times ? Number(times[1]) : 1); i += 1) angles.push(quantiseMm(parsed.value));
    if (angles.length > 360) return refuse('At most 360 rays in one list', { at: 0 });
  }
  const sum = quantiseMm(angles.reduce((total, angle) => total + angle, 0));
  if (sum > 360) return refuse(`The angles add up to ${sum}°, more than a full turn`, { at: 0 });
  return done(angles);
}
