import { lengthPlus } from '../dimensions/resolve-length';
import {
  cross,
  distance,
  dot,
  lengthOf,
  lineCrossing,
  minus,
  plus,
  quantised,
  times,
  turned,
  type Point,
} from '../geometry/point';
import { isSimple } from '../geometry/polygon';
import { mmOf } from '../dimensions/resolve-length';
import { facet } from '../kinds/kind';
import { kindOf } from '../kinds/registry';
import { walkOfKind } from '../kinds/records';
import type { Place } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Rec } from '../model/kinds';
import { resolvePlace } from '../outlines/resolve-place';
import type { Length } from '../units/parse-length';

type Typed = { xMm: Length; yMm: Length };
type Pathed = Rec & { place: Place; closed?: boolean };

/** A path a record is drawn along: its corners in building axes as they are typed, none left out. */
export interface OwnPath {
  corners: Point[];
  closed: boolean;
}

/** The field that holds a record's corners; null where it is not drawn along a path. */
function fieldOf(record: Rec): string | null {
  let field: string | null = null;
  if (!('place' in record)) return null;
  walkOfKind(record.kind)?.see(record, (mark, _, path) => {
    if (mark.is === 'corners' && !path.includes('.')) field ??= path;
  });
  return field;
}

const typedIn = (record: Rec, field: string): Typed[] => (record as unknown as Record<string, Typed[]>)[field]!;

/** The path of a wall, a boundary line, and of whatever else is drawn along one; null for all others. */
export function ownPath(framework: Framework, record: Rec): OwnPath | null {
  const field = fieldOf(record);
  if (field === null) return null;
  const { place, closed } = record as Pathed;
  const { at, turnDeg } = resolvePlace(framework, place);
  const corners = typedIn(record, field).map(({ xMm, yMm }) =>
    quantised(plus(at, turned({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) }, turnDeg))),
  );
  return { corners, closed: closed === true };
}

/**
 * A record with another path: `from` says which corner of the old path each new one was, null for one that is new. Lengths of corners
 * that stay are kept as they were typed. Null where a piece would have no length, or a closed path would cross itself.
 */
function withPath(
  framework: Framework,
  record: Rec,
  corners: readonly Point[],
  from: readonly (number | null)[],
): Rec | null {
  const field = fieldOf(record)!;
  const was = ownPath(framework, record)!;
  const { place } = record as Pathed;
  const typed = typedIn(record, field);
  const { turnDeg } = resolvePlace(framework, place);
  const { at } = resolvePlace(framework, place);
  const points = corners.map((corner, i): Typed => {
    const old = from[i];
    if (old === null || old === undefined) {
      const { x, y } = quantised(turned(minus(corner, at), -turnDeg));
      return { xMm: x, yMm: y };
    }
    const { x, y } = quantised(turned(minus(corner, was.corners[old]!), -turnDeg));
    return { xMm: lengthPlus(typed[old]!.xMm, x), yMm: lengthPlus(typed[old]!.yMm, y) };
  });
  const pieces = was.closed
    ? corners.map((corner, i) => [corner, corners[(i + 1) % corners.length]!])
    : corners.slice(1).map((corner, i) => [corners[i]!, corner]);
  if (corners.length < (was.closed ? 3 : 2) || pieces.some(([a, b]) => distance(a!, b!) < 1)) return null;
  if (was.closed && !isSimple(corners)) return null;
  const after = { ...record, [field]: points } as Rec;
  // A part goes on from corner to corner: it is the part that begins where its first corner is now, and ends where its last one is.
  const n = was.corners.length;
  const partOf = (part: number): number | null => {
    const [start, end] = [from.indexOf(part), from.indexOf((part + 1) % n)];
    if (start >= 0) return start;
    return end > 0 ? end - 1 : null;
  };
  const repathed = facet(kindOf(record).inPlan)?.repathed as
    ((framework: Framework, before: Rec, after: Rec, partOf: (part: number) => number | null) => Rec) | undefined;
  return repathed ? repathed(framework, record, after, partOf) : after;
}

const same = (corners: readonly Point[]): number[] => corners.map((_, i) => i);

/** With one corner moved, mm in building axes. */
export function pathCornerMoved(framework: Framework, record: Rec, corner: number, by: Point): Rec | null {
  const path = ownPath(framework, record);
  if (!path?.corners[corner]) return null;
  const corners = path.corners.map((point, i) => (i === corner ? quantised(plus(point, by)) : point));
  return withPath(framework, record, corners, same(corners));
}

/** With one corner more in a part, at a point in building axes. */
export function pathCornerAdded(framework: Framework, record: Rec, part: number, at: Point): Rec | null {
  const path = ownPath(framework, record);
  if (!path?.corners[part] || (!path.closed && part >= path.corners.length - 1)) return null;
  const put = <T>(list: readonly T[], value: T) => [...list.slice(0, part + 1), value, ...list.slice(part + 1)];
  return withPath(framework, record, put(path.corners, quantised(at)), put<number | null>(same(path.corners), null));
}

/** Without one corner. */
export function pathCornerRemoved(framework: Framework, record: Rec, corner: number): Rec | null {
  const path = ownPath(framework, record);
  if (!path?.corners[corner]) return null;
  const without = <T>(list: readonly T[]) => list.filter((_, i) => i !== corner);
  return withPath(framework, record, without(path.corners), without(same(path.corners)));
}

/** With one side moved square to itself, to its left, mm: the sides beside it grow or shrink with it where they are not parallel. */
export function pathSideMoved(framework: Framework, record: Rec, part: number, leftMm: number): Rec | null {
  const path = ownPath(framework, record);
  if (!path) return null;
  const { corners, closed } = path;
  const n = corners.length;
  if (part >= (closed ? n : n - 1)) return null;
  const at = (i: number) => corners[(i + n) % n]!;
  const way = minus(at(part + 1), at(part));
  const by = times({ x: -way.y, y: way.x }, leftMm / (lengthOf(way) || 1));
  const end = (i: number, beyond: number | null): Point => {
    const square = plus(at(i), by);
    if (beyond === null) return quantised(square);
    const along = minus(at(i), at(beyond));
    const isAlongside = Math.abs(cross(along, way)) < 1e-3 * lengthOf(along) * lengthOf(way);
    const meet = isAlongside ? null : lineCrossing(square, way, at(beyond), along);
    return quantised(meet ?? square);
  };
  const [first, last] = [
    end(part, closed || part > 0 ? part - 1 : null),
    end(part + 1, closed || part < n - 2 ? part + 2 : null),
  ];
  const moved = corners.map((point, i) => (i === part ? first : i === (part + 1) % n ? last : point));
  // A side pushed past where its neighbours meet would run backwards, or one of them would.
  const isTurned = [part - 1, part, part + 1].some((each) => {
    const i = (each + n) % n;
    if (!closed && (each < 0 || i >= n - 1)) return false;
    return dot(minus(moved[(i + 1) % n]!, moved[i]!), minus(at(i + 1), at(i))) <= 0;
  });
  return isTurned ? null : withPath(framework, record, moved, same(moved));
}
