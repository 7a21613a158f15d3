import { leastText } from '../drawing/least-text';
import type { Primitive } from '../drawing/drawing';
import type { Point } from '../geometry/point';
import { bounds } from '../geometry/polygon';
import type { PlanAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { formatArea } from '../units/format-length';
import type { RoomRegion } from './solve-rooms';

/** How high the tag of a room is written where there is place, mm on paper. */
export const ROOM_TEXT_MM = 2.3;

/** From one line of a tag to the next, in heights of its text. */
export const LINE_STEP = 1.4;
/** A letter is about so wide, in heights of its text, with what it keeps clear of the walls. */
const LETTER_WIDTH = 0.66;

export interface RoomTag {
  lines: { style: 'roomText' | 'roomArea'; text: string }[];
  heightMm: number;
  /** The middle of its lines: at the room's place, or as near as walls let it be. */
  x: number;
}

/** How far a region reaches to both sides of a place in it, along x; null where the place is not within. */
function reachAt({ ring, holes }: RoomRegion, { x, y }: Point): [left: number, right: number] | null {
  let [left, right] = [-Infinity, Infinity];
  for (const each of [ring, ...holes])
    each.forEach((from, i) => {
      const to = each[(i + 1) % each.length]!;
      if (from.y > y === to.y > y) return;
      const at = from.x + ((y - from.y) / (to.y - from.y)) * (to.x - from.x);
      if (at <= x) left = Math.max(left, at);
      else right = Math.min(right, at);
    });
  return left === -Infinity || right === Infinity ? null : [left, right];
}

/**
 * What is written in a room and how high: its number and name with its area under them, where that has place; else the
 * number with the area, or the number alone; null: nothing can be read.
 */
export function tagOf(region: RoomRegion, view: PlanAt): RoomTag | null {
  const { number, name, ring, at, netMm2 } = region;
  const area = view.writeArea?.(netMm2) ?? formatArea(netMm2);
  const least = leastText(view);
  const box = bounds(ring);
  for (const texts of [[`${number} ${name}`, area], [number, area], [number]]) {
    // At the middle of every line, and under the last.
    const lines = [...texts.map((_, i) => i), texts.length - 0.5];
    const reach = lines.map((line) => reachAt(region, { x: at.x, y: at.y - line * LINE_STEP * least }));
    const [left, right] = [
      Math.max(...reach.map((each) => each?.[0] ?? at.x)),
      Math.min(...reach.map((each) => each?.[1] ?? at.x)),
    ];
    const longest = Math.max(...texts.map(({ length }) => length)) * LETTER_WIDTH;
    const high = box.maxY - box.minY;
    const heightMm = Math.min(
      ROOM_TEXT_MM * view.scale,
      (right - left) / longest,
      high / (LINE_STEP * texts.length + 1),
    );
    if (heightMm < least) continue;
    // Where its place is too near a wall it stands beside it.
    const half = (longest * heightMm) / 2;
    return {
      heightMm,
      x: Math.min(Math.max(at.x, left + half), right - half),
      lines: texts.map((text, i) => ({ text, style: i === 0 ? 'roomText' : 'roomArea' })),
    };
  }
  return null;
}

/** A room's tag: its number and name, its area under them. */
function drawRoom(region: RoomRegion, view: PlanAt): Primitive[] {
  const { room, at } = region;
  const tag = tagOf(region, view);
  if (!tag) return [];
  return tag.lines.map(({ style, text }, i) => ({
    type: 'text',
    style,
    id: room,
    at: { x: tag.x, y: at.y - i * LINE_STEP * tag.heightMm },
    text,
    heightMm: tag.heightMm,
    turnDeg: 0,
  }));
}

/** Lines that divide the rooms of a level without a wall: dotted. */
export const boundariesInPlan = ({ boundaries }: Solved, { building: of, level }: PlanAt): Primitive[] =>
  boundaries
    .filter((each) => each.building === of && each.level === level)
    .map(({ line, points }) => ({ type: 'path', style: 'roomBoundary', id: line, points, closed: false }));

/** Tags of the rooms of a level. */
export const roomsInPlan = ({ rooms }: Solved, view: PlanAt): Primitive[] =>
  rooms.filter(({ level, room }) => level === view.level && room !== null).flatMap((region) => drawRoom(region, view));
