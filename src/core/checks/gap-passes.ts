import { walls } from '../ceilings/ceiling-passes';
import { intersection } from '../geometry/boolean';
import { dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { boundsOf, counterClockwise, ringGap, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { recordOf } from '../model/framework';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import { storeysOf } from '../solving/building-passes';
import { formatLength } from '../units/format-length';
import { CLOSED_MM } from '../walls/joins';
import type { Wall } from '../walls/wall';
import { stripsOf, type WallPath } from '../walls/wall-path';
import { drawnPass, standingPass, wallsNear } from '../walls/wall-plans';
import { finding, type Finding, fixBy } from './finding';

/** A gap up to this between the end of a wall and another wall is hardly meant, mm. */
const GAP_MM = 50;
const NONE: readonly Gap[] = [];

/** An end of a wall that stops short of another one. */
interface Gap {
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
const before = ({ face: [a, b], out }: End, byMm: number): Ring =>
  counterClockwise([a, b, plus(b, times(out, byMm)), plus(a, times(out, byMm))]);

/** Heights a wall stands in, in its building's heights. */
function heightsOf(cx: Context, building: Id, wall: Id): (readonly [number, number])[] {
  const fflOf = new Map(storeysOf(cx, building).map(({ id, fflMm }) => [id, fflMm]));
  return cx.get(walls.runs, keyOf(building, wall)).runs.map(({ level, bottomMm, topMm }) => {
    const zeroMm = fflOf.get(level) ?? 0;
    return [zeroMm + bottomMm, zeroMm + topMm] as const;
  });
}

/** Ends of a wall that stop short of another in the same storey; by building and id. */
const gapsPass = definePass({
  name: 'gaps at the ends of a wall',
  scope: 'thing',
  run: (cx, key): readonly Gap[] => {
    const [building, id] = partsOf(key);
    const drawn = cx.get(drawnPass, key);
    if (!drawn || drawn.path.closed) return NONE;
    const own = heightsOf(cx, building, id);
    const found = endsOf(drawn.path).flatMap((end): Gap[] => {
      const ahead = before(end, GAP_MM);
      const near = wallsNear(cx, building, boundsOf([ahead]), GAP_MM)
        .filter((other) => other !== id)
        .flatMap((other) => {
          const path = cx.get(drawnPass, keyOf(building, other))?.path;
          if (!path) return [];
          const strips = stripsOf(path, 0, path.build.thicknessMm).map((ring) => cx.facts.one(ring));
          const meets = () =>
            heightsOf(cx, building, other).some(([low, high]) => own.some(([a, b]) => low < b - 1 && high > a + 1));
          return strips.some((strip) => ringGap(strip, ahead) < GAP_MM) && meets() ? [{ other, strips }] : [];
        });
      const touch = before(end, CLOSED_MM);
      if (near.some(({ strips }) => strips.some((strip) => ringGap(strip, touch) < 1e-3))) return [];
      let least: Gap | null = null;
      for (const { other, strips } of near)
        for (const strip of strips)
          for (const { outer } of intersection(ahead, strip).regions) {
            const byMm = Math.min(...outer.map((point) => dot(minus(point, end.at), end.out)));
            if (!least || byMm < least.byMm) least = { other, byMm, i: end.i, to: plus(end.at, times(end.out, byMm)) };
          }
      return least && least.byMm > CLOSED_MM ? [least] : [];
    });
    return found.length === 0 ? NONE : found;
  },
});

export const gapFindingsPass = definePass<readonly Finding[]>({
  name: 'check of gaps between walls',
  scope: 'building',
  run: (cx, building) => {
    const said = new Set<string>();
    return cx.get(standingPass, building).flatMap(({ id }) => {
      const gaps = cx.get(gapsPass, keyOf(building, id));
      const record = gaps.length > 0 ? recordOf(cx.framework, 'wall', id) : undefined;
      if (record?.building !== building) return [];
      return gaps.flatMap((gap): Finding[] => {
        const other = recordOf(cx.framework, 'wall', gap.other);
        // Two ends that face each other leave one gap.
        const pair = [id, gap.other].sort().join(' ');
        if (!other || said.has(pair)) return [];
        said.add(pair);
        const path = cx.get(drawnPass, keyOf(building, id))!.path;
        return [gapFinding(record, other, gap, path)];
      });
    });
  },
  failing: (_, building) => ({ what: 'The check of gaps between walls', building, about: [], value: [] }),
});

/** What is said of a gap, with the wall drawn on to the other. */
function gapFinding(record: Wall, other: Wall, { byMm, i, to }: Gap, path: WallPath): Finding {
  const points = path.points.map((point, k) => (k === i ? to : point));
  return finding(
    'wall.loopGap',
    record.building,
    record.startsAt.level,
    [record.id, other.id],
    `Between the end of wall ${record.name} and wall ${other.name} is a gap of ${formatLength(Math.round(byMm * 10) / 10)} mm. Bring them together`,
    [
      fixBy(`Bring ${record.name} to ${other.name}`, 'walls.change', {
        wall: record.id,
        place: { lines: null, xMm: 0, yMm: 0 },
        points: points.map(({ x, y }) => ({ xMm: x, yMm: y })),
      }),
    ],
  );
}
