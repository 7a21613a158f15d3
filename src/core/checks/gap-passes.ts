import { walls } from '../ceilings/ceiling-passes';
import { intersection } from '../geometry/boolean';
import { dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, counterClockwise, ringGap, type Box, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { recordOf } from '../model/framework';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { storeysOf } from '../solving/building-passes';
import { formatLength } from '../units/format-length';
import { CLOSED_MM } from '../walls/joins';
import type { Wall } from '../walls/wall';
import { stripsOf, type WallPath } from '../walls/wall-path';
import { drawnPass } from '../walls/wall-plans';
import { finding, type Finding } from './finding';
import { cornerFix } from './wall-end-fix';

/** A gap up to this between the end of a wall and another wall is hardly meant, mm. */
const GAP_MM = 50;
const NONE: readonly Gap[] = [];

/** An end of a wall that stops short of another one. */
interface Gap {
  wall: Id;
  other: Id;
  byMm: number;
  /** The corner of the path that is its end. */
  i: number;
  to: Point;
}

/** An end of a wall: its face from side to side, and the way out. */
interface End {
  i: number;
  at: Point;
  face: readonly [Point, Point];
  out: Point;
}

function endsOf(path: WallPath): End[] {
  const { points, build } = path;
  const end = (i: number, inner: number): End => {
    const way = minus(points[i]!, points[inner]!);
    const out = times(way, 1 / (lengthOf(way) || 1));
    // To the left of the path, which at its start goes the other way.
    const left = i === 0 ? { x: out.y, y: -out.x } : { x: -out.y, y: out.x };
    const side = (depthMm: number) => plus(points[i]!, times(left, path.leftOf(depthMm)));
    return { i, at: points[i]!, face: [side(0), side(build.thicknessMm)], out };
  };
  return path.closed ? [] : [end(0, 1), end(points.length - 1, points.length - 2)];
}

/** What lies before an end, as far as a gap may be. */
const beyond = ({ face: [a, b], out }: End, byMm: number): Ring =>
  counterClockwise([a, b, plus(b, times(out, byMm)), plus(a, times(out, byMm))]);

/** Ends look for walls in squares of this size, mm. */
const SQUARE_MM = 1500;

/** The squares a box covers, made larger on all sides, as numbers: two may have one number, for they are looked at again. */
function squaresOf({ minX, minY, maxX, maxY }: Box, byMm: number): number[] {
  const at = (mm: number) => Math.floor(mm / SQUARE_MM);
  const found: number[] = [];
  for (let x = at(minX - byMm); x <= at(maxX + byMm); x += 1)
    for (let y = at(minY - byMm); y <= at(maxY + byMm); y += 1) found.push(x * 2_000_003 + y);
  return found;
}

/** A ring with the number of its shape, its box, and the squares it is in reach of. */
interface Placed {
  ring: Ring;
  number: number;
  box: Box;
  squares: readonly number[];
}

/** Straight parts of a wall from side to side, and its ends with what lies before each. */
interface DrawnEnds {
  path: WallPath;
  strips: readonly Placed[];
  ends: readonly (End & { ahead: Placed })[];
}

/** A wall as drawn, from side to side and before its ends; by building and id. The storeys it stands in share it. */
const drawnEndsPass = definePass({
  name: 'wall as drawn from side to side, and its ends',
  scope: 'thing',
  run: (cx, key): DrawnEnds | null => {
    const path = cx.get(drawnPass, key)?.path;
    if (!path) return null;
    const placed = (drawn: Ring, byMm: number): Placed => {
      const ring = cx.facts.one(drawn);
      const box = bounds(ring);
      return { ring, number: cx.facts.numberOf(ring), box, squares: squaresOf(box, byMm) };
    };
    return {
      path,
      strips: stripsOf(path, 0, path.build.thicknessMm).map((ring) => placed(ring, GAP_MM)),
      ends: endsOf(path).map((end) => ({ ...end, ahead: placed(beyond(end, GAP_MM), 0) })),
    };
  },
});

/** A straight part of a wall that stands in a storey. */
interface Stands {
  wall: Id;
  bottomMm: number;
  topMm: number;
  strip: Placed;
}

/** Walls of a storey by the squares their straight parts lie in. */
function bySquares(cx: Context, building: Id, key: string): Map<number, Stands[]> {
  const found = new Map<number, Stands[]>();
  for (const { wall, bottomMm, topMm } of cx.get(walls.band, key))
    for (const strip of cx.get(drawnEndsPass, keyOf(building, wall))?.strips ?? []) {
      const stands = { wall, bottomMm, topMm, strip };
      for (const cell of strip.squares) {
        const list = found.get(cell);
        if (list) list.push(stands);
        else found.set(cell, [stands]);
      }
    }
  return found;
}

/** What stands within reach before an end, between the same heights. */
function before(
  squares: ReadonlyMap<number, Stands[]>,
  own: Pick<Stands, 'wall' | 'bottomMm' | 'topMm'>,
  ahead: Placed,
): Stands[] {
  const found: Stands[] = [];
  for (const cell of ahead.squares)
    for (const other of squares.get(cell) ?? [])
      if (
        other.wall !== own.wall &&
        other.bottomMm < own.topMm - 1 &&
        other.topMm > own.bottomMm + 1 &&
        boxesMeet(other.strip.box, ahead.box) &&
        !found.includes(other)
      )
        found.push(other);
  return found;
}

/** How far before an end the nearest of some rings begins, and which that is; null where none does or one touches it. */
function nearest(end: End, ahead: Ring, strips: readonly Ring[]): { nth: number; byMm: number } | null {
  const touch = beyond(end, CLOSED_MM);
  if (strips.some((strip) => ringGap(strip, touch) < 1e-3)) return null;
  let least: { nth: number; byMm: number } | null = null;
  strips.forEach((strip, nth) => {
    for (const { outer } of intersection(ahead, strip).regions) {
      const byMm = Math.min(...outer.map((point) => dot(minus(point, end.at), end.out)));
      if (!least || byMm < least.byMm) least = { nth, byMm };
    }
  });
  return least;
}

/** Ends of walls of a storey that stop short of another wall there; by building and level. */
const gapsPass: Pass<readonly Gap[]> = definePass<readonly Gap[]>({
  name: 'gaps between walls of a storey',
  scope: 'level',
  run: (cx, key) => {
    const [building, level] = partsOf(key);
    const same = cx.get(walls.alike, key);
    if (same !== level) return cx.get(gapsPass, keyOf(building, same));
    const squares = bySquares(cx, building, key);
    const found = cx.get(walls.band, key).flatMap((own): Gap[] => {
      const drawn = cx.get(drawnEndsPass, keyOf(building, own.wall));
      return (drawn?.ends ?? []).flatMap((end): Gap[] => {
        const near = before(squares, own, end.ahead);
        if (near.length === 0) return [];
        // Storeys with the same walls about an end are looked at once.
        const text = near.map(({ strip }) => strip.number).join(' ');
        const gap = cx.remembered.of(`gap ${end.ahead.number} ${end.out.x} ${end.out.y}|${text}`, () =>
          nearest(
            end,
            end.ahead.ring,
            near.map(({ strip }) => strip.ring),
          ),
        );
        if (!gap || gap.byMm <= CLOSED_MM) return [];
        const to = plus(end.at, times(end.out, gap.byMm));
        return [{ wall: own.wall, other: near[gap.nth]!.wall, byMm: gap.byMm, i: end.i, to }];
      });
    });
    return found.length === 0 ? NONE : found;
  },
});

export const gapFindingsPass = definePass<readonly Finding[]>({
  name: 'check of gaps between walls',
  scope: 'building',
  run: (cx, building) => {
    const said = new Set<string>();
    return storeysOf(cx, building).flatMap(({ id: level }) =>
      cx.get(gapsPass, keyOf(building, level)).flatMap((gap): Finding[] => {
        const [record, other] = [gap.wall, gap.other].map((id) => recordOf(cx.framework, 'wall', id));
        // Two ends that face each other leave one gap, in all storeys of both.
        const pair = [gap.wall, gap.other].sort().join(' ');
        if (record?.building !== building || !other || said.has(pair)) return [];
        said.add(pair);
        return [gapFinding(record, other, gap, cx.get(drawnPass, keyOf(building, gap.wall))!.path)];
      }),
    );
  },
  failing: (_, building) => ({ what: 'The check of gaps between walls', building, about: [], value: [] }),
});

/** What is said of a gap, with the wall drawn on to the other. */
function gapFinding(record: Wall, other: Wall, { byMm, i, to }: Gap, path: WallPath): Finding {
  return finding(
    'wall.loopGap',
    record.building,
    record.startsAt.level,
    [record.id, other.id],
    `Between the end of wall ${record.name} and wall ${other.name} is a gap of ${formatLength(Math.round(byMm * 10) / 10)} mm. Bring them together`,
    [cornerFix(`Bring ${record.name} to ${other.name}`, record, path, i, to)],
  );
}
