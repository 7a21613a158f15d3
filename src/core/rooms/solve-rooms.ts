import { finding, type Finding, type Fix } from '../checks/finding';
import { sectionRing } from '../columns/section-shape';
import type { Profile, Region } from '../geometry/boolean';
import { lengthOf, minus, plus, times, turned, type Point } from '../geometry/point';
import { bounds, contains, counterClockwise, ringArea, ringPerimeter, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import { following, holdsLevel } from '../typical/typical';
import type { PlanFacts } from '../solving/plan-facts';
import type { ColumnPiece, SolvedShaft } from '../solving/solved';
import type { WallPiece } from '../walls/solved-wall';
import type { UnionStore } from '../walls/solve-walls';
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

/** What rooms of a building are worked out from. */
interface Given {
  framework: Framework;
  storeys: readonly ResolvedLevel[];
  walls: readonly WallPiece[];
  columns: readonly ColumnPiece[];
  shafts: readonly SolvedShaft[];
  rooms: readonly Room[];
  boundaries: readonly BoundaryLine[];
  union: UnionStore;
  facts: PlanFacts;
}

/** The regions that walls and boundary lines of each level close, with the rooms they are. */
export function solveRooms(given: Given): { regions: RoomRegion[]; findings: Finding[] } {
  const { framework, storeys, rooms } = given;
  const findings: Finding[] = [];
  const found: RoomRegion[] = [];
  const tags = rooms.map((room) => ({ room, at: resolvePlace(framework, room.place).at }));
  /** Rooms carried to the level, by the text of their region. */
  let carried = new Map<string, { room: Room; at: Point }>();
  for (const level of storeys) {
    const closed = regionsAt(given, level);
    const here = tags.filter(({ room }) => room.level === level.id);
    const master = following(framework).masterOf.get(level.id);
    // A level that follows has its master's rooms but where it has its own.
    const masters = master === undefined ? [] : tags.filter(({ room }) => room.level === master);
    const own = [...here, ...masters];
    const taken = new Map<Region, { room: Room; at: Point }[]>();
    for (const tag of own) {
      const region = closed.find((each) => isIn(each, tag.at));
      const isOwn = tag.room.level === level.id;
      if (region && (isOwn || !taken.has(region))) taken.set(region, [...(taken.get(region) ?? []), tag]);
      else if (!region && isOwn) findings.push(outside(tag.room, level));
    }
    const next = new Map<string, { room: Room; at: Point }>();
    for (const region of closed) {
      const text = given.facts.textOf(given.facts.one(region.outer));
      const tagged = taken.get(region) ?? [];
      const from = carried.get(text);
      const tag = tagged[0] ?? from ?? null;
      if (tagged.length > 1)
        findings.push(
          twice(
            tagged.map(({ room }) => room),
            level,
          ),
        );
      if (tag?.room.carriedUp) next.set(text, tag);
      found.push(regionOf(given, level, region, tag, tag !== null && tag.room.level !== level.id));
    }
    carried = next;
  }
  return { regions: found, findings };
}

const isIn = ({ outer, holes }: Region, at: Point): boolean =>
  contains(outer, at) && !holes.some((hole) => contains(hole, at));

/** What walls and boundary lines close: what is left of a box around them, less what reaches its edge. */
function regionsAt({ framework, walls, boundaries, union, facts }: Given, level: ResolvedLevel): Region[] {
  const cutMm = level.fflMm + 1000;
  const strips = walls
    .filter(({ bottomMm, topMm }) => bottomMm < cutMm && topMm > cutMm)
    .flatMap((piece) => piece.strips);
  if (strips.length === 0) return [];
  const lines = boundaries
    .filter((line) => holdsLevel(framework, [line.level], level.id))
    .flatMap((line) => hairs(framework, line))
    .map((ring) => facts.one(ring));
  const all = strips.map(bounds);
  const [minX, minY] = [Math.min(...all.map((b) => b.minX)) - 1000, Math.min(...all.map((b) => b.minY)) - 1000];
  const [maxX, maxY] = [Math.max(...all.map((b) => b.maxX)) + 1000, Math.max(...all.map((b) => b.maxY)) + 1000];
  const box = facts.one([
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ]);
  const holes = [...new Set([...strips, ...lines])];
  const key = `rooms ${holes
    .map((ring) => facts.textOf(ring))
    .sort()
    .join('|')}`;
  const profile: Profile = union(key, [box], holes);
  return profile.regions.filter(
    ({ outer, holes: inner }) =>
      !outer.some(({ x, y }) => x <= minX + 1 || y <= minY + 1 || x >= maxX - 1 || y >= maxY - 1) &&
      areaOf(outer, inner) > LEAST_MM2,
  );
}

/** Outer ring counter-clockwise, holes clockwise: their signed areas add up. */
const areaOf = (outer: Ring, holes: readonly Ring[]): number =>
  [outer, ...holes].reduce((sum, ring) => sum + ringArea(ring), 0);

function hairs(framework: Framework, { place, points }: BoundaryLine): Ring[] {
  const { at, turnDeg } = resolvePlace(framework, place);
  const corners = points.map(({ xMm, yMm }) => plus(at, turned({ x: xMm, y: yMm }, turnDeg)));
  return corners.slice(1).flatMap((to, i) => {
    const from = corners[i]!;
    const way = minus(to, from);
    const size = lengthOf(way);
    if (size < 1) return [];
    const side = times({ x: -way.y, y: way.x }, HAIR_MM / 2 / size);
    return [counterClockwise([minus(from, side), minus(to, side), plus(to, side), plus(from, side)])];
  });
}

function regionOf(
  given: Given,
  level: ResolvedLevel,
  { outer, holes }: Region,
  tag: { room: Room; at: Point } | null,
  isCarried: boolean,
): RoomRegion {
  const { union, facts, columns, shafts } = given;
  const ring = facts.one(outer);
  const box = bounds(ring);
  // What reaches into the room is taken out as far as it does, wherever its middle or its corners are.
  const reachesIn = (other: Ring): boolean => {
    const { minX, maxX, minY, maxY } = bounds(other);
    return minX < box.maxX && maxX > box.minX && minY < box.maxY && maxY > box.minY;
  };
  const standing = columns
    .filter((piece) => piece.level === level.id)
    .map((piece) => facts.one(sectionRing(piece.section, piece.at, piece.turnDeg)))
    .filter(reachesIn);
  const open = shafts
    .flatMap(({ cuts }) => cuts.filter((cut) => cut.level === level.id).map((cut) => cut.ring))
    .filter(reachesIn);
  const taken = [...new Set([...holes.map((hole) => facts.one(counterClockwise(hole))), ...standing, ...open])];
  const key = `net ${facts.textOf(ring)}|${taken
    .map((each) => facts.textOf(each))
    .sort()
    .join('|')}`;
  const { areaMm2, centroid } = union(key, [ring], taken);
  return {
    building: level.record.building,
    level: level.id,
    room: tag?.room.id ?? null,
    number: tag ? numberAt(tag.room, given, level) : '',
    name: tag?.room.name ?? '',
    use: tag?.room.use ?? '',
    ring,
    holes,
    netMm2: areaMm2,
    perimeterMm: ringPerimeter(ring),
    at: tag?.at ?? centroid,
    isCarried,
  };
}

/** A room's number at a level: one that begins with its own level's name begins with this one's here. */
function numberAt({ number, level: own }: Room, { storeys }: Given, level: ResolvedLevel): string {
  const from = storeys.find(({ id }) => id === own)?.record.name;
  return from !== undefined && number.startsWith(`${from}.`)
    ? `${level.record.name}${number.slice(from.length)}`
    : number;
}

function outside(room: Room, level: ResolvedLevel): Finding {
  const message = `Room ${room.number} ${room.name} at level ${level.record.name} lies in no closed region of walls. Close the walls round it, or move its tag`;
  return finding('room.open', room.building, level.id, [room.id], message, [deleteFix(room)]);
}

const deleteFix = ({ id, number, name }: Room): Fix => ({
  words: `Delete the tag ${number} ${name}`,
  command: 'elements.remove',
  input: { ids: [id] },
});

function twice(rooms: readonly Room[], level: ResolvedLevel): Finding {
  const names = rooms.map(({ number, name }) => `${number} ${name}`).join(' and ');
  const message = `${names} at level ${level.record.name} are one region. Put a wall or a boundary line between them`;
  return finding(
    'room.twice',
    level.record.building,
    level.id,
    rooms.map(({ id }) => id),
    message,
    rooms.slice(1).map(deleteFix),
  );
}
