import { sharedByRegions, type Region } from '../geometry/boolean';
import { cross, minus, type Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { deadEnd, type Parted } from './dead-end';
import { farthestIn } from './farthest';
import { freeFloor, type Door, type PlanOfFloor } from './free-floor';
import { Floor, type Goal } from './walking';

/** A stair or a door to the outside. */
export interface NamedGoal extends Goal {
  name: string;
  /** Goals of one stair are one way. */
  of: string;
}

/** A closed region of a plan. */
interface Space {
  ring: Ring;
  holes: readonly Ring[];
}

/** The way out of a space from its farthest place. */
export interface SpaceWay {
  mm: number | null;
  points: readonly Point[];
  to: string;
  deadEndMm: number | null;
  narrowestMm: number | null;
}

export const NO_WAY: SpaceWay = { mm: null, points: [], to: '', deadEndMm: null, narrowestMm: null };

/** The way out of each space of a plan, from the place one walks farthest from; of a plan without any, out of all of it. */
export function waysOutOf(plan: PlanOfFloor, goals: readonly NamedGoal[], spaces: readonly Space[]): SpaceWay[] {
  const none = () => (spaces.length === 0 ? [null] : spaces).map(() => NO_WAY);
  if (goals.length === 0) return none();
  const free = freeFloor(plan);
  if (free.length === 0) return none();
  const floor = new Floor(free);
  const kinds = [...new Set(goals.map(({ of }) => of))];
  const each = kinds.map((kind) => floor.waysTo(goals.filter(({ of }) => of === kind)));
  const nearest = floor.waysTo(goals);
  const parted: Parted = new Map();
  const own: Region[][] =
    spaces.length === 0
      ? [free]
      : spaces.map(({ ring, holes }) => sharedByRegions(free, [{ outer: ring, holes: [...holes] }]).regions);
  return own.map((regions) => {
    const farthest = farthestIn(regions, nearest);
    const way = farthest && nearest.wayFrom(farthest.at);
    if (!farthest || !way) return NO_WAY;
    const widths = plan.doors.filter((door) => isPassed(door, way.points)).map(({ widthMm }) => widthMm);
    return {
      mm: way.mm,
      points: way.points,
      to: goals[way.goal]!.name,
      deadEndMm: each.length < 2 ? way.mm : Math.min(way.mm, deadEnd(way.points, each, parted)),
      narrowestMm: widths.length === 0 ? null : Math.min(...widths),
    };
  });
}

/** True where a way goes through a door: across the line between its jambs. */
const isPassed = ({ ends: [a, b] }: Door, points: readonly Point[]): boolean =>
  points.some((p, i) => {
    const q = points[i + 1];
    if (!q) return false;
    const side = (from: Point, to: Point, at: Point) => Math.sign(cross(minus(to, from), minus(at, from)));
    return side(a, b, p) * side(a, b, q) <= 0 && side(p, q, a) * side(p, q, b) <= 0;
  });
