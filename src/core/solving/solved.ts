import type { SectionMm } from '../columns/section-shape';
import type { Profile } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Direction } from '../grids/grid';
import type { HeightBudget } from '../levels/height-budget';
import type { LevelKind } from '../levels/level';
import type { Id } from '../model/ids';
import type { Finding } from '../checks/finding';

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
  ends: [Point, Point];
}

export interface SolvedCrossing {
  label: string | null;
  lines: [Id, Id];
  building: Id;
  at: Point;
}

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
  volumeMm3: number;
  /** Shafts that cut it. */
  cutBy: Id[];
}

export interface ShaftMiss {
  plate: Id;
  level: Id;
  byMm: number;
  /** The end stops short in height, or the shaft passes beside the slab in plan. */
  way: 'short' | 'beside';
}

export interface SolvedShaft {
  shaft: Id;
  building: Id;
  name: string;
  purpose: string;
  ring: Ring;
  bottomMm: number;
  topMm: number;
  cuts: { plate: Id; level: Id }[];
  misses: ShaftMiss[];
  /** Levels whose FFL it passes, its ends included. */
  levels: Id[];
}

/** Everything worked out from a framework. Plain values throughout, so it crosses to and from workers. */
export interface Solved {
  buildings: SolvedBuilding[];
  levels: SolvedLevel[];
  lines: SolvedLine[];
  crossings: SolvedCrossing[];
  columns: ColumnPiece[];
  floors: FloorPiece[];
  profiles: Record<string, Profile>;
  shafts: SolvedShaft[];
  budgets: HeightBudget[];
  findings: Finding[];
}
