import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';

/** A flight in plan: climbing along `along` from the middle of its first riser. */
export interface Flight {
  from: Point;
  along: Point;
  widthMm: number;
  risers: number;
  /** One fewer than its risers, or as many where tapered treads follow. */
  treads: number;
  riserMm: number;
  goingMm: number;
  /** Height of the finished floor or landing it starts from. */
  bottomMm: number;
  /** Nothing of it goes below this: the floor it stands on where that is not open. */
  footMm: number;
  /** Its run in plan; null for a single riser. */
  ring: Ring | null;
}

export interface Landing {
  ring: Ring;
  /** The same in rectangles. */
  parts: Ring[];
  /** Finished. */
  topMm: number;
}

/** A tread that is wider at one end. */
export interface TaperedTread {
  /** In plan, convex. */
  ring: Ring;
  /** The middle of its turn. */
  about: Point;
  /** Its nosing and the one of the next step: from the narrow end to the wide one. */
  nosing: readonly [Point, Point];
  next: readonly [Point, Point];
  /** Where one walks over its nosing, and which way. */
  at: Point;
  along: Point;
  /** Finished. */
  topMm: number;
  riserMm: number;
  /** Nothing of it goes below this. */
  footMm: number;
}

/** Where one steps onto a stair, or off it, and which way one walks there. */
export interface StairEnd {
  at: Point;
  along: Point;
}

/** How far a flight goes in plan. */
export const runOfFlight = ({ treads, goingMm }: Pick<Flight, 'treads' | 'goingMm'>): number => treads * goingMm;
