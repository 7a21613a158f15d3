import type { Body } from '../bodies/body';
import type { Assembly } from '../slants/assembly';
import type { SectionMm } from '../columns/section-shape';
import type { Profile } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import type { Curve } from '../geometry/curve';
import type { Bubble, Direction, LineSide } from '../grids/grid';
import type { HeightBudget } from '../levels/height-budget';
import type { LevelKind } from '../levels/level-kinds';
import type { Id } from '../model/ids';
import type { RoomRegion } from '../rooms/solve-rooms';
import type { SolvedStair } from '../stairs/solved-stair';
import type { WallPiece } from '../walls/solved-wall';
import type { ViewMark } from '../views/view-mark';
import type { WaysOut } from '../escape/ways-out';
import type { Finding } from '../checks/finding';
import type { SurveyMm } from '../buildings/survey';

/**
 * Of every piece `grossMm3` is the space it wants, openings and holes in it counted, and `volumeMm3` what of that is its own: no
 * two pieces own the same.
 */

/** All plan geometry is in building axes and all heights are the building's own, in millimetres. */
export interface SolvedBuilding {
  id: Id;
  name: string;
  zeroMm: number;
  at: Point;
  turnDeg: number;
}

export interface SolvedLevel {
  id: Id;
  building: Id;
  name: string;
  title: string;
  levelKind: LevelKind;
  locked: boolean;
  bounding: boolean;
  fflMm: number;
  sslMm: number;
  storeyHeightMm: number | null;
  /** A mezzanine's part of the plan. */
  extent: Ring | null;
}

export interface SolvedLine {
  id: Id;
  system: Id;
  building: Id;
  direction: Direction;
  label: string | null;
  minor: boolean;
  offsetMm: number;
  bayMm: number;
  /** Rays: angle from the first ray and from the ray before, degrees. */
  offsetDeg: number | null;
  bayDeg: number | null;
  shape: 'rectangular' | 'radial' | 'free';
  side: LineSide;
  curve: Curve;
  ends: [Point, Point];
  heads: [boolean, boolean];
  bubble: Bubble;
  /** The other line of a movement joint. */
  jointOf: Id | null;
  /** FFL of the lowest and highest level it is there on; null: no limit. */
  lowMm: number | null;
  highMm: number | null;
}

/** A setting-out line worked out. */
export interface SolvedSettingOut {
  id: Id;
  building: Id;
  name: string;
  source: Id;
  /** In words, where it is set out from an edge: `Plate edge 2`. */
  from: string | null;
  offsetMm: number;
  locked: boolean;
  curve: Curve;
  ends: [Point, Point];
  lowMm: number | null;
  highMm: number | null;
}

export interface SolvedCrossing {
  label: string | null;
  lines: [Id, Id];
  building: Id;
  /** 2 for the second place where the same two lines meet: an arc and a line. */
  nth: 1 | 2;
  at: Point;
  /** Where both lines are there, by FFL; null: no limit. */
  lowMm: number | null;
  highMm: number | null;
}

/** A head on a column or a thickening of the slab around it, under the slab of a level. */
export interface ColumnBlock {
  stack: Id;
  building: Id;
  mark: string;
  /** The level whose slab it carries. */
  level: Id;
  block: 'head' | 'thickening';
  material: string;
  at: Point;
  turnDeg: number;
  widthMm: number;
  depthMm: number;
  bottomMm: number;
  topMm: number;
  grossMm3: number;
  /** Without the column that runs through it. */
  volumeMm3: number;
}

/** How a head or a level mark is shown in a view, as the designer said. */
export type SolvedMark = Omit<ViewMark, 'kind' | 'id'>;

/** One storey of a column stack. */
export interface ColumnPiece {
  stack: Id;
  building: Id;
  mark: string;
  level: Id;
  section: SectionMm;
  material: string;
  at: Point;
  turnDeg: number;
  bottomMm: number;
  topMm: number;
  grossMm3: number;
  volumeMm3: number;
}

