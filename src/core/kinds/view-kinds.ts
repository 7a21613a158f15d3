/** Kinds of thing a view can leave out. */
export const VIEW_KINDS = [
  'grids',
  'columns',
  'floors',
  'shafts',
  'stairs',
  'walls',
  'rooms',
  'foundations',
  'ceilings',
  'beams',
  'guards',
  'roofs',
] as const;
export type ViewKind = (typeof VIEW_KINDS)[number];
