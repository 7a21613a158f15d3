import { walls } from '../ceilings/ceiling-passes';
import { intersection } from '../geometry/boolean';
import { dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, counterClockwise, ringGap, type Box, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { recordOf } from '../model/framework';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
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

/** A wall as drawn, with the ring of each of its straight parts; by building and id. */
const drawnStripsPass = definePass({
  name: 'wall as drawn from side to side',
  scope: 'thing',
  run: (cx, key): readonly Ring[] => {
    const path = cx.get(drawnPass, key)?.path;
    return path ? stripsOf(path, 0, path.build.thicknessMm).map((ring) => cx.facts.one(ring)) : [];
  },
});

/** A wall that stands in a storey, from side to side. */
interface Stands {
  wall: Id;
  bottomMm: number;
  topMm: number;
  strip: Ring;
  box: Box;
}

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

/** Walls of a storey by the squares their straight parts lie in. */
function bySquares(cx: Context, building: Id, key: string): Map<number, Stands[]> {
  const found = new Map<number, Stands[]>();
  for (const { wall, bottomMm, topMm } of cx.get(walls.band, key))
    for (const strip of cx.get(drawnStripsPass, keyOf(building, wall))) {
      const stands = { wall, bottomMm, topMm, strip, box: bounds(strip) };
      for (const cell of squaresOf(stands.box, GAP_MM)) {
        const list = found.get(cell);
        if (list) list.push(stands);
        else found.set(cell, [stands]);
      }
    }
  return found;
}

/** What stands within reach before an end, between the same heights. */
function before(squares: ReadonlyMap<number, Stands[]>, own: Pick<Stands, 'wall' | 'bottomMm' | 'topMm'>, ahead: Ring) {
  const box = bounds(ahead);
  const near = new Set(squaresOf(box, 0).flatMap((cell) => squares.get(cell) ?? []));
  return [...near].filter(
    (other) =>
      other.wall !== own.wall &&
      boxesMeet(other.box, box) &&
      other.bottomMm < own.topMm - 1 &&
      other.topMm > own.bottomMm + 1,
  );
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
const gapsPass = definePass({
  name: 'gaps between walls of a storey',
  scope: 'level',
  run: (cx, key): readonly Gap[] => {
    const [building] = partsOf(key);
    const squares = bySquares(cx, building, key);
    const found = cx.get(walls.band, key).flatMap((own): Gap[] => {
      const path = cx.get(drawnPass, keyOf(building, own.wall))?.path;
      if (!path) return [];
      return endsOf(path).flatMap((end): Gap[] => {
        const ahead = cx.facts.one(beyond(end, GAP_MM));
        const near = before(squares, own, ahead);
        if (near.length === 0) return [];
        // Storeys with the same walls about an end are looked at once.
        const text = near.map(({ strip }) => cx.facts.numberOf(strip)).join(' ');
        const gap = cx.remembered.of(`gap ${cx.facts.numberOf(ahead)} ${end.out.x} ${end.out.y}|${text}`, () =>
          nearest(
            end,
            ahead,
            near.map(({ strip }) => strip),
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
