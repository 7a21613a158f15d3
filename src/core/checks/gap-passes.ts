import { walls } from '../ceilings/ceiling-passes';
import { intersection } from '../geometry/boolean';
import { dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, counterClockwise, ringGap, type Box, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { recordOf } from '../model/framework';
import { definePass, keyOf, partsOf } from '../passes/pass';
import { storeysOf } from '../solving/building-passes';
import { formatLength } from '../units/format-length';
import { CLOSED_MM } from '../walls/joins';
import type { Wall } from '../walls/wall';
import { stripsOf, type WallPath } from '../walls/wall-path';
import { sharingNear } from '../walls/wall-squares';
import { drawnPass, wallIdsPass } from '../walls/walls-standing';
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

/** Straight parts of a wall as drawn from side to side, with the box of each, and its ends. */
interface DrawnEnds {
  strips: readonly { ring: Ring; box: Box }[];
  ends: readonly End[];
}

/** A wall as drawn, from side to side; by building and id. */
const drawnEndsPass = definePass({
  name: 'wall as drawn from side to side, and its ends',
  scope: 'thing',
  run: (cx, key): DrawnEnds | null => {
    const path = cx.get(drawnPass, key)?.path;
    if (!path) return null;
    const strips = stripsOf(path, 0, path.build.thicknessMm).map((ring) => ({ ring, box: bounds(ring) }));
    return { strips, ends: endsOf(path) };
  },
});

/** An end that some walls touch and that stops short of others, wherever they all stand; the nearest first. */
interface ShortEnd {
  i: number;
  at: Point;
  out: Point;
  touching: readonly Id[];
  gaps: readonly { other: Id; byMm: number }[];
}

/** How far before an end a wall begins: 0 where it touches it, null where it lies farther off. */
function beginsBefore(end: End, ahead: Ring, aheadBox: Box, { strips }: DrawnEnds): number | null {
  const near = strips.filter(({ box }) => boxesMeet(box, aheadBox));
  if (near.length === 0) return null;
  const touch = beyond(end, CLOSED_MM);
  if (near.some(({ ring }) => ringGap(ring, touch) < 1e-3)) return 0;
  const corners = near.flatMap(({ ring }) => intersection(ahead, ring).regions.flatMap(({ outer }) => outer));
  const byMm = Math.min(...corners.map((point) => dot(minus(point, end.at), end.out)));
  return byMm === Infinity ? null : Math.max(byMm, 0);
}

/** Ends of a wall that stop short of another one which stands in some storey of its own; by building and id. */
const shortEndsPass = definePass({
  name: 'ends of a wall that stop short',
  scope: 'thing',
  run: (cx, key): readonly ShortEnd[] => {
    const [building, wall] = partsOf(key);
    const found = (cx.get(drawnEndsPass, key)?.ends ?? []).flatMap((end): ShortEnd[] => {
      const ahead = beyond(end, GAP_MM);
      const box = bounds(ahead);
      const before = [...sharingNear(cx, key, box, 0)].flatMap(({ id, around }) => {
        const drawn = id === wall || !boxesMeet(around, box) ? null : cx.get(drawnEndsPass, keyOf(building, id));
        const byMm = drawn && beginsBefore(end, ahead, box, drawn);
        return byMm === null ? [] : [{ other: id, byMm }];
      });
      const gaps = before
        .filter(({ byMm }) => byMm > CLOSED_MM)
        .sort((a, b) => a.byMm - b.byMm || (a.other < b.other ? -1 : 1));
      const touching = before.flatMap(({ other, byMm }) => (byMm > CLOSED_MM ? [] : [other]));
      return gaps.length === 0 ? [] : [{ i: end.i, at: end.at, out: end.out, touching, gaps }];
    });
    return found.length === 0 ? NO_ENDS : found;
  },
});
const NO_ENDS: readonly ShortEnd[] = [];

/** Ends of a wall that stop short of another one in a storey they both stand in; by building and id. */
const gapsPass = definePass<readonly Gap[]>({
  name: 'gaps at the ends of a wall',
  scope: 'thing',
  run: (cx, key) => {
    const [building, wall] = partsOf(key);
    const short = cx.get(shortEndsPass, key);
    if (short.length === 0) return NONE;
    const fflOf = new Map(storeysOf(cx, building).map(({ id, fflMm }) => [id, fflMm]));
    const standing = (id: Id) =>
      cx.get(walls.runs, keyOf(building, id)).runs.map(({ level, bottomMm, topMm }) => {
        const zeroMm = fflOf.get(level) ?? 0;
        return { bottomMm: zeroMm + bottomMm, topMm: zeroMm + topMm };
      });
    return standing(wall).flatMap(({ bottomMm, topMm }) => {
      const isBeside = (id: Id) =>
        standing(id).some((other) => other.bottomMm < topMm - 1 && other.topMm > bottomMm + 1);
      return short.flatMap(({ i, at, out, touching, gaps }): Gap[] => {
        if (touching.some(isBeside)) return [];
        const gap = gaps.find(({ other }) => isBeside(other));
        return gap ? [{ wall, other: gap.other, byMm: gap.byMm, i, to: plus(at, times(out, gap.byMm)) }] : [];
      });
    });
  },
});

export const gapFindingsPass = definePass<readonly Finding[]>({
  name: 'check of gaps between walls',
  scope: 'building',
  run: (cx, building) => {
    const said = new Set<string>();
    return cx.get(wallIdsPass, building).flatMap((id) =>
      cx.get(gapsPass, keyOf(building, id)).flatMap((gap): Finding[] => {
        const [record, other] = [gap.wall, gap.other].map((each) => recordOf(cx.framework, 'wall', each));
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
