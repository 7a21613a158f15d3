export const GUARD_IS_CHOICES = [
  ['guard', 'guard'],
  ['handrail', 'handrail alone'],
] as const;

export const GUARD_INFILL_CHOICES = [
  ['bars', 'bars'],
  ['panel', 'panels'],
  ['rails', 'rails'],
  ['none', 'nothing'],
] as const;

export const GUARD_SIDE_CHOICES = [
  ['both', 'both sides'],
  ['left', 'its left, going up'],
  ['right', 'its right, going up'],
  ['centre', 'its middle'],
] as const;

export const GUARD_EDGE_CHOICES = [
  ['all', 'all open edges'],
  ['outer', 'round the slabs'],
  ['openings', 'of openings'],
] as const;
