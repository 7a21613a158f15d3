/** Sides of a well, counted as its edges are. */
export const ENTRY_CHOICES = [
  ['0', 'the lower side'],
  ['1', 'the right side'],
  ['2', 'the upper side'],
  ['3', 'the left side'],
] as const;

export const TURN_CHOICES = [
  ['left', 'to the left'],
  ['right', 'to the right'],
] as const;

export const OPENING_CHOICES = [
  ['well', 'the whole well'],
  ['tight', 'as small as headroom lets it'],
] as const;