/** A floor plate at one of its levels. The profile is shared by all levels with equal outline and holes. */
export interface FloorPiece {
  plate: Id;
  building: Id;
  name: string;
  level: Id;
  topMm: number;
  thicknessMm: number;
  profile: string;
  /** The plate before its holes. */
  outline: Ring;
  /** Without its holes taken out. */
  grossMm3: number;
  /** What of the space it owns. */
  volumeMm3: number;
  /** Shafts and stairs that cut it. */
  cutBy: Id[];
  /** Its holes, with the shaft or stair each is of; null: a void of its own. */
  holes: { by: Id | null; ring: Ring }[];
  /** Strips that movement joints take from it. */
  gaps: Ring[];
  /** The zone of the plate it is, with the step of its FFL over that of the level; null: the plate outside its zones. */
  zone: { id: Id; name: string; stepMm: number; shiftMm: number } | null;
}

/** A raft, a pad or a strip. */
export interface FoundationPiece {
  foundation: Id;
  building: Id;
  name: string;
  form: 'raft' | 'pads' | 'strips';
  material: string;
  /** The level its top is held to. */
  level: Id;
  /** The column stack or wall that stands on it; null for a raft. */
  under: Id | null;
  rings: Ring[];
  profile: string;
  bottomMm: number;
  topMm: number;
  grossMm3: number;
  volumeMm3: number;
}

export interface ShaftMiss {
  plate: Id;
  level: Id;
  byMm: number;
  /** The end stops short in height, or the shaft passes beside the slab in plan. */
  way: 'short' | 'beside';
}

/** A lift, with the levels it stops at from the lowest up. */
export interface SolvedLift {
  stops: Id[];
  doorWidthMm: number;
  doorHeightMm: number;
  pitMm: number;
  overrunMm: number;
  carWidthMm: number;
  carDepthMm: number;
  persons: number;
}

export interface SolvedShaft {
  shaft: Id;
  building: Id;
  name: string;
  purpose: string;
  /** At its foot. */
  ring: Ring;
  /** Its free space from the foot up, a stretch for each outline. */
  stages: { ring: Ring; bottomMm: number; topMm: number }[];
  bottomMm: number;
  topMm: number;
  cuts: { plate: Id; level: Id; ring: Ring }[];
  /** Levels whose slab has sleeves instead of a hole. */
  sleevesAt: Id[];
  misses: ShaftMiss[];
  /** Levels whose FFL it passes, its ends included. */
  levels: Id[];
  /** The lift it holds; null where nothing is said of one. */
  lift: SolvedLift | null;
}

/** A line that divides the rooms of a level without a wall. */
export interface SolvedBoundary {
  line: Id;
  building: Id;
  level: Id;
  points: Point[];
}

/** Everything worked out from a framework. Plain values throughout, so it crosses to and from workers. */
export interface Solved {
  survey: SurveyMm | null;
  buildings: SolvedBuilding[];
  levels: SolvedLevel[];
  lines: SolvedLine[];
  settingOut: SolvedSettingOut[];
  crossings: SolvedCrossing[];
  blocks: ColumnBlock[];
  marks: SolvedMark[];
  columns: ColumnPiece[];
  floors: FloorPiece[];
  profiles: Record<string, Profile>;
  shafts: SolvedShaft[];
  stairs: SolvedStair[];
  walls: WallPiece[];
  /** Party walls of another building where this one has them too: already among the walls, seen in plan here. */
  sharedWalls: WallPiece[];
  foundations: FoundationPiece[];
  rooms: RoomRegion[];
  boundaries: SolvedBoundary[];
  ceilings: CeilingPiece[];
  /** Pieces of kinds that have none of their own making: beams and the like. */
  bodies: Body[];
  /** Things made of pieces that may lean: ramps, sloped floors, guards. */
  assemblies: Assembly[];
  budgets: HeightBudget[];
  waysOut: WaysOut[];
  findings: Finding[];
}
