import { FORM_WORDS, STAIR_FORMS } from '@/core/stairs/stair-form';

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

export const CARRIED_CHOICES = [
  ['waist', 'a piece under its treads'],
  ['stringers', 'two stringers'],
] as const;

export const FORM_CHOICES = STAIR_FORMS.map((form) => [form, FORM_WORDS[form]] as const);

export const FIT_CHOICES = [
  ['well', 'the well it is given'],
  ['free', 'it must be, from a corner'],
] as const;
