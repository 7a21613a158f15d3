/** What may be carried, kind by kind. */
export const CARRY_KINDS = [
  'columns',
  'shafts',
  'stairs',
  'floors',
  'ceilings',
  'beams',
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
  beams: 'beams',
  exteriorWalls: 'exterior walls',
  interiorWalls: 'interior walls',
  coreWalls: 'core walls',
  doors: 'doors',
  windows: 'windows',
  plainOpenings: 'plain openings',
};
