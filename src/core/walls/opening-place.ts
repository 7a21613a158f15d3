import { mmOf } from '../dimensions/resolve-length';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { contains, counterClockwise, distanceToSegment, type Ring } from '../geometry/polygon';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';
import { holdsLevel } from '../typical/typical';
import { quantiseMm } from '../units/length-units';
import type { SolvedOpening, WallPiece } from './solved-wall';
import type { Wall, WallOpening } from './wall';
import { wallPath, type WallPath } from './wall-path';

/** What is placed: sizes in mm, and how it is hung. */
export type OpeningToPlace = Pick<WallOpening, 'opening' | 'leaves' | 'hand' | 'opens'> & {
  widthMm: number;
  heightMm: number;
  sillMm: number;
};

/** What bounds the room for an opening on one side, and how far it is from the opening's near side. */
export interface Beside {
  mm: number;
  words: string;
}

/** A place for an opening in the wall that is pointed at. */
export interface OpeningPlace {
  wall: Id;
  wallName: string;
  /** From the start of the path to the nearer side, as `walls.addOpening` takes it. */
  alongMm: number;
  before: Beside;
  after: Beside;
  /** Why it cannot be there, in words; null where it can. */
  refused: string | null;
  /** As it will be drawn. */
  drawn: SolvedOpening;
  /** Its middle, on the middle of the wall. */
  at: Point;
}

/** A free stretch of a straight part of a wall. */
interface Room {
  part: number;
  /** Of the part's start along the path. */
  baseMm: number;
  from: { mm: number; words: string };
  to: { mm: number; words: string };
  /** Where it is pointed at, along the path. */
  pointedMm: number;
}

/** An opening this near to the middle of its room is put there, as a part of the room's length. */
const NEAR_MIDDLE = 0.04;

/** Where a plan is cut over its floor, mm. */
const CUT_MM = 1200;

/**
 * The place in the wall under a point for an opening: in the free stretch that is pointed at, at a round distance from the nearer end of
 * it or in its middle; with a distance given, exactly so far from that end. Null where there is no wall within reach.
 */
export function openingPlace(
  framework: Framework,
  solved: Solved,
  level: Id,
  point: Point,
  wanted: OpeningToPlace,
  { reachMm, stepMm, fromEndMm }: { reachMm: number; stepMm: number; fromEndMm?: number },
): OpeningPlace | null {
  const here = solved.levels.find(({ id }) => id === level);
  const piece = here && wallUnder(solved, here, point, reachMm);
  const record = piece && recordOf(framework, 'wall', piece.wall);
  const path = record && wallPath(framework, { ...record, type: piece.type });
  if (!here || !piece || !path) return null;
  const room = roomAt(framework, record, path, level, point);
  const { widthMm } = wanted;
  const alongMm = startIn(room, widthMm, stepMm, fromEndMm);
  const [low, high] = [room.from.mm, room.to.mm];
  const isOutside = alongMm < low - 1e-6 || alongMm + widthMm > high + 1e-6;
  const drawn = asDrawn(path, room, alongMm, wanted, here);
  return {
    wall: record.id,
    wallName: record.name,
    alongMm,
    before: { mm: quantiseMm(alongMm - low), words: room.from.words },
    after: { mm: quantiseMm(high - alongMm - widthMm), words: room.to.words },
    refused: isOutside ? `There is no room for it between ${room.from.words} and ${room.to.words}` : null,
    drawn,
    at: times(plus(drawn.ends[0], drawn.ends[1]), 0.5),
  };
}

/** Where an opening begins that is pointed to in its room: at a round distance from the nearer end, in the middle, or so far from the end. */
function startIn({ from, to, pointedMm }: Room, widthMm: number, stepMm: number, fromEndMm?: number): number {
  const [low, high] = [from.mm, to.mm];
  const free = high - low;
  const isRoom = free >= widthMm - 1e-6;
  const start = pointedMm - widthMm / 2;
  const isNearerStart = pointedMm - low <= high - pointedMm;
  const stepped =
    Math.abs(pointedMm - (low + high) / 2) < free * NEAR_MIDDLE
      ? (low + high - widthMm) / 2
      : isNearerStart
        ? low + Math.round((start - low) / stepMm) * stepMm
        : high - widthMm - Math.round((high - widthMm - start) / stepMm) * stepMm;
  const asked = fromEndMm === undefined ? stepped : isNearerStart ? low + fromEndMm : high - widthMm - fromEndMm;
  return quantiseMm(isRoom && fromEndMm === undefined ? Math.max(low, Math.min(high - widthMm, asked)) : asked);
}

