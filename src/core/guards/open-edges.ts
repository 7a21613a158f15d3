import { cross, distance, dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { contains, counterClockwise, ringArea, type Ring } from '../geometry/polygon';
import type { Region } from '../geometry/boolean';
import type { Id } from '../model/ids';

/** A floor at a level, in plan, with what its openings are of. */
export interface FloorEdges {
  plate: Id;
  regions: readonly Region[];
  holes: readonly { by: Id | null; ring: Ring }[];
}

/** Where one walks over an edge: off a stair or ramp, or onto one. */
export interface Mouth {
  at: Point;
  along: Point;
  widthMm: number;
}

export interface EdgesGiven {
  floors: readonly FloorEdges[];
  /** What stands along an edge and closes it: walls, guards drawn by hand. */
  covers: readonly Ring[];
  mouths: readonly Mouth[];
}

/** A stretch of an edge that nothing closes, whatever lies beyond it. */
export interface BareEdge {
  from: Point;
  to: Point;
  /** A place just beyond its middle. */
  beyond: Point;
  by: Id | null;
  isOpening: boolean;
}

/** The bare stretches round one ring of a floor, in their order. */
export interface BareRing {
  plate: Id;
  edges: BareEdge[];
}

/** A run of open edge, counter-clockwise about the floor: floor to its left, the drop to its right. */
export interface EdgeRun {
  points: Point[];
  isClosed: boolean;
  plate: Id;
  isOpening: boolean;
  /** What the opening is of; null: a void of its own, or no opening. */
  by: Id | null;
  /** The largest drop along it. */
  dropMm: number;
}

/** What stands so near to an edge closes it, on either side, mm. */
const COVER_MM = [-250, -120, -20, 20, 120, 250];
/** Floor goes on where there is some this far beyond an edge, mm. */
const BEYOND_MM = 30;
/** A mouth this near to an edge is over it, mm. */
const MOUTH_MM = 150;
/** Shorter runs than this are none, mm: corners beside walls, an eye between two flights. */
const LEAST_MM = 250;

type Piece = BareEdge & { dropMm: number };

/** What of the edges of a level's floors nothing closes: plan alone, so that levels that move ask nothing new. */
export function bareEdges(given: EdgesGiven): BareRing[] {
  return given.floors.flatMap((floor) =>
    floor.regions.flatMap(({ outer, holes }) =>
      [
        // The floor to the left: counter-clockwise outside, clockwise round a hole.
        { ring: counterClockwise(outer), isOpening: false },
        ...holes.map((hole) => ({ ring: [...counterClockwise(hole)].reverse(), isOpening: true })),
      ].map(({ ring, isOpening }) => ({
        plate: floor.plate,
        edges: ring.flatMap((from, i) => bareStretches(from, ring[(i + 1) % ring.length]!, floor, isOpening, given)),
      })),
    ),
  );
}

/** The open edges among bare ones: along them one could fall further than is allowed. Joined where they follow one another. */
export function openEdges(rings: readonly BareRing[], dropAt: (point: Point) => number, dropMm: number): EdgeRun[] {
  return rings.flatMap(({ plate, edges }) =>
    runsOf(
      plate,
      edges.flatMap((edge): Piece[] => {
        const drop = dropAt(edge.beyond);
        return drop > dropMm ? [{ ...edge, dropMm: drop }] : [];
      }),
    ),
  );
}

function runsOf(plate: Id, pieces: readonly Piece[]): EdgeRun[] {
  if (pieces.length === 0) return [];
  const runs: Piece[][] = [];
  for (const piece of pieces) {
    const last = runs.at(-1)?.at(-1);
    if (last && meet(last.to, piece.from) && last.by === piece.by) runs.at(-1)!.push(piece);
    else runs.push([piece]);
  }
  // The last may go on into the first.
  const [first, last] = [runs[0]!, runs.at(-1)!];
  const goesRound = meet(last.at(-1)!.to, first[0]!.from) && last.at(-1)!.by === first[0]!.by;
  const isAllRound = goesRound && runs.length === 1;
  if (goesRound && runs.length > 1) runs[0] = [...runs.pop()!, ...first];
  return runs.flatMap((run): EdgeRun[] => {
    const isClosed = isAllRound && run.length > 2;
    const points = [run[0]!.from, ...run.map(({ to }) => to)];
    const length = run.reduce((sum, { from, to }) => sum + distance(from, to), 0);
    if (length < LEAST_MM) return [];
    return [
      {
        points: straightened(isClosed ? points.slice(0, -1) : points, isClosed),
        isClosed,
        plate,
        isOpening: run[0]!.isOpening,
        by: run[0]!.by,
        dropMm: Math.max(...run.map(({ dropMm }) => dropMm)),
      },
    ];
  });
}

const meet = (a: Point, b: Point): boolean => distance(a, b) < 0.5;

/** Without corners on a straight line. */
function straightened(points: readonly Point[], isClosed: boolean): Point[] {
  return points.filter((point, i) => {
    const [before, after] = [
      points[i - 1] ?? (isClosed ? points.at(-1) : undefined),
      points[i + 1] ?? (isClosed ? points[0] : undefined),
    ];
    if (!before || !after) return true;
    const [u, v] = [minus(point, before), minus(after, point)];
    return Math.abs(cross(u, v)) > 1e-3 * lengthOf(u) * lengthOf(v) || dot(u, v) < 0;
  });
}

/** The bare stretches of one edge, in its direction. */
function bareStretches(from: Point, to: Point, floor: FloorEdges, isOpening: boolean, given: EdgesGiven): BareEdge[] {
  const way = minus(to, from);
  const length = lengthOf(way);
  if (length < 1) return [];
  const along = times(way, 1 / length);
  // Outwards: the floor is to the left.
  const right: Point = { x: along.y, y: -along.x };
  const at = (mm: number, out: number): Point => plus(from, plus(times(along, mm), times(right, out)));
  // A piece of slab between openings has them round it too.
  const by = openingAt(floor, at(length / 2, 1));
  const stops = new Set([0, length]);
  const add = (mm: number) => mm > 0 && mm < length && stops.add(mm);
  const others = given.floors.flatMap(({ regions }) => regions.flatMap(({ outer, holes }) => [outer, ...holes]));
  for (const out of COVER_MM) for (const ring of given.covers) crossings(at(0, out), along, length, ring).forEach(add);
  for (const ring of others) crossings(at(0, BEYOND_MM), along, length, ring).forEach(add);
  const mouths = given.mouths.flatMap((mouth): [number, number][] => {
    const off = minus(mouth.at, from);
    if (Math.abs(dot(off, right)) > MOUTH_MM || Math.abs(dot(mouth.along, right)) < 0.5) return [];
    const centre = dot(off, along);
    const half = mouth.widthMm / 2 + 1;
    return [[centre - half, centre + half]];
  });
  mouths.flat().forEach(add);
  const sorted = [...stops].sort((a, b) => a - b);
  return sorted.flatMap((start, i): BareEdge[] => {
    const end = sorted[i + 1];
    if (end === undefined || end - start < 1) return [];
    const mid = (start + end) / 2;
    const isClosed =
      mouths.some(([low, high]) => mid > low && mid < high) ||
      COVER_MM.some((out) => given.covers.some((ring) => contains(ring, at(mid, out)))) ||
      given.floors.some((each) => isFloor(each, at(mid, BEYOND_MM)));
    if (isClosed) return [];
    const beyond = at(mid, BEYOND_MM);
    return [{ from: at(start, 0), to: at(end, 0), beyond, by, isOpening: isOpening || by !== null }];
  });
}

/** What makes the opening a place is in: of several about it the closest. */
function openingAt({ holes }: FloorEdges, point: Point): Id | null {
  const about = holes.filter(({ ring }) => contains(ring, point));
  return about.sort((a, b) => Math.abs(ringArea(a.ring)) - Math.abs(ringArea(b.ring)))[0]?.by ?? null;
}

export const isFloor = ({ regions }: Pick<FloorEdges, 'regions'>, point: Point): boolean =>
  regions.some(({ outer, holes }) => contains(outer, point) && !holes.some((hole) => contains(hole, point)));

/** Where a line goes over the edges of a ring, along it. */
function crossings(start: Point, along: Point, length: number, ring: Ring): number[] {
  return ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [da, db] = [cross(along, minus(a, start)), cross(along, minus(b, start))];
    if (da > 0 === db > 0) return [];
    const mm = dot(minus(plus(a, times(minus(b, a), da / (da - db))), start), along);
    return mm > 0 && mm < length ? [mm] : [];
  });
}
