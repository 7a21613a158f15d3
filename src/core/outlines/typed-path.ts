import { minus, plus, quantised, turned, type Point } from '../geometry/point';
import { crossingReferred } from '../commands/refer';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refusing } from '../commands/length-input';
import { done, refuse, type Result } from '../model/result';
import { EXAMPLES } from '../units/examples';
import { parseLength, type LengthContext } from '../units/parse-length';
import { parsePoint } from '../units/parse-point';

/** A path as typed: from a place, corner by corner along its axes. */
export interface TypedPath {
  /** The first corner, as a place is typed. */
  place: string;
  /** Corners from the place along its axes, itself included. */
  points: { xMm: number; yMm: number }[];
  /** The same in building axes. */
  corners: Point[];
  /** How far the axes of its first place are turned, degrees. */
  turnDeg: number;
  closed: boolean;
}

const EXAMPLE = `like ${EXAMPLES.path.metric}`;
const WAYS: Record<string, Point> = {
  e: { x: 1, y: 0 },
  n: { x: 0, y: 1 },
  w: { x: -1, y: 0 },
  s: { x: 0, y: -1 },
};

/**
 * Reads a path: where it starts, then step by step a length with a direction (`18m e`), a length at an angle
 * (`4.5m @ 30°`), a shift (`1200,300`) or a crossing; `close` at the end brings it back. Steps go along the axes of the
 * first place.
 */
export function parsePath(
  framework: Framework,
  building: Id,
  text: string,
  context: LengthContext = {},
): Result<TypedPath> {
  const parts: { text: string; at: number }[] = [];
  for (let at = 0; at <= text.length;) {
    const end = text.indexOf(';', at) < 0 ? text.length : text.indexOf(';', at);
    if (text.slice(at, end).trim() !== '') parts.push({ text: text.slice(at, end), at });
    at = end + 1;
  }
  const closed = parts.length > 1 && /^\s*close\s*$/i.test(parts.at(-1)!.text);
  if (closed) parts.pop();
  const [first, ...steps] = parts;
  if (!first) return refuse(`Type where the path starts, then its steps (${EXAMPLE})`, { at: 0 });
  const start = placeOf(framework, building, first.text, context);
  if (!start.ok) return shiftedRefusal(start, first.at);
  const { at: origin, turnDeg, written } = start.value;
  const corners: Point[] = [origin];
  for (const step of steps) {
    const next = stepFrom(framework, building, step.text, context, corners.at(-1)!, turnDeg);
    if (!next.ok) return shiftedRefusal(next, step.at);
    corners.push(quantised(next.value));
  }
  const points = corners.map((corner) => {
    const { x, y } = quantised(turned(minus(corner, origin), -turnDeg));
    return { xMm: x, yMm: y };
  });
  return done({ place: written, points, corners, turnDeg, closed });
}

const shiftedRefusal = (fault: { ok: false; refusal: { message: string; at?: number } }, by: number) =>
  refuse(fault.refusal.message, { at: by + (fault.refusal.at ?? 0) });

interface Start {
  at: Point;
  turnDeg: number;
  written: string;
}

function placeOf(framework: Framework, building: Id, text: string, context: LengthContext): Result<Start> {
  const parsed = parsePoint(text, context);
  if (!parsed.ok) return parsed;
  const { crossing, xMm, yMm } = parsed.value;
  const shift = { x: xMm, y: yMm };
  const written = `${xMm}mm,${yMm}mm`;
  if (crossing === null) return done({ at: shift, turnDeg: 0, written });
  const found = crossingAt(framework, building, crossing);
  if (!found.ok) return found;
  const isThere = xMm === 0 && yMm === 0;
  return done({
    at: plus(found.value.at, turned(shift, found.value.turnDeg)),
    turnDeg: found.value.turnDeg,
    written: isThere ? crossing : `${crossing} + ${written}`,
  });
}

function crossingAt(framework: Framework, building: Id, label: string): Result<{ at: Point; turnDeg: number }> {
  let found: { at: Point; turnDeg: number } | null = null;
  const refused = refusing(() => void (found = crossingReferred(framework, label, building)));
  return refused ? { ok: false, refusal: refused } : done(found!);
}

function stepFrom(
  framework: Framework,
  building: Id,
  text: string,
  context: LengthContext,
  from: Point,
  turnDeg: number,
): Result<Point> {
  const way = /^(.*?)\s*([enws])\s*$/i.exec(text);
  if (way && /\d|[\p{L}_]\s*$/u.test(way[1]!)) {
    const length = parseLength(way[1]!, context);
    if (length.ok) {
      const { x, y } = WAYS[way[2]!.toLowerCase()]!;
      return done(plus(from, turned({ x: x * length.value.mm, y: y * length.value.mm }, turnDeg)));
    }
  }
  const parsed = parsePoint(text, context);
  if (!parsed.ok) return refuse(`A step is a length with e, n, w or s, a shift or a crossing (${EXAMPLE})`, { at: 0 });
  const { crossing, xMm, yMm } = parsed.value;
  if (crossing === null) return done(plus(from, turned({ x: xMm, y: yMm }, turnDeg)));
  const found = crossingAt(framework, building, crossing);
  if (!found.ok) return found;
  return done(plus(found.value.at, turned({ x: xMm, y: yMm }, found.value.turnDeg)));
}
