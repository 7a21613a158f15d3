import { finding, type Finding, type Fix } from '../checks/finding';
import type { Profile, Region } from '../geometry/boolean';
import { lengthOf, minus, plus, times, turned, type Point } from '../geometry/point';
import { bounds, contains, type Box, counterClockwise, areaLess, ringPerimeter, type Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import type { PlanFacts } from '../passes/plan-facts';
import type { UnionStore } from '../geometry/profile-store';
import type { BoundaryLine, Room } from './room';

/** A closed region of a level's walls. */
export interface RoomRegion {
  building: Id;
  level: Id;
  /** Its room; null where it has no name yet. */
  room: Id | null;
  number: string;
  name: string;
  use: string;
  ring: Ring;
  holes: Ring[];
  /** Within the walls, without columns and open shafts. */
  netMm2: number;
  perimeterMm: number;
  /** Where its tag stands. */
  at: Point;
  /** True where its room stands at a lower level and is carried up to here. */
  isCarried: boolean;
}

/** Boundary lines are strips this wide to the polygon library, mm: they take nothing that can be measured. */
const HAIR_MM = 0.02;
/** Regions smaller than this are gaps between walls, no rooms, mm². */
const LEAST_MM2 = 250_000;
/** Regions of which shafts and columns leave less are theirs, mm². */
const FILLED_MM2 = 1000;

/** A closed region of a storey in plan, with what columns and shafts leave of it. */
export interface ClosedRegion {
  ring: Ring;
  holes: Ring[];
  box: Box;
  netMm2: number;
  perimeterMm: number;
  centroid: Point;
}

/** A room with the place of its tag. */
export interface Tag {
  room: Room;
  at: Point;
}

interface PlanGiven {
  union: UnionStore;
  facts: PlanFacts;
  /** What stands where the plan is cut, in plan. */
  strips: readonly Ring[];
  boundaries: readonly Ring[];
  columns: readonly Ring[];
  shafts: readonly Ring[];
}

/** What walls and boundary lines of a storey close. */
export function closedRegions(given: PlanGiven): ClosedRegion[] {
  const [columns, shafts] = [given.columns, given.shafts].map((rings) =>
    rings.map((ring) => ({ ring, box: bounds(ring) })),
  );
  return (
    regionsOf(given)
      .map(({ outer, holes }) => netRegion(given, outer, holes, [...columns!, ...shafts!]))
      // What a shaft fills is no room.
      .filter(({ netMm2 }) => netMm2 > FILLED_MM2)
  );
}

/** The rooms of a storey, and those that are carried up from it. */
export interface RoomsOfStorey {
  regions: RoomRegion[];
  /** Rooms carried up, by the ring of their region. */
  carried: ReadonlyMap<Ring, Tag>;
  findings: Finding[];
}

/** A level whose rooms are named. */
interface LevelOfRooms {
  id: Id;
  building: Id;
  name: string;
}

/** Names closed regions: by tags of their own level, of its master's, or what is carried up from the storey below. */
export function namedRooms(
  level: LevelOfRooms,
  closed: readonly ClosedRegion[],
  own: readonly Tag[],
  masters: readonly Tag[],
  below: ReadonlyMap<Ring, Tag>,
  levelName: (level: Id) => string | undefined,
): RoomsOfStorey {
  const findings: Finding[] = [];
  const taken = new Map<ClosedRegion, Tag[]>();
  for (const tag of [...own, ...masters]) {
    const region = closed.find((each) => isIn(each, tag.at));
    const isOwn = tag.room.level === level.id;
    if (region && (isOwn || !taken.has(region))) taken.set(region, [...(taken.get(region) ?? []), tag]);
    else if (!region && isOwn) findings.push(outside(tag.room, level));
  }
  const carried = new Map<Ring, Tag>();
  const regions = closed.map((region): RoomRegion => {
    const tagged = taken.get(region) ?? [];
    const tag = tagged[0] ?? below.get(region.ring) ?? null;
    if (tagged.length > 1)
      findings.push(
        twice(
          tagged.map(({ room }) => room),
          level,
        ),
      );
    if (tag?.room.carriedUp) carried.set(region.ring, tag);
    return {
      building: level.building,
      level: level.id,
      room: tag?.room.id ?? null,
      number: tag ? numberAt(tag.room, level, levelName) : '',
      name: tag?.room.name ?? '',
      use: tag?.room.use ?? '',
      ring: region.ring,
      holes: region.holes,
      netMm2: region.netMm2,
      perimeterMm: region.perimeterMm,
      at: tag?.at ?? region.centroid,
      isCarried: tag !== null && tag.room.level !== level.id,
    };
  });
  return { regions, carried, findings };
}

const isIn = ({ ring, holes, box }: ClosedRegion, at: Point): boolean =>
  at.x >= box.minX &&
  at.x <= box.maxX &&
  at.y >= box.minY &&
  at.y <= box.maxY &&
  contains(ring, at) &&
  !holes.some((hole) => contains(hole, at));

/** What walls and boundary lines close: what is left of a box around them, less what reaches its edge. */
function regionsOf({ strips, boundaries, union, facts }: PlanGiven): readonly Region[] {
  if (strips.length === 0) return [];
  const all = strips.map(bounds);
  const [minX, minY] = [Math.min(...all.map((b) => b.minX)) - 1000, Math.min(...all.map((b) => b.minY)) - 1000];
  const [maxX, maxY] = [Math.max(...all.map((b) => b.maxX)) + 1000, Math.max(...all.map((b) => b.maxY)) + 1000];
  const box = facts.one([
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ]);
  const holes = [...new Set([...strips, ...boundaries])];
  const key = `rooms ${holes
    .map((ring) => facts.textOf(ring))
    .sort()
    .join('|')}`;
  const profile: Profile = union(key, [box], holes);
  return profile.regions.filter(
    ({ outer, holes: inner }) =>
      !outer.some(({ x, y }) => x <= minX + 1 || y <= minY + 1 || x >= maxX - 1 || y >= maxY - 1) &&
      areaLess(outer, inner) > LEAST_MM2,
  );
}

/** Where a boundary line runs in plan. */
export function boundaryPath(framework: Framework, { place, points }: BoundaryLine): Point[] {
  const { at, turnDeg } = resolvePlace(framework, place);
  return points.map(({ xMm, yMm }) => plus(at, turned({ x: xMm, y: yMm }, turnDeg)));
}

/** A boundary line in plan, as thin strips. */
export function hairs(framework: Framework, line: BoundaryLine): Ring[] {
  const corners = boundaryPath(framework, line);
  return corners.slice(1).flatMap((to, i) => {
    const from = corners[i]!;
    const way = minus(to, from);
    const size = lengthOf(way);
    if (size < 1) return [];
    const side = times({ x: -way.y, y: way.x }, HAIR_MM / 2 / size);
    return [counterClockwise([minus(from, side), minus(to, side), plus(to, side), plus(from, side)])];
  });
}

function netRegion(
  { union, facts }: PlanGiven,
  outer: Ring,
  holes: readonly Ring[],
  inTheWay: readonly { ring: Ring; box: Box }[],
): ClosedRegion {
  const ring = facts.one(outer);
  const box = bounds(ring);
  // What reaches into the room is taken out as far as it does, wherever its middle or its corners are.
  const reachIn = inTheWay
    .filter(
      (other) =>
        other.box.minX < box.maxX &&
        other.box.maxX > box.minX &&
        other.box.minY < box.maxY &&
        other.box.maxY > box.minY,
    )
    .map((other) => other.ring);
  const taken = [...new Set([...holes.map((hole) => facts.one(counterClockwise(hole))), ...reachIn])];
  const key = `net ${facts.textOf(ring)}|${taken
    .map((each) => facts.textOf(each))
    .sort()
    .join('|')}`;
  const { areaMm2, centroid } = union(key, [ring], taken);
  return { ring, holes: [...holes], box, netMm2: areaMm2, perimeterMm: ringPerimeter(ring), centroid };
}

/** A room's number at a level: one that begins with its own level's name begins with this one's here. */
function numberAt(
  { number, level: own }: Room,
  level: LevelOfRooms,
  levelName: (level: Id) => string | undefined,
): string {
  const from = levelName(own);
  return from !== undefined && number.startsWith(`${from}.`) ? `${level.name}${number.slice(from.length)}` : number;
}

function outside(room: Room, level: LevelOfRooms): Finding {
  const message = `Room ${room.number} ${room.name} at level ${level.name} lies in no closed region of walls. Close the walls round it, or move its tag`;
  return finding('room.open', room.building, level.id, [room.id], message, [deleteFix(room)]);
}

const deleteFix = ({ id, number, name }: Room): Fix => ({
  words: `Delete the tag ${number} ${name}`,
  command: 'elements.remove',
  input: { ids: [id] },
});

function twice(rooms: readonly Room[], level: LevelOfRooms): Finding {
  const names = rooms.map(({ number, name }) => `${number} ${name}`).join(' and ');
  const message = `${names} at level ${level.name} are one region. Put a wall or a boundary line between them`;
  return finding(
    'room.twice',
    level.building,
    level.id,
    rooms.map(({ id }) => id),
    message,
    rooms.slice(1).map(deleteFix),
  );
}
