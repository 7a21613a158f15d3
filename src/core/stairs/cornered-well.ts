import { sharedArea } from '../geometry/convex-clip';
import { cross, distance, dot, lengthOf, minus, plus, quantised, times, type Point } from '../geometry/point';
import { contains, counterClockwise, ringArea, type Ring } from '../geometry/polygon';
import { quantiseMm } from '../units/length-units';
import { ROUND_SIDES, type RoundForm } from './form-of-stair';
import type { Well } from './well';

/**
 * A well of any corners that bulge outwards. Three or four flights go round it along its sides, from where the side one comes in over
 * ends. It is kept as who turns left sees it: for who turns right mirrored in the axis along x.
 */
export interface CorneredWell {
  /** Counter-clockwise: the first flight goes from the first to the second. One comes in over the side from the last to the first. */
  corners: readonly Point[];
  turn: 'left' | 'right';
}

/** A flight's side: how much of it a flight may have, between its landings. */
export interface WellSide {
  /** The corner it begins at, which way it goes, and how long it is. */
  from: Point;
  along: Point;
  lengthMm: number;
  /** Where a flight may begin and end along it. */
  startMm: number;
  endMm: number;
}

/** The sides that flights go along; closed: the last one comes back to the corner one began at. */
export interface WellSides {
  sides: readonly WellSide[];
  isClosed: boolean;
}

/** More corners than this are a curve. */
const MOST_CORNERS = 12;
/** What is smaller is nothing, mm and mm². */
const TOUCH_MM = 1e-3;
const TOUCH_MM2 = 1;

const left = ({ x, y }: Point): Point => ({ x: -y, y: x });
export const seenFrom = (turn: 'left' | 'right', { x, y }: Point): Point => (turn === 'left' ? { x, y } : { x, y: -y });

/** A ring as a well entered over one of its edges; null where a corner of it points inwards, or it has more than are corners. */
export function corneredWell(ring: Ring, entry: number, turn: 'left' | 'right'): CorneredWell | null {
  const count = ring.length;
  if (count < 3 || count > MOST_CORNERS || entry >= count) return null;
  const order = ring.map((_, i) =>
    turn === 'left' ? ring[(entry + 1 + i) % count]! : ring[(entry - i + count) % count]!,
  );
  const corners = order.map((point) => seenFrom(turn, point));
  const bulges = corners.every((corner, i) => {
    const [before, after] = [corners[(i + count - 1) % count]!, corners[(i + 1) % count]!];
    const [u, v] = [minus(corner, before), minus(after, corner)];
    return cross(u, v) >= -1e-9 * lengthOf(u) * lengthOf(v) && lengthOf(v) > 1;
  });
  return bulges && ringArea(corners) > TOUCH_MM2 ? { corners, turn } : null;
}

/** Without a strip along the side one comes in over, where the floors' landing is; null where nothing with those corners is left. */
export function withoutLanding({ corners, turn }: CorneredWell, depthMm: number): CorneredWell | null {
  if (depthMm <= 0) return { corners, turn };
  const [first, last] = [corners[0]!, corners.at(-1)!];
  const along = times(minus(first, last), 1 / distance(first, last));
  const inwards = left(along);
  const onto = (from: Point, to: Point): Point | null => {
    const [deep, step] = [dot(minus(to, from), inwards), minus(to, from)];
    return deep <= depthMm + 1 ? null : plus(from, times(step, depthMm / deep));
  };
  const [begin, end] = [onto(first, corners[1]!), onto(last, corners.at(-2)!)];
  return begin && end ? { corners: [begin, ...corners.slice(1, -1), end], turn } : null;
}

/**
 * The sides flights of a width go along. Between two flights the corner is landing, along the middle no shorter than flights are wide.
 * Null where flights so wide would lie over one another or outside.
 */
