export const LEVEL_KINDS = ['storey', 'basement', 'mezzanine', 'roof', 'plant', 'attic', 'datum'] as const;
export type LevelKind = (typeof LEVEL_KINDS)[number];

/** Levels of these kinds bound storeys; a datum bounds none and a mezzanine is run past. */
export const boundsStorey = (kind: LevelKind): boolean => kind !== 'datum' && kind !== 'mezzanine';
