import { EXAMPLES } from './examples';
import { cosDeg, sinDeg } from '../geometry/trig';
import { done, refuse, type Result } from '../model/result';
import { quantiseMm } from './length-units';
import { parseAngle } from './parse-angle';
import { parseLength, type LengthContext } from './parse-length';

/** A point as typed: a shift from the project zero, or from the crossing named. */
export interface ParsedPoint {
  crossing: string | null;
  xMm: number;
  yMm: number;
}

const EXAMPLE = `like ${EXAMPLES.point.metric}`;
const CROSSING = /^\s*([\p{L}\d.]+-[\p{L}\d.]+)\s*(?:([+−–-])\s*|$)/u;

/**
 * Reads a point: `x,y` from the project zero, `C-4`, `C-4 + x,y` from a crossing, or a length @ an angle
 * from either. With a decimal comma the two parts are parted by a semicolon.
 */
export function parsePoint(
  text: string,
  context: LengthContext = {},
  isCrossing: (label: string) => boolean = (label) => /^\p{L}/u.test(label),
): Result<ParsedPoint> {
  const match = CROSSING.exec(text);
  const crossing = match && isCrossing(match[1]!) ? match[1]! : null;
  const start = crossing ? match![0].length : 0;
  const rest = text.slice(start);
  if (crossing && !match![2]) return done({ crossing, xMm: 0, yMm: 0 });
  const turn = crossing && match![2] && match![2] !== '+' ? -1 : 1;
  const shift = rest.includes('@') ? polar(rest, context) : cartesian(rest, context);
  if (!shift.ok) return refuse(shift.refusal.message, { at: start + (shift.refusal.at ?? 0) });
  return done({ crossing, xMm: quantiseMm(turn * shift.value[0]), yMm: quantiseMm(turn * shift.value[1]) });
}

function cartesian(text: string, context: LengthContext): Result<[number, number]> {
  const separator = text.includes(';') || context.decimal === ',' ? ';' : ',';
  const parts = text.split(separator);
  if (parts.length !== 2)
    return refuse(`A point has two parts with a ${separator === ',' ? 'comma' : 'semicolon'} between (${EXAMPLE})`, {
      at: 0,
    });
  const x = parseLength(parts[0]!, context);
  if (!x.ok) return x;
  const y = parseLength(parts[1]!, context);
  if (!y.ok) return refuse(y.refusal.message, { at: parts[0]!.length + 1 + (y.refusal.at ?? 0) });
  return done([x.value.mm, y.value.mm]);
}

function polar(text: string, context: LengthContext): Result<[number, number]> {
  const at = text.indexOf('@');
  const length = parseLength(text.slice(0, at), context);
  if (!length.ok) return length;
  const angle = parseAngle(text.slice(at + 1), context.decimal);
  if (!angle.ok) return refuse(angle.refusal.message, { at: at + 1 + (angle.refusal.at ?? 0) });
  return done([length.value.mm * cosDeg(angle.value), length.value.mm * sinDeg(angle.value)]);
}
