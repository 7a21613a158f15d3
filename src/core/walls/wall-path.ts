import { mmOf } from '../dimensions/resolve-length';
import { distance, lengthOf, lineCrossing, minus, plus, quantised, times, turned, type Point } from '../geometry/point';
import { counterClockwise, type Ring } from '../geometry/polygon';
import { recordOf, type Framework } from '../model/framework';
import { resolvePlace } from '../outlines/resolve-place';
import type { Wall } from './wall';
import type { WallFace } from './wall-faces';

/** A wall's layers in millimetres from its outside face inwards. */
export interface Build {
  thicknessMm: number;
  layers: { name: string; core: boolean; fromMm: number; toMm: number }[];
  /** Where its core begins and ends, from the outside face. */
  coreMm: [number, number];
}

/** A wall in plan: its path, and how far its faces lie to the left of it. */
export class WallPath {
  constructor(
    readonly points: readonly Point[],
    readonly closed: boolean,
    readonly build: Build,
    /** 1 where its outside lies to the left of the path. */
    private readonly side: 1 | -1,
    /** How deep in the wall the path runs, from the outside face. */
    private readonly onMm: number,
  ) {}

  /** Left of the path, of a depth from the outside face. */
  leftOf(depthMm: number): number {
    return this.side * (this.onMm - depthMm);
  }

  /** The same wall along other points. */
  along(points: readonly Point[]): WallPath {
    return new WallPath(points, this.closed, this.build, this.side, this.onMm);
  }
}

function buildOf(framework: Framework, wall: Pick<Wall, 'type'>): Build {
  const type = recordOf(framework, 'wallType', wall.type);
  let at = 0;
  const layers = (type?.layers ?? []).map(({ name, core, thicknessMm }) => {
    const fromMm = at;
    at += mmOf(framework, thicknessMm);
    return { name, core, fromMm, toMm: at };
  });
  const core = layers.filter((layer) => layer.core);
  return { thicknessMm: at, layers, coreMm: [core[0]?.fromMm ?? 0, core.at(-1)?.toMm ?? at] };
}

/** Depth of a face from the outside face. */
export function faceDepth({ thicknessMm, coreMm }: Build, face: WallFace): number {
  const depths: Record<WallFace, number> = {
    outside: 0,
    coreOutside: coreMm[0],
    coreCentre: (coreMm[0] + coreMm[1]) / 2,
    coreInside: coreMm[1],
    inside: thicknessMm,
    centre: thicknessMm / 2,
  };
  return depths[face];
}

/** A wall's path in building axes; null where it has no length. */
export function wallPath(framework: Framework, wall: Wall): WallPath | null {
  const { at, turnDeg } = resolvePlace(framework, wall.place);
  const all = wall.points.map(({ xMm, yMm }) =>
    quantised(plus(at, turned({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) }, turnDeg))),
  );
  const points = all.filter((point, i) => i === 0 || distance(point, all[i - 1]!) > 1e-3);
  if (wall.closed && points.length > 2 && distance(points[0]!, points.at(-1)!) <= 1e-3) points.pop();
  if (points.length < (wall.closed ? 3 : 2)) return null;
  const build = buildOf(framework, wall);
  const onMm = faceDepth(build, wall.on);
  return new WallPath(points, wall.closed, build, wall.outside === 'left' ? 1 : -1, onMm);
}

/** Corners sharper than this are cut square instead of running to a point: times the offset. */
const MOST_MITRE = 6;

/** The path moved to its left, its corners mitred. Open ends are moved square to the path. */
export function offsetPath(points: readonly Point[], closed: boolean, leftMm: number): Point[] {
  const n = points.length;
  const at = (i: number) => points[(i + n) % n]!;
  return points.map((point, i) => {
    const hasBefore = closed || i > 0;
    const hasAfter = closed || i < n - 1;
    const before = hasBefore ? minus(point, at(i - 1)) : minus(at(i + 1), point);
    const after = hasAfter ? minus(at(i + 1), point) : before;
    const left = (way: Point) => times({ x: -way.y, y: way.x }, leftMm / (lengthOf(way) || 1));
    const [p, q] = [plus(point, left(before)), plus(point, left(after))];
    const meet = lineCrossing(p, before, q, after);
    if (!meet || distance(meet, point) > MOST_MITRE * Math.abs(leftMm)) return quantised(p);
    return quantised(meet);
  });
}

/** The wall between two depths as one ring for each straight part of its path, mitred at the corners. */
export function stripsOf(path: WallPath, fromMm: number, toMm: number): Ring[] {
  const [a, b] = [fromMm, toMm].map((depth) => offsetPath(path.points, path.closed, path.leftOf(depth))) as [
    Point[],
    Point[],
  ];
  const n = path.points.length;
  return Array.from({ length: path.closed ? n : n - 1 }, (_, i) => {
    const j = (i + 1) % n;
    return counterClockwise([a[i]!, a[j]!, b[j]!, b[i]!]);
  });
}

export const pathLength = ({ points, closed }: Pick<WallPath, 'points' | 'closed'>): number =>
  points.reduce((sum, point, i) => {
    const next = points[i + 1] ?? (closed ? points[0] : undefined);
    return next ? sum + distance(point, next) : sum;
  }, 0);

/** A place along the path: the point there, the way the path goes, and the straight part it is on. */
export function alongPath(
  { points, closed }: Pick<WallPath, 'points' | 'closed'>,
  alongMm: number,
): { at: Point; along: Point; part: number } | null {
  let rest = alongMm;
  const n = points.length;
  for (let i = 0; i < (closed ? n : n - 1); i += 1) {
    const [from, to] = [points[i]!, points[(i + 1) % n]!];
    const length = distance(from, to);
    const along = times(minus(to, from), 1 / length);
    if (rest <= length + 1e-6) return { at: plus(from, times(along, rest)), along, part: i };
    rest -= length;
  }
  return null;
}
