import { minus } from '@/core/geometry/point';
import type { Ring } from '@/core/geometry/polygon';
import { directionDeg } from '@/core/geometry/trig';
import { FORM_WORDS, STAIR_FORMS } from '@/core/stairs/stair-form';

/** Where a side lies, by the eighth of a turn that it looks out to, from the right one on round to the left. */
const LYING = ['right', 'upper right', 'upper', 'upper left', 'left', 'lower left', 'lower', 'lower right'] as const;

/** The sides of a well, counted as its edges are. Those that look out the same way have a number besides. */
export function entryChoices(ring: Ring | null): (readonly [side: string, words: string])[] {
  if (!ring) return [['0', 'the lower side']];
  const lying = ring.map((corner, i) => {
    const along = minus(ring[(i + 1) % ring.length]!, corner);
    return LYING[(Math.round(directionDeg(-along.x, along.y) / 45) + 8) % 8]!;
  });
  return lying.map((words, i) => {
    const before = lying.slice(0, i).filter((other) => other === words).length;
    const isOnly = lying.filter((other) => other === words).length === 1;
    return [String(i), `the ${words} side${isOnly ? '' : ` ${before + 1}`}`] as const;
  });
}

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
  ['corners', 'a well of the corners it is given'],
  ['free', 'it must be, from a corner'],
] as const;
