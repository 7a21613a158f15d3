import { unionLess, type Region } from '../geometry/boolean';
import { minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, ringArea, type Ring } from '../geometry/polygon';

/** A door or plain opening one walks through. */
export interface Door {
  id: string;
  name: string;
  ring: Ring;
  /** Its jambs, on the middle of the wall. */
  ends: readonly [Point, Point];
  /** The place before it on the inside, and how far that is from the middle of the wall. */
  inside: Point;
  insideMm: number;
  widthMm: number;
  heightMm: number;
  /** It leads to the outside. */
  leadsOut: boolean;
}

/** What of a level's plan one walks on, and what stands in the way. */
export interface PlanOfFloor {
  slabs: readonly Ring[];
  holes: readonly Ring[];
  walls: readonly Ring[];
  columns: readonly Ring[];
  doors: readonly Door[];
}

/** Doors reach this far past the faces of their walls: rounding leaves no skin across them, mm. */
const PAST_MM = 2;

/** A door's place a little longer than its wall is thick. */
function through({ ring, ends: [from, to] }: Door): Ring {
  const way = minus(to, from);
  const size = Math.sqrt(way.x * way.x + way.y * way.y) || 1;
  const across = { x: -way.y / size, y: way.x / size };
  const middle = times(plus(from, to), 0.5);
  return ring.map((point) => {
    const side = (point.x - middle.x) * across.x + (point.y - middle.y) * across.y;
    return plus(point, times(across, side < 0 ? -PAST_MM : PAST_MM));
  });
}

/** Round smaller columns one walks by less than they are wide: they are left out, mm². */
const LEAST_COLUMN_MM2 = 1e6;

/** The free floor of a level: slabs less holes and large columns, and less walls where no door is in them. */
export function freeFloor({ slabs, holes, walls, columns, doors }: PlanOfFloor): Region[] {
  if (slabs.length === 0) return [];
  const open = doors.map(through);
  // Walls less their doors: of few walls each, so that one that many doors are in costs no more than it has to.
  const standing = walls.flatMap((wall) => {
    const box = bounds(wall);
    const own = open.filter((door) => boxesMeet(bounds(door), box));
    return own.length === 0 ? [wall] : unionLess([wall], own).regions.map(({ outer }) => outer);
  });
  const large = columns.filter((column) => Math.abs(ringArea(column)) > LEAST_COLUMN_MM2);
  return unionLess(slabs, [...holes, ...large, ...standing]).regions;
}
