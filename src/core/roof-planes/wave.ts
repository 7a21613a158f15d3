import { cross, distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { lineAt, PARALLEL, stepBetween, wayBetween, type Rising } from './edges';

/** A node of the roof: where faces meet, with its height. */
export interface Node extends Point {
  z: number;
}

/** A corner of the rising outline: between the line that comes to it and the one that leaves, on its way since its node. */
export interface Corner {
  node: number;
  /** Where it was at `sinceMm`, and how it moves per millimetre of height. */
  at: Point;
  way: Point;
  sinceMm: number;
  before: Rising;
  after: Rising;
}

/** The outline at a height, as loops of corners with what is covered later to the left. */
export type Loop = readonly Corner[];

/** What is nearer than this is at one place, mm. */
export const SAME_MM = 1e-6;

export const placeOf = ({ at, way, sinceMm }: Corner, mm: number): Point => plus(at, times(way, mm - sinceMm));

/** A stretch of the outline between two nodes. */
export interface Stretch {
  from: number;
  to: number;
  rising: Rising;
}

/** Corners of a loop of stretches that go on from one another; those in one line are one. */
export function cornersOf(stretches: readonly Stretch[], nodes: readonly Node[], mm: number): Corner[] {
  const kept = stretches.filter(
    (each, i) => stretches[(i + stretches.length - 1) % stretches.length]!.rising !== each.rising,
  );
  return kept.flatMap((after, i): Corner[] => {
    const before = kept[(i + kept.length - 1) % kept.length]!;
    const at = nodes[after.from]!;
    const corner = (from: Rising, to: Rising, way: Point): Corner => ({
      node: after.from,
      at,
      way,
      sinceMm: mm,
      before: from,
      after: to,
    });
    const way = wayBetween(before.rising, after.rising);
    if (way) return [corner(before.rising, after.rising, way)];
    const { inwards, runPerRise } = after.rising;
    if (Math.abs(runPerRise - before.rising.runPerRise) < 1e-12)
      return [corner(before.rising, after.rising, times(inwards, runPerRise))];
    const step = stepBetween(at, before.rising, after.rising, mm);
    return [
      corner(before.rising, step, wayBetween(before.rising, step)!),
      corner(step, after.rising, wayBetween(step, after.rising)!),
    ];
  });
}

/** The height at which something next happens: a stretch shrinks to nothing, or a corner that points inwards meets a stretch. */
export function nextHeight(loops: readonly Loop[], mm: number): number {
  let next = Infinity;
  const stretches = loops.flatMap((loop) => loop.map((start, i) => ({ start, end: loop[(i + 1) % loop.length]! })));
  for (const { start, end } of stretches) {
    const { along } = start.after;
    const long = dot(minus(placeOf(end, mm), placeOf(start, mm)), along);
    const closing = dot(minus(start.way, end.way), along);
    if (closing > 1e-12 && long / closing < next - mm) next = mm + Math.max(0, long / closing);
  }
  for (const loop of loops)
    for (const corner of loop) {
      if (cross(corner.before.along, corner.after.along) > PARALLEL) continue;
      const here = placeOf(corner, mm);
      for (const { start, end } of stretches) {
        if (start === corner || end === corner) continue;
        const line = start.after;
        const gap = dot(line.inwards, here) - lineAt(line, mm);
        const closing = line.runPerRise - dot(line.inwards, corner.way);
        if (gap < SAME_MM || closing < 1e-12) continue;
        const at = mm + gap / closing;
        if (at >= next) continue;
        const place = placeOf(corner, at);
        const [a, b] = [placeOf(start, at), placeOf(end, at)];
        const beyond = Math.min(dot(minus(place, a), line.along), dot(minus(b, place), line.along));
        if (beyond > -SAME_MM) next = at;
      }
    }
  return next;
}

/** Groups places that are one, each by the first of them: their numbers among those. */
export function clustered(places: readonly Point[]): number[] {
  const firsts: number[] = [];
  return places.map((place, i) => {
    const found = firsts.find((first) => distance(places[first]!, place) < SAME_MM * 2);
    if (found !== undefined) return found;
    firsts.push(i);
    return i;
  });
}