/** Where an opening of a wall comes to be that is slid to a point: in the room between its neighbours there; null where it has none. */
export function slidTo(
  framework: Framework,
  wall: Wall,
  opening: WallOpening,
  { level, point, stepMm }: { level: Id; point: Point; stepMm: number },
): Pick<OpeningPlace, 'alongMm' | 'before' | 'after'> | null {
  const path = wallPath(framework, wall);
  if (!path) return null;
  const others = { ...wall, openings: wall.openings.filter(({ id }) => id !== opening.id) };
  const room = roomAt(framework, others, path, level, point);
  const widthMm = mmOf(framework, opening.widthMm);
  if (room.to.mm - room.from.mm < widthMm - 1e-6) return null;
  const alongMm = startIn(room, widthMm, stepMm);
  return {
    alongMm,
    before: { mm: quantiseMm(alongMm - room.from.mm), words: room.from.words },
    after: { mm: quantiseMm(room.to.mm - alongMm - widthMm), words: room.to.words },
  };
}

/** The wall that is cut at a level under a point, or the nearest within reach. */
function wallUnder(
  solved: Solved,
  { id, building, fflMm }: Solved['levels'][number],
  point: Point,
  reachMm: number,
): WallPiece | null {
  let best: WallPiece | null = null;
  let least = reachMm;
  for (const piece of solved.walls) {
    const isCut = piece.bottomMm < fflMm + CUT_MM && piece.topMm > fflMm + 1;
    if (piece.building !== building || (piece.level !== id && !isCut)) continue;
    for (const strip of piece.strips) {
      const gap = contains(strip, point) ? 0 : ringDistance(strip, point);
      if (gap > least || (gap === least && best)) continue;
      least = gap;
      best = piece;
    }
  }
  return best;
}

const ringDistance = (ring: Ring, point: Point): number =>
  Math.min(...ring.map((corner, i) => distanceToSegment(point, corner, ring[(i + 1) % ring.length]!)));

/** The free stretch of the straight part nearest to a point, between corners and openings that are there at the level. */
function roomAt(framework: Framework, wall: Wall, path: WallPath, level: Id, point: Point): Room {
  const n = path.points.length;
  let [part, baseMm, pointedMm, least] = [0, 0, 0, Number.POSITIVE_INFINITY];
  let run = 0;
  for (let i = 0; i < (path.closed ? n : n - 1); i += 1) {
    const [a, b] = [path.points[i]!, path.points[(i + 1) % n]!];
    const length = distance(a, b);
    const gap = distanceToSegment(point, a, b);
    if (gap < least) {
      least = gap;
      part = i;
      baseMm = run;
      pointedMm = run + Math.max(0, Math.min(length, dot(minus(point, a), minus(b, a)) / (length || 1)));
    }
    run += length;
  }
  const [a, b] = [path.points[part]!, path.points[(part + 1) % n]!];
  const endWords = (isEnd: boolean) => `the ${isEnd ? 'end' : 'corner'} of wall ${wall.name}`;
  let from = { mm: baseMm, words: endWords(!path.closed && part === 0) };
  let to = { mm: baseMm + distance(a, b), words: endWords(!path.closed && part === n - 2) };
  for (const opening of wall.openings) {
    if (opening.at !== 'all' && !holdsLevel(framework, opening.at, level)) continue;
    const start = mmOf(framework, opening.alongMm);
    const end = start + mmOf(framework, opening.widthMm);
    const isBefore = (start + end) / 2 <= pointedMm;
    if (isBefore && end > from.mm && end <= to.mm + 1e-6) from = { mm: end, words: opening.name };
    if (!isBefore && start < to.mm && start >= from.mm - 1e-6) to = { mm: start, words: opening.name };
  }
  return { part, baseMm, from, to, pointedMm };
}

function asDrawn(
  path: WallPath,
  { part, baseMm }: Room,
  alongMm: number,
  { widthMm, heightMm, sillMm, ...hung }: OpeningToPlace,
  { id, fflMm }: Solved['levels'][number],
): SolvedOpening {
  const [a, b] = [path.points[part]!, path.points[(part + 1) % path.points.length]!];
  const along = times(minus(b, a), 1 / (distance(a, b) || 1));
  const left = { x: -along.y, y: along.x };
  const [outer, inner] = [path.leftOf(0), path.leftOf(path.build.thicknessMm)];
  const at = (mm: number, leftMm: number) => plus(plus(a, times(along, mm - baseMm)), times(left, leftMm));
  const corner = [at(alongMm, outer), at(alongMm + widthMm, outer), at(alongMm + widthMm, inner), at(alongMm, inner)];
  const middle = (outer + inner) / 2;
  return {
    ...hung,
    id: '' as Id,
    name: '',
    level: id,
    ring: counterClockwise(corner),
    ends: [at(alongMm, middle), at(alongMm + widthMm, middle)],
    inwards: times(left, outer > inner ? -1 : 1),
    widthMm,
    thicknessMm: path.build.thicknessMm,
    bottomMm: fflMm + sillMm,
    topMm: fflMm + sillMm + heightMm,
  };
}
