import { leftDistance } from '../geometry/curve';
import { distance, lengthOf, minus, plus, quantised, times, turned, type Point } from '../geometry/point';
import { cosDeg, directionDeg, sinDeg } from '../geometry/trig';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { done, refuse, type Result } from '../model/result';
import { parsePath } from '../outlines/typed-path';
import { parseAngle } from '../units/parse-angle';
import { parseLengthIn } from '../dimensions/resolve-length';
import type { LengthContext } from '../units/parse-length';
import type { PlanMarks } from './plan-marks';
import { fromTwo } from './snaps';

/** Where one types: the corner before, if there is one, where the pointer is, and the direction that is held. */
export interface TypedAt {
  from: Point | null;
  pointer: Point;
  /** Of length 1; null: none. */
  held: Point | null;
  /** How far the axes of the path's first place are turned, degrees. */
  turnDeg: number;
}

const TWO = /^\s*(.+?)\s+from\s+([^,;]+?)\s*[,;]\s*(.+?)\s+from\s+([^,;]+?)\s*$/i;
const FORMS = 'a length, a shift like 1200,300, a length at an angle like 4500 @ 30°, or 600 from C, 1200 from 4';

/**
 * The point typed at the pointer: a length along the held direction or the way to the pointer; a second text as the direction in
 * degrees from the building's x axis; a shift or a step as in a typed path; distances from two lines, on the side of each where the
 * pointer is; without a corner before, a place.
 */
export function typedPoint(
  framework: Framework,
  building: Id,
  marks: PlanMarks,
  text: string,
  direction: string,
  { from, pointer, held, turnDeg }: TypedAt,
  context: LengthContext,
): Result<Point> {
  const two = TWO.exec(text);
  if (two) return fromLines(framework, marks, two, pointer, context);
  if (!from) {
    const place = parsePath(framework, building, text, context);
    return place.ok && place.value.corners.length === 1
      ? done(place.value.corners[0]!)
      : refuse(`Type a place, like A-1, 3600,2400, or 600 from C, 1200 from 4`);
  }
  const length = parseLengthIn(framework, text, context);
  if (length.ok) {
    const way = wayOf(direction, from, pointer, held);
    if (!way.ok) return way;
    return done(quantised(plus(from, times(way.value, length.value.mm))));
  }
  const step = parsePath(framework, building, `0,0; ${text}`, context);
  if (!step.ok || step.value.corners.length !== 2) return refuse(`Type ${FORMS}`);
  const to = step.value.corners[1]!;
  // A crossing is where it is; a shift goes along the axes of the path.
  const isCrossing = /^\s*\p{L}/u.test(text);
  return done(isCrossing ? to : quantised(plus(from, turned(to, turnDeg))));
}

function wayOf(direction: string, from: Point, pointer: Point, held: Point | null): Result<Point> {
  if (direction.trim() !== '') {
    const angle = parseAngle(direction);
    return angle.ok ? done({ x: cosDeg(angle.value), y: sinDeg(angle.value) }) : angle;
  }
  const away = minus(pointer, from);
  if (held) return done(held);
  const size = lengthOf(away);
  if (size < 1e-6) return refuse('Point where it goes, hold a direction with an arrow key, or press Tab and type one');
  return done(times(away, 1 / size));
}

function fromLines(
  framework: Framework,
  marks: PlanMarks,
  [, a, nameA, b, nameB]: RegExpExecArray,
  pointer: Point,
  context: LengthContext,
): Result<Point> {
  const lines: { curve: NonNullable<ReturnType<typeof lineNamed>>; left: number }[] = [];
  for (const [text, name] of [
    [a!, nameA!],
    [b!, nameB!],
  ] as const) {
    const length = parseLengthIn(framework, text, context);
    if (!length.ok) return length;
    const curve = lineNamed(marks, name);
    if (!curve) return refuse(`No straight line is named ${name} here`);
    const side = leftDistance(curve, pointer) < 0 ? -1 : 1;
    lines.push({ curve, left: side * length.value.mm });
  }
  const [one, two] = lines as [(typeof lines)[0], (typeof lines)[0]];
  const at = fromTwo(one.curve, one.left, two.curve, two.left);
  return at ? done(at) : refuse(`Lines ${nameA} and ${nameB} are parallel: no point is told by the two`);
}

const lineNamed = (marks: PlanMarks, name: string) =>
  marks.edges.find(({ curve, line }) => curve.kind === 'segment' && line?.toLowerCase() === name.trim().toLowerCase())
    ?.curve ?? null;

/** How long a piece is and which way it goes, in degrees from the building's x axis, 0 ≤ angle < 360. */
export function lengthAndWay(from: Point, to: Point): { lengthMm: number; deg: number } {
  const deg = directionDeg(to.y - from.y, to.x - from.x);
  return { lengthMm: distance(from, to), deg: (((Math.round(deg * 100) / 100) % 360) + 360) % 360 };
}
