import { mmOf } from '../dimensions/resolve-length';
import { isConvex } from '../geometry/convex-clip';
import { dot, type Point } from '../geometry/point';
import { cosDeg, sinDeg } from '../geometry/trig';
import { endMm } from '../levels/resolve-end';
import type { Framework } from '../model/framework';
import { leastRatio } from '../ramps/ramp-candidates';
import type { RampRules } from '../ramps/ramp-rules';
import { sourceOf } from '../stairs/rule-sets';
import { rampRules } from '../rule-sets/rules-in';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout, slantOf } from '../slants/slant';
import { quantiseMm } from '../units/length-units';
import { gradientOf, slopedFaces, steepest, type HighCorner, type SlopedFace } from './faces';
import type { SlopedFloor } from './sloped-floor';

/** What is known of a sloped floor beside its pieces. */
export interface SlopedFloorInfo {
  /** Corners with their heights in the building. */
  corners: readonly HighCorner[];
  faces: readonly SlopedFace[];
  /** Run per rise of the steepest face; null where all lie level. */
  steepest: number | null;
  /** The steepest along the way one goes, and across it; null where nothing falls so, or no way is said. */
  along: number | null;
  across: number | null;
  /** Run per rise at least: along, and across. */
  limit: number;
  crossfall: number;
  limitSource: string;
  crossfallSource: string;
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    slopedFloor: SlopedFloorInfo;
  }
}

/** Corners of a sloped floor with their heights in the building; null where its outline is unsound. */
export function cornersOf(framework: Framework, floor: SlopedFloor): HighCorner[] | null {
  const ring = resolveOutline(framework, floor.outline);
  if (!ring) return null;
  const startMm = endMm(framework, floor.baseAt, ({ sslMm }) => sslMm);
  const heights = floor.heights.map((height) => mmOf(framework, height));
  // A corner that was added since lies as high as the one before it.
  return ring.map(({ x, y }, i) => ({
    x,
    y,
    z: quantiseMm(startMm + (heights[Math.min(i, heights.length - 1)] ?? 0)),
  }));
}

/** Run per rise along a direction, the steepest of some faces; null where none rises so. */
export function steepestAlong(faces: readonly SlopedFace[], way: Point): number | null {
  const rises = faces.map(({ points }) => Math.abs(dot(gradientOf(points), way)));
  const most = Math.max(...rises, 0);
  return most < 1e-7 ? null : quantiseMm(1 / most);
}

export const wayAlong = (deg: number): Point => ({ x: cosDeg(deg), y: sinDeg(deg) });
export const wayAcross = (deg: number): Point => ({ x: -sinDeg(deg), y: cosDeg(deg) });

/** The slope a floor may have at most, by how far it rises in all. */
export function limitFor(corners: readonly HighCorner[], rules: RampRules): number {
  const heights = corners.map(({ z }) => z);
  return leastRatio(Math.max(...heights) - Math.min(...heights), rules) ?? rules.steepest.at(-1)!.runPerRise;
}

/** A sloped floor worked out; null where its outline is unsound. */
export function solveSlopedFloor(framework: Framework, floor: SlopedFloor): Assembly<'slopedFloor'> | null {
  const corners = cornersOf(framework, floor);
  const faces = corners && slopedFaces(corners);
  if (!corners || !faces) return null;
  const thicknessMm = mmOf(framework, floor.thicknessMm);
  const rules = rampRules(framework, floor.rules);
  // A face that is not convex is laid as the triangles it is made of.
  const slants = faces.flatMap(({ points }) =>
    triangles(points).map((corner) =>
      slantOf(corner.map(({ x, y, z }) => ({ x, y, topMm: z, bottomMm: z - thicknessMm }))),
    ),
  );
  const { alongDeg } = floor;
  return {
    thing: floor.id,
    kind: 'slopedFloor',
    building: floor.building,
    name: floor.name,
    level: floor.baseAt.level,
    ring: ringAbout(slants),
    ...reachOfSlants(slants),
    parts: [{ name: 'slab', slants }],
    info: {
      corners,
      faces,
      steepest: steepest(faces),
      along: alongDeg === null ? null : steepestAlong(faces, wayAlong(alongDeg)),
      across: alongDeg === null ? null : steepestAlong(faces, wayAcross(alongDeg)),
      limit: limitFor(corners, rules),
      crossfall: rules.crossfall,
      limitSource: sourceOf(rules, 'ramps.slope.1'),
      crossfallSource: sourceOf(rules, 'ramps.crossfall'),
    },
  };
}

/** A face as convex pieces: itself, or the triangles that a fan of ears leaves. */
function triangles(points: readonly HighCorner[]): (readonly HighCorner[])[] {
  if (isConvex(points)) return [points];
  const faces = slopedFaces(points.map((point, i) => ({ ...point, z: point.z + (i % 2) * 1e4 })));
  // Of one plane: cut up as if it were none, and laid with its own heights.
  return (faces ?? []).map((face) =>
    face.points.map(({ x, y }) => points.find((point) => point.x === x && point.y === y)!),
  );
}