export function sidesOf({ corners }: CorneredWell, flights: number, widthMm: number): WellSides | null {
  const count = corners.length;
  if (flights > count) return null;
  const isClosed = flights === count;
  const sides = Array.from({ length: flights }, (_, i): WellSide => {
    const [from, to] = [corners[i]!, corners[(i + 1) % count]!];
    const lengthMm = distance(from, to);
    const along = times(minus(to, from), 1 / lengthMm);
    const isFirst = i === 0 && !isClosed;
    const isLast = i === flights - 1 && !isClosed;
    return {
      from,
      along,
      lengthMm,
      startMm: isFirst ? clearOf(corners, i, widthMm) : cornerOf(corners, i, widthMm).takenMm,
      endMm: lengthMm - (isLast ? clearOf : takenAt)(corners, (i + 1) % count, widthMm),
    };
  });
  return fits(corners, sides, isClosed, widthMm) ? { sides, isClosed } : null;
}

/** Sine and cosine of the angle a well has at a corner. */
function angleAt(corners: readonly Point[], i: number): { sine: number; cosine: number } {
  const count = corners.length;
  const [before, at, after] = [corners[(i + count - 1) % count]!, corners[i]!, corners[(i + 1) % count]!];
  const [u, v] = [minus(before, at), minus(after, at)];
  const size = lengthOf(u) * lengthOf(v);
  return { sine: cross(v, u) / size, cosine: dot(u, v) / size };
}

/** How far from a corner flights end on both its sides: `kiteMm` where their inner edges would meet, `takenMm` with landing enough. */
function cornerOf(corners: readonly Point[], i: number, widthMm: number): { kiteMm: number; takenMm: number } {
  const { sine, cosine } = angleAt(corners, i);
  // The cotangent of half the angle.
  const kiteMm = (widthMm * sine) / (1 - cosine);
  return { kiteMm, takenMm: Math.max(kiteMm, (kiteMm + widthMm) / 2) };
}
const takenAt = (corners: readonly Point[], i: number, widthMm: number): number =>
  cornerOf(corners, i, widthMm).takenMm;

/** How far from a corner a flight ends that has all of its width within the well there. */
function clearOf(corners: readonly Point[], i: number, widthMm: number): number {
  const { sine, cosine } = angleAt(corners, i);
  return Math.max(0, (widthMm * cosine) / sine);
}

/** The strip of a side from one place along it to another. */
const stripOf = ({ from, along }: WellSide, startMm: number, endMm: number, widthMm: number): Point[] => {
  const inner = times(left(along), widthMm);
  const [a, b] = [plus(from, times(along, startMm)), plus(from, times(along, endMm))];
  return [a, b, plus(b, inner), plus(a, inner)];
};

/** The corner of a landing: from where flights' edges meet on one side, round the corner, to where they do on the other. */
function kiteOf(before: WellSide, after: WellSide, kiteMm: number, widthMm: number): Point[] {
  const [a, b] = [minus(after.from, times(before.along, kiteMm)), plus(after.from, times(after.along, kiteMm))];
  return [a, after.from, b, plus(b, times(left(after.along), widthMm))];
}

function fits(corners: readonly Point[], sides: readonly WellSide[], isClosed: boolean, widthMm: number): boolean {
  if (sides.some(({ startMm, endMm }) => endMm - startMm < -TOUCH_MM)) return false;
  const strips = sides.map((side) => stripOf(side, side.startMm, side.endMm, widthMm));
  const turns = sides.flatMap((side, i) => {
    const before = sides[i - 1] ?? (isClosed ? sides.at(-1)! : null);
    if (!before) return [];
    return [{ i, ring: kiteOf(before, side, cornerOf(corners, i, widthMm).kiteMm, widthMm) }];
  });
  const shapes = [...strips, ...turns.map(({ ring }) => ring).filter((ring) => ringArea(ring) > TOUCH_MM2)];
  const wide = outsetBy(corners, TOUCH_MM);
  const isInside = shapes.every((shape) => shape.every((point) => contains(wide, point)));
  const isApart = shapes.every((shape, i) =>
    shapes.every((other, j) => j <= i || ringArea(shape) < TOUCH_MM2 || sharedArea(shape, other) < TOUCH_MM2),
  );
  return isInside && isApart;
}

