import { cross, dot, lengthOf, lineCrossing, minus, plus, times, type Point } from '../geometry/point';
import type { StairStorey } from '../stairs/solved-stair';
import { runOfFlight, type Flight, type TaperedTread } from '../stairs/pieces';

/** A place of a guard's foot: where it stands in plan, and how high. */
export interface FootPlace extends Point {
  mm: number;
}

/** So far to the left of the way one goes: half the width less the inset, to the right below zero. */
type Offset = (widthMm: number) => number;

interface Item {
  mm: number;
  from: FootPlace;
  to: FootPlace;
  /** Straight on at its two ends; null: of a tapered tread, a place alone. */
  along: Point | null;
  widthMm: number;
}

/**
 * The line of nosings along one side of a storey of a stair, from its first to its last, round its landings: flights as straight lines,
 * tapered treads from nosing to nosing. `offset` tells how far to the left of the middle a side lies.
 */
export function sideOfStair(
  storey: StairStorey,
  offset: Offset,
  side: 'left' | 'right' | 'centre',
  insetMm: number,
): FootPlace[] {
  const { flights, tapered, steps } = storey;
  if (!steps) return [];
  const items = [
    ...flights.map((flight) => flightItem(flight, offset)),
    ...tapered.map((tread) => taperedItem(tread, side, insetMm)),
  ].sort((a, b) => a.mm - b.mm);
  const places: FootPlace[] = [];
  items.forEach((item, i) => {
    const before = items[i - 1];
    if (before?.along && item.along) places.push(...roundLanding(before, item, side, insetMm));
    places.push(item.from);
    if (lengthOf(minus(item.to, item.from)) > 1) places.push(item.to);
  });
  // A round stair ends at the nosing after its last tread.
  const last = items.at(-1);
  if (last && !last.along && flights.length === 0) places.push(endOf(tapered.at(-1)!, side, insetMm));
  return places;
}

function flightItem(flight: Flight, offset: Offset): Item {
  const { from, along, widthMm, bottomMm, riserMm, treads } = flight;
  const left = times({ x: -along.y, y: along.x }, offset(widthMm));
  const start = plus(from, left);
  const end = plus(start, times(along, runOfFlight(flight)));
  return {
    mm: bottomMm,
    from: { ...start, mm: bottomMm + riserMm },
    to: { ...end, mm: bottomMm + (treads + 1) * riserMm },
    along,
    widthMm,
  };
}

/** On a nosing: at its narrow end, its wide end, or where one walks. */
function onNosing(
  nosing: readonly [Point, Point],
  at: Point,
  along: Point,
  side: 'left' | 'right' | 'centre',
  insetMm: number,
): Point {
  if (side === 'centre') return at;
  const [narrow, wide] = nosing;
  const way = minus(wide, narrow);
  const length = lengthOf(way);
  const isWideLeft = cross(along, way) > 0;
  const unit = times(way, 1 / length);
  const inset = Math.min(insetMm, length / 2);
  return isWideLeft === (side === 'left') ? minus(wide, times(unit, inset)) : plus(narrow, times(unit, inset));
}

function taperedItem(tread: TaperedTread, side: 'left' | 'right' | 'centre', insetMm: number): Item {
  const { nosing, at, along, topMm, riserMm } = tread;
  const place = { ...onNosing(nosing, at, along, side, insetMm), mm: topMm };
  return { mm: topMm - riserMm, from: place, to: place, along: null, widthMm: 0 };
}

function endOf(tread: TaperedTread, side: 'left' | 'right' | 'centre', insetMm: number): FootPlace {
  const { next, along, topMm, riserMm } = tread;
  const middle = times(plus(next[0], next[1]), 0.5);
  return { ...onNosing(next, middle, along, side, insetMm), mm: topMm + riserMm };
}

/** Flights that part by less (by the sine of it) go on as one, or come back beside one another. */
const TURN = 0.05;

/** From the end of one flight to the start of the next over the landing between: round its corner, or to and fro. */
function roundLanding(a: Item, b: Item, side: 'left' | 'right' | 'centre', insetMm: number): FootPlace[] {
  const [u, v] = [a.along!, b.along!];
  const { mm } = a.to;
  const turn = cross(u, v);
  if (Math.abs(turn) > TURN) {
    const corner = lineCrossing(a.to, u, b.from, v);
    return corner ? [{ ...corner, mm }] : [];
  }
  const level = { ...b.from, mm };
  if (dot(u, v) > 0) return [level];
  // Half a turn: on the inner side round the end of the eye, on the outer one round the landing.
  const across = { x: -u.y, y: u.x };
  const isTurningLeft = dot(minus(b.from, a.to), across) > 0;
  const isInner = side !== 'centre' && isTurningLeft === (side === 'left');
  const deep = side === 'centre' ? a.widthMm / 2 : isInner ? insetMm : a.widthMm - insetMm;
  // The flights may end at other places: as far beyond the further one.
  const ahead = Math.max(0, dot(minus(b.from, a.to), u));
  const far = ahead + deep;
  return [
    { ...plus(a.to, times(u, far)), mm },
    { ...plus(b.from, times(u, far - dot(minus(b.from, a.to), u))), mm },
    level,
  ];
}

/** A line at a distance to the left of a way with heights: corners where the two sides meet. */
export function besideWay(way: readonly FootPlace[], leftMm: number): FootPlace[] {
  const apart = way.filter((point, i) => i === 0 || lengthOf(minus(point, way[i - 1]!)) > 1);
  const unit = (i: number): Point => {
    const step = minus(apart[i + 1]!, apart[i]!);
    return times(step, 1 / lengthOf(step));
  };
  const shifted = (i: number, along: Point) => plus(apart[i]!, times({ x: -along.y, y: along.x }, leftMm));
  return apart.map((point, i) => {
    const [before, after] = [i > 0 ? unit(i - 1) : null, i < apart.length - 1 ? unit(i) : null];
    const along = (before ?? after)!;
    if (!before || !after || Math.abs(cross(before, after)) < 1e-6) return { ...shifted(i, along), mm: point.mm };
    const corner = lineCrossing(shifted(i, before), before, shifted(i, after), after);
    return { ...(corner ?? shifted(i, along)), mm: point.mm };
  });
}
