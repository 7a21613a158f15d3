import { mmOf } from '../dimensions/resolve-length';
import { dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { curvesMeet, type Curve, type Segment } from '../geometry/curve';
import { contains, type Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { SolvedOpening } from './solved-wall';
import type { Wall } from './wall';

/** Of glazed walls of which nothing else is said: panels so wide at most, and members between them and at the ends so wide, mm. */
const USUAL = { moduleMm: 1500, memberMm: 60 };

/** Sizes of the panels of a glazed wall, mm. */
export interface Panels {
  moduleMm: number;
  memberMm: number;
  /** Members stand where grid lines cross it, in place of evenly. */
  onGrid: boolean;
}

export const panelsOf = (framework: Framework, { panels }: Pick<Wall, 'panels'>): Panels =>
  panels
    ? { moduleMm: mmOf(framework, panels.moduleMm), memberMm: mmOf(framework, panels.memberMm), onGrid: panels.onGrid }
    : { ...USUAL, onGrid: false };

/** The way along one straight part of a wall, and how far it reaches along that and across. */
function reachOf(strip: Ring) {
  const edges = strip.map((from, i) => minus(strip[(i + 1) % strip.length]!, from));
  const longest = edges.reduce((most, edge) => (lengthOf(edge) > lengthOf(most) ? edge : most));
  const along = times(longest, 1 / (lengthOf(longest) || 1));
  const across = { x: -along.y, y: along.x };
  const range = (way: Point): [number, number] => {
    const at = strip.map((point) => dot(point, way));
    return [Math.min(...at), Math.max(...at)];
  };
  return { along, across, reach: range(along), depth: range(across) };
}

/**
 * Rings across one straight part of a glazed wall where its members stand: at both ends, and between its panels, which are alike and no wider
 * than its module; or where lines cross it.
 */
export function membersOf(
  strip: Ring,
  { moduleMm, memberMm, onGrid }: Panels,
  crossings: readonly Point[] = [],
): Ring[] {
  const { along, across, reach, depth } = reachOf(strip);
  const [[from, to], [low, high]] = [reach, depth];
  const wideMm = Math.min(memberMm, (to - from) / 4);
  const bays = Math.max(1, Math.ceil((to - from - wideMm) / moduleMm - 1e-9));
  const stepMm = (to - from - wideMm) / bays;
  const even = Array.from({ length: bays + 1 }, (_, i) => from + i * stepMm);
  const crossed = crossings
    .filter((at) => dot(at, across) > low - 1 && dot(at, across) < high + 1)
    .map((at) => dot(at, along) - wideMm / 2)
    .filter((at) => at > from + wideMm && at < to - 2 * wideMm);
  const starts = onGrid ? [from, ...crossed.sort((a, b) => a - b), to - wideMm] : even;
  return starts.map((at) => {
    const corner = (x: number, y: number) => plus(times(along, x), times(across, y));
    return [corner(at, low), corner(at + wideMm, low), corner(at + wideMm, high), corner(at, high)];
  });
}

/** Members that stand between two heights: those in a door or an opening there are left out. */
export const standingBetween = (
  members: readonly Ring[],
  openings: readonly SolvedOpening[],
  bottomMm: number,
  topMm: number,
): Ring[] => {
  const open = openings.filter((opening) => opening.bottomMm < topMm - 1 && opening.topMm > bottomMm + 1);
  return members.filter((ring) => {
    const middle = times(ring.reduce(plus, { x: 0, y: 0 }), 1 / ring.length);
    return !open.some((opening) => contains(opening.ring, middle));
  });
};

/** The line along the middle of one straight part of a wall. */
export function middleLine(strip: Ring): Segment {
  const { along, across, reach, depth } = reachOf(strip);
  const middle = (depth[0] + depth[1]) / 2;
  const at = (x: number) => plus(times(along, x), times(across, middle));
  return { kind: 'segment', from: at(reach[0]), to: at(reach[1]) };
}

/** The members of a glazed wall in plan; `gridCurves`: the lines of the grids of its building. */
export function glazedMembers(
  framework: Framework,
  wall: Wall,
  strips: readonly Ring[],
  gridCurves: () => readonly Curve[],
): Ring[] {
  const panels = panelsOf(framework, wall);
  const curves = panels.onGrid ? gridCurves() : [];
  return strips.flatMap((strip) => {
    const middle = middleLine(strip);
    return membersOf(
      strip,
      panels,
      curves.flatMap((curve) => curvesMeet(curve, middle, 1)),
    );
  });
}