/** A little larger, so that what touches the sides is in it. */
function outsetBy(corners: readonly Point[], mm: number): Ring {
  const middle = times(
    corners.reduce((sum, corner) => plus(sum, corner), { x: 0, y: 0 }),
    1 / corners.length,
  );
  return corners.map((corner) => plus(corner, times(minus(corner, middle), mm / distance(corner, middle))));
}

/** The room each flight has, for flights of a width; null where they do not go round it. */
export function runsIn(well: CorneredWell, widthMm: number, landingMm: number): Record<RoundForm, number[] | null> {
  const inner = withoutLanding(well, landingMm);
  const of = (flights: number) =>
    (inner && sidesOf(inner, flights, widthMm))?.sides.map(({ startMm, endMm }) => quantiseMm(endMm - startMm)) ?? null;
  return { threeFlight: of(ROUND_SIDES.threeFlight), fourFlight: of(ROUND_SIDES.fourFlight) };
}

/** Larger in its own shape from the corner one begins at, its first side by so much. */
export function larger({ corners, turn }: CorneredWell, byMm: number): CorneredWell {
  const first = corners[0]!;
  const share = 1 + byMm / distance(first, corners[1]!);
  return { turn, corners: corners.map((corner) => plus(first, times(minus(corner, first), share))) };
}

/** The rectangle along its first side that holds it all, as a well of its own. */
export function boxOf({ corners, turn }: CorneredWell): Well {
  const [first, second] = [corners[0]!, corners[1]!];
  const along = times(minus(second, first), 1 / distance(first, second));
  const xs = corners.map((corner) => dot(minus(corner, first), along));
  const ys = corners.map((corner) => dot(minus(corner, first), left(along)));
  const [x0, x1, widthMm] = [Math.min(...xs), Math.max(...xs), Math.max(...ys)];
  const inwards = seenFrom(turn, along);
  const origin = plus(seenFrom(turn, first), times(inwards, x0));
  // For who turns right it lies to the right of its first side.
  const start = turn === 'left' ? origin : minus(origin, times(left(inwards), widthMm));
  return { origin: start, inwards, left: left(inwards), lengthMm: x1 - x0, widthMm };
}

/** A landing between two flights: all round, and in convex parts. */
export function turnBetween(
  { corners }: CorneredWell,
  i: number,
  [before, after]: readonly [WellSide, WellSide],
  [endMm, startMm]: readonly [number, number],
  widthMm: number,
): { ring: Point[]; parts: Point[][] } {
  const { kiteMm } = cornerOf(corners, i, widthMm);
  const meetMm = before.lengthMm - kiteMm;
  const kite = kiteOf(before, after, kiteMm, widthMm);
  const [from, to] = [stripOf(before, endMm, meetMm, widthMm), stripOf(after, kiteMm, startMm, widthMm)];
  const round = [from[0]!, after.from, to[1]!, to[2]!, kite[3]!, from[3]!];
  return {
    ring: withoutTwins(round),
    parts: [from, kite, to].filter((ring) => ringArea(ring) > TOUCH_MM2),
  };
}

/** The hole where all of it is open, but for what is floor before the first and after the last flight. */
export function holeOf({ corners }: CorneredWell, { sides, isClosed }: WellSides, widthMm: number): Point[] {
  const [first, last] = [sides[0]!, sides.at(-1)!];
  const [begin, end] = [
    stripOf(first, first.startMm, first.endMm, widthMm),
    stripOf(last, last.startMm, last.endMm, widthMm),
  ];
  const between = corners.slice(1, sides.length);
  const floor = isClosed ? [kiteOf(last, first, cornerOf(corners, 0, widthMm).kiteMm, widthMm)[3]!] : [];
  return withoutTwins([begin[0]!, ...between, end[1]!, end[2]!, ...floor, begin[3]!]);
}

const withoutTwins = (ring: readonly Point[]): Point[] =>
  ring.filter((point, i) => distance(point, ring[(i + 1) % ring.length]!) > TOUCH_MM);

/** A ring of it as it lies in plan. */
export const inPlan = (turn: 'left' | 'right', ring: readonly Point[]): Ring =>
  counterClockwise(ring.map((point) => quantised(seenFrom(turn, point))));
