import type { Region } from '../geometry/boolean';
import type { Box, Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Context, Pass } from '../passes/pass';

/** Who owns space that two want, the first of them before the last. What is no body owns none. */
export const SPACE_RANKS = [
  'column',
  'core wall',
  'exterior wall',
  'party wall',
  'glazed wall',
  'interior wall',
  'beam',
  'slab',
  'head',
  'thickening',
  'raft',
  'pad',
  'strip',
  'stair',
  'ceiling',
  'shaft',
] as const;
export type SpaceRank = (typeof SPACE_RANKS)[number];

/** A plan shape; those with one number are equal. */
export interface PlanShape {
  number: number;
  regions: readonly Region[];
  box: Box;
}

/** A plan shape between two heights that something wants for itself. */
export interface SpaceSolid {
  thing: Id;
  name: string;
  level: Id;
  rank: SpaceRank;
  shape: PlanShape;
  bottomMm: number;
  topMm: number;
}

/** A solid of a storey; its level is null where that is the storey it lies in, which others that are alike share. */
export type StoreySolid = Omit<SpaceSolid, 'level'> & { level: Id | null };

/** Makes shapes of what pieces have. */
export interface Shapes {
  ofProfile: (key: string) => PlanShape;
  ofRing: (ring: Ring) => PlanShape;
  /** Of a ring that a text tells: it is made where it is not known. */
  of: (text: string, ring: () => Ring) => PlanShape;
}

/** Pieces of a kind, and the space each wants. */
export interface SpacePart<P = unknown> {
  pass: Pass<readonly P[]>;
  solids: (piece: P, shapes: Shapes) => SpaceSolid[];
  /** Where most of them are worked out from the floors of their storeys: a level that moves takes their space with it. */
  fromFloors?: FromFloors<P>;
}

export interface FromFloors<P> {
  /** Those of a storey, by building and level, heights from its FFL. */
  inStorey: (cx: Context, key: string) => readonly P[];
  /** One of them in the building's heights: the object that is among all pieces. */
  placed: (piece: P, level: Id, fflMm: number) => P;
  /** All the others, in the building's heights. */
  others: (cx: Context, building: Id) => readonly P[];
}

/** The space that things of a kind want. */
export interface InSpace {
  parts: readonly SpacePart[];
}

export const defineSpacePart = <P>(part: SpacePart<P>): SpacePart => part as SpacePart;
