import { plus, type Point } from '../geometry/point';
import { bounds, contains, type Ring } from '../geometry/polygon';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import type { Id } from '../model/ids';
import type { Fix } from './finding';

/** Ways out of a box along the axes, the shortest first. */
function waysOut(ring: Ring, obstacle: Ring): Point[] {
  const [own, other] = [bounds(ring), bounds(obstacle)];
  return [
    { x: other.minX - own.maxX, y: 0 },
    { x: other.maxX - own.minX, y: 0 },
    { x: 0, y: other.minY - own.maxY },
    { x: 0, y: other.maxY - own.minY },
  ]
    .map(({ x, y }) => ({ x: quantiseMm(x), y: quantiseMm(y) }))
    .sort((a, b) => Math.abs(a.x) + Math.abs(a.y) - Math.abs(b.x) - Math.abs(b.y));
}

/** The least move along the building's axes that takes a ring off another and leaves it where it may stand; null if none does. */
export function leastMove(ring: Ring, obstacle: Ring, mayStand: (moved: Ring) => boolean = () => true): Point | null {
  return waysOut(ring, obstacle).find((by) => mayStand(ring.map((point) => plus(point, by)))) ?? null;
}

/** The least move along one axis that brings a ring within another; null if none does. */
export function moveIn(ring: Ring, outer: Ring): Point | null {
  const [own, other] = [bounds(ring), bounds(outer)];
  const ways: Point[] = [
    { x: other.minX - own.minX, y: 0 },
    { x: other.maxX - own.maxX, y: 0 },
    { x: 0, y: other.minY - own.minY },
    { x: 0, y: other.maxY - own.maxY },
  ]
    .map(({ x, y }) => ({ x: quantiseMm(x), y: quantiseMm(y) }))
    .sort((a, b) => Math.abs(a.x) + Math.abs(a.y) - Math.abs(b.x) - Math.abs(b.y));
  return ways.find((by) => ring.every((point) => contains(outer, plus(point, by)))) ?? null;
}

/** Moving a thing, as a fix. */
export function moveFix(id: Id, what: string, by: Point | null): Fix[] {
  if (!by) return [];
  const [mm, towards] = by.x !== 0 ? [by.x, by.x > 0 ? 'east' : 'west'] : [by.y, by.y > 0 ? 'north' : 'south'];
  return [
    {
      words: `Move ${what} ${formatLength(Math.abs(mm))} mm ${towards}`,
      command: 'elements.move',
      input: { ids: [id], xMm: by.x, yMm: by.y },
    },
  ];
}
