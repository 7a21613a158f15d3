import type { Primitive } from '../drawing/drawing';
import { bounds } from '../geometry/polygon';
import type { PlanAt } from '../kinds/drawn';
import type { Solved } from '../solving/solved';
import { formatArea } from '../units/format-length';
import type { RoomRegion } from './solve-rooms';

/** How high the tag of a room is written where there is place, mm on paper. */
export const ROOM_TEXT_MM = 2.3;

/** Of a room's number and name: as large as the room has place for. */
export function tagHeight({ number, name, ring }: RoomRegion, view: PlanAt): number {
  const box = bounds(ring);
  const fitting = (box.maxX - box.minX) / (`${number} ${name}`.length * 0.7);
  return Math.min(ROOM_TEXT_MM * view.scale, fitting, (box.maxY - box.minY) / 4);
}

/** A room's tag: its number and name, its area under them. */
function drawRoom(region: RoomRegion, view: PlanAt): Primitive[] {
  const { room, number, name, netMm2, at } = region;
  const text = `${number} ${name}`;
  const heightMm = tagHeight(region, view);
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
