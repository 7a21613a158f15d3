import { unionLess, type Region } from '../geometry/boolean';
import { clippedTo, lessNear, whereMore } from '../geometry/convex-clip';
import { convexParts } from '../geometry/convex-parts';
import { distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { bounds, ringArea, type Ring } from '../geometry/polygon';
import { left } from '../roof-planes/edges';

/** Where water goes: an outlet (both ends one place), or an edge it falls to. `along`: the axis its planes stand square to, unit length. */
export interface Sink {
  from: Point;
  to: Point;
  along: Point;
}

/** What falls to one side of a sink, in one plane. */
export interface FallFace {
  sink: number;
  /** Square to its level lines, unit length. */
  uphill: Point;
  /** A place at the height of its sink. */
  foot: Point;
  /** Convex, counter-clockwise. */
  pieces: readonly Ring[];
  areaMm2: number;
}

interface Side {
  uphill: Point;
  foot: Point;
}

/** Less than this is nothing, mm² and mm. */
const LEAST_MM2 = 10;
const ALIKE_MM = 1e-3;

/** How far a place lies from the foot of a side, along its fall. */
export const runOn = ({ uphill, foot }: Side, at: Point): number => dot(uphill, minus(at, foot));

/** The four planes that fall to a sink. */
const sidesOf = ({ from, to, along }: Sink): Side[] => {
  const across = left(along);
  return [
    { uphill: across, foot: from },
    { uphill: times(across, -1), foot: from },
    { uphill: along, foot: to },
    { uphill: times(along, -1), foot: from },
  ];
};

const isSame = (a: Side, b: Side): boolean =>
  Math.abs(dot(a.uphill, b.uphill) - 1) < 1e-9 && Math.abs(runOn(a, b.foot)) < ALIKE_MM;

/** Rings clipped to where something even is nothing or more; slivers are left out. */
const clipped = (rings: readonly (readonly Point[])[], value: (at: Point) => number): Point[][] =>
  rings.flatMap((ring) => {
    const more = whereMore(ring, value);
    // Corners upon one another would make sides that lead anywhere.
    const apart = more.filter((at, i) => distance(at, more[(i + 1) % more.length]!) > ALIKE_MM);
    return apart.length > 2 && Math.abs(ringArea(apart)) > LEAST_MM2 ? [apart] : [];
  });

/** What of a box one side of a sink has: where it is the greatest of its sink's sides, and its sink the nearest. */
function cellsOf(sinks: readonly (readonly Side[])[], own: number, side: Side, box: Ring): Point[][] {
  const others = sinks[own]!.filter((each) => each !== side);
  let cells: Point[][] = others.reduce<Point[][]>(
    (rings, other) => clipped(rings, (at) => runOn(side, at) - runOn(other, at)),
    [[...box]],
  );
  sinks.forEach((sides, j) => {
    if (j === own) return;
    cells = cells.flatMap((cell) =>
      sides.flatMap((greatest) => {
        const there = sides
          .filter((each) => each !== greatest)
          .reduce<Point[][]>((rings, other) => clipped(rings, (at) => runOn(greatest, at) - runOn(other, at)), [cell]);
        if (isSame(side, greatest)) {
          // Both lie in one plane: halfway between.
          const [mine, theirs] = [middleOf(sinks[own]!), middleOf(sides)];
          const way = minus(mine, theirs);
          const middle = times(plus(mine, theirs), 0.5);
          return clipped(there, (at) => dot(minus(at, middle), way));
        }
        return clipped(there, (at) => runOn(greatest, at) - runOn(side, at));
      }),
    );
  });
  return cells;
}

const middleOf = (sides: readonly Side[]): Point => times(plus(sides[2]!.foot, sides[3]!.foot), 0.5);

/** A region as convex rings, and its holes as such. */
interface Parts {
  solid: readonly Ring[];
  open: readonly Ring[];
}

/** What a convex cell shares with a region, in convex rings. */
const within = ({ solid, open }: Parts, cell: Ring): Ring[] =>
  solid
    .map((part) => clippedTo(part, cell))
    .filter((ring) => ring.length > 2 && Math.abs(ringArea(ring)) > LEAST_MM2)
    .flatMap((ring) => open.reduce<Ring[]>((left, hole) => left.flatMap((each) => lessNear(each, hole)), [ring]))
    .filter((ring) => ring.length > 2 && Math.abs(ringArea(ring)) > LEAST_MM2);

/**
 * Planes of one fall over some regions, down to the nearest sink: the height over the sinks at a place is the fall times the least of its
 * distances to them, each the greatest of four square to an axis. No place is lower than all about it but at a sink, or where an edge of the
 * regions is in the way.
 */
export function fallFaces(regions: readonly Region[], sinks: readonly Sink[]): FallFace[] {
  if (regions.length === 0) return [];
  const { minX, minY, maxX, maxY } = bounds(regions.flatMap(({ outer }) => outer));
  const box: Ring = [
    { x: minX - 1, y: minY - 1 },
    { x: maxX + 1, y: minY - 1 },
    { x: maxX + 1, y: maxY + 1 },
    { x: minX - 1, y: maxY + 1 },
  ];
  const parts = regions.map(({ outer, holes }) => ({
    solid: convexParts(outer),
    open: holes.flatMap((hole) => convexParts(hole)),
  }));
  const all = withoutTwins(sinks).map(sidesOf);
  return all.flatMap((sides, sink) =>
    sides.flatMap((side): FallFace[] => {
      const cells = cellsOf(all, sink, side, box);
      const pieces = cells.flatMap((cell) => parts.flatMap((part) => within(part, cell)));
      const areaMm2 = pieces.reduce((sum, ring) => sum + Math.abs(ringArea(ring)), 0);
      return areaMm2 > LEAST_MM2 ? [{ sink, ...side, pieces, areaMm2 }] : [];
    }),
  );
}

/** A sink that is there twice is one. */
const withoutTwins = (sinks: readonly Sink[]): Sink[] =>
  sinks.filter(
    (sink, i) =>
      !sinks.slice(0, i).some((other) => {
        const near = (a: Point, b: Point) => Math.abs(a.x - b.x) < 1 && Math.abs(a.y - b.y) < 1;
        return near(sink.from, other.from) && near(sink.to, other.to);
      }),
  );

/** A face's outlines in plan. */
export const outlinesOf = ({ pieces }: FallFace): Region[] => unionLess(pieces, []).regions;
