import type { Rec } from '../model/record';

/** What may be carried, kind by kind. */
export const CARRY_KINDS = [
  'columns',
  'shafts',
  'stairs',
  'floors',
  'ceilings',
  'exteriorWalls',
  'interiorWalls',
  'coreWalls',
  'doors',
  'windows',
  'plainOpenings',
] as const;
export type CarryKind = (typeof CARRY_KINDS)[number];

export const CARRY_WORDS: Record<CarryKind, string> = {
  columns: 'columns',
  shafts: 'shafts',
  stairs: 'stairs',
  floors: 'floor plates',
  ceilings: 'ceilings',
  exteriorWalls: 'exterior walls',
  interiorWalls: 'interior walls',
  coreWalls: 'core walls',
  doors: 'doors',
  windows: 'windows',
  plainOpenings: 'plain openings',
};

/** The kind a record is carried as; null for what is not carried. */
export function kindOf(record: Rec): CarryKind | null {
  switch (record.kind) {
    case 'columnStack':
      return 'columns';
    case 'shaft':
      return 'shafts';
    case 'stair':
      return 'stairs';
    case 'floorPlate':
      return 'floors';
    case 'ceiling':
      return 'ceilings';
    case 'wall':
      return record.use === 'core' ? 'coreWalls' : record.use === 'interior' ? 'interiorWalls' : 'exteriorWalls';
    default:
      return null;
  }
}
