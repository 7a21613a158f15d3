import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';

/** A stair at a level, and where it leads. */
export interface StairOut {
  stair: Id;
  name: string;
  /** The level with a way out it leads to; null: it ends short of one. */
  to: Id | null;
  /** Where it ends short: another stair that leads on from a level it reaches, and that level. */
  onBy: { stair: Id; name: string; at: Id } | null;
  /** Least width of its flights on the way. */
  widthMm: number;
}

/** A door of a level that has a way out. */
export interface DoorOut {
  name: string;
  widthMm: number;
}

/** The way out of a room from its farthest place. */
export interface RoomWay {
  room: Id | null;
  number: string;
  name: string;
  use: string;
  areaMm2: number;
  /** By what it is for; null where nobody is counted. */
  people: number | null;
  ring: Ring;
  /** Null where no way leads out of it. */
  mm: number | null;
  points: readonly Point[];
  /** The stair or door it leads to. */
  to: string;
  /** So far one walks before ways to two of them part. */
  deadEndMm: number | null;
  /** The narrowest door on the way; null without any. */
  narrowestMm: number | null;
}

/** How one gets out of a level. */
export interface WaysOut {
  building: Id;
  level: Id;
  isExit: boolean;
  stairs: readonly StairOut[];
  doors: readonly DoorOut[];
  rooms: readonly RoomWay[];
  people: number;
  /** Width they need of stairs, or of doors at a level with a way out. */
  neededMm: number;
  givenMm: number;
  /** The narrowest stair or door on any way. */
  narrowestMm: number | null;
  travelMm: number | null;
  deadEndMm: number | null;
  limits: { travelMm: number; travelSource: string; deadEndMm: number; deadEndSource: string };
}
