import { LEAST_TEXT_MM } from '../drawing/least-text';
import type { Primitive } from '../drawing/drawing';
import { bounds } from '../geometry/polygon';
import type { PlanAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { formatArea } from '../units/format-length';
import type { RoomRegion } from './solve-rooms';

/** How high the tag of a room is written where there is place, mm on paper. */
export const ROOM_TEXT_MM = 2.3;

/** A room's first line and how high it is written: number and name, its number alone where there is too little place; null: none can be read. */
export function tagOf({ number, name, ring }: RoomRegion, view: PlanAt): { text: string; heightMm: number } | null {
  const box = bounds(ring);
  for (const text of [`${number} ${name}`, number]) {
    const fitting = (box.maxX - box.minX) / (text.length * 0.7);
    const heightMm = Math.min(ROOM_TEXT_MM * view.scale, fitting, (box.maxY - box.minY) / 4);
    if (heightMm >= LEAST_TEXT_MM * view.scale) return { text, heightMm };
  }
  return null;
}

/** A room's tag: its number and name, its area under them. */
function drawRoom(region: RoomRegion, view: PlanAt): Primitive[] {
  const { room, netMm2, at } = region;
  const tag = tagOf(region, view);
  if (!tag) return [];
  const { text, heightMm } = tag;
  const line = (style: 'roomText' | 'roomArea', words: string, downMm: number): Primitive => ({
    type: 'text',
    style,
    id: room,
    at: { x: at.x, y: at.y - downMm },
    text: words,
    heightMm: style === 'roomText' ? heightMm : heightMm * 0.85,
    turnDeg: 0,
  });
  return [line('roomText', text, 0), line('roomArea', view.writeArea?.(netMm2) ?? formatArea(netMm2), heightMm * 1.35)];
}

/** Lines that divide the rooms of a level without a wall: dotted. */
export const boundariesInPlan = ({ boundaries }: Solved, { building: of, level }: PlanAt): Primitive[] =>
  boundaries
    .filter((each) => each.building === of && each.level === level)
    .map(({ line, points }) => ({ type: 'path', style: 'roomBoundary', id: line, points, closed: false }));

/** Tags of the rooms of a level. */
export const roomsInPlan = ({ rooms }: Solved, view: PlanAt): Primitive[] =>
  rooms.filter(({ level, room }) => level === view.level && room !== null).flatMap((region) => drawRoom(region, view));
