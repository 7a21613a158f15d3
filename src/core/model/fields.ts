import { z } from 'zod';
import { marked, ref, type Bounds } from '../kinds/marks';
import type { Length } from '../units/parse-length';

/** Characters that are not seen but change what is: control characters but tab and line breaks, and marks of direction. */
const UNSEEN =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\u061c\u200e\u200f\u2028-\u202e\u2066-\u2069\ufeff]/;

/** Half of a pair that makes one character: text that was cut in two, which no file or database takes. */
const HALF = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** What is wrong with a text a person typed, in words; null if nothing is. */
export const textFault = (text: string): string | null => {
  if (HALF.test(text)) return 'The text holds half a character. Type it anew';
  return UNSEEN.test(text) ? 'No control characters or marks of writing direction' : null;
};

/** The first text in an input that no file or database takes, with its path; null if there is none. */
export function faultyText(
  input: unknown,
  path: (string | number)[] = [],
): { fault: string; path: (string | number)[] } | null {
  if (typeof input === 'string') {
    const fault = textFault(input);
    return fault ? { fault, path } : null;
  }
  if (input === null || typeof input !== 'object') return null;
  const entries: [string | number, unknown][] = Array.isArray(input) ? [...input.entries()] : Object.entries(input);
  for (const [key, value] of entries) {
    const found = faultyText(value, [...path, key]) ?? (typeof key === 'string' ? faultyText(key, path) : null);
    if (found) return found;
  }
  return null;
}

/** Text a person typed: trimmed, no control characters, of bounded length. */
export const textSchema = (most: number) =>
  z
    .string()
    .trim()
    .min(1, 'Type something here')
    .max(most, `At most ${most} characters`)

    .regex(/^[^\u0000-\u001f\u007f]*$/, 'No line breaks or control characters');

/** A stored length: millimetres, or an expression over named dimensions. */
export const lengthSchema: z.ZodType<Length> = marked(
  z.union([z.number().min(-1e9).max(1e9), z.object({ expr: z.string().min(1).max(400) })]),
  { is: 'length' },
);

/** A stored length with limits that hold whatever it is worked out from; commands read what is typed within the same. */
export const lengthWithin = (bounds: Bounds): z.ZodType<Length> => marked(lengthSchema, { is: 'within', bounds });

export const angleSchema = z.number().min(-360).max(360);

/** Where a vertical element starts or stops: a level, one of its faces and a signed distance from it. */
export const endSchema = z.object({
  level: ref('refuse'),
  /** `ceiling`: of the storey under the level; `roof`: the underside of the pitched roofs over it. For the tops of walls, and of columns a roof. */
  face: z.enum(['FFL', 'SSL', 'soffit', 'ceiling', 'roof']),
  offsetMm: lengthSchema,
});
export type End = z.infer<typeof endSchema>;

export const startSchema = marked(endSchema, { is: 'end', side: 'start' });
export const stopSchema = marked(endSchema, { is: 'end', side: 'stop' });

/**
 * A place in plan: a shift from the building's zero, from the crossing of two lines along their system's axes, or along
 * one line: `xMm` from where it begins (its extension left out) and `yMm` to its left.
 */
export const placeSchema = marked(
  z.object({
    lines: z.tuple([ref('detach'), ref('detach')]).nullable(),
    /** Where two lines meet twice: the second place. */
    nth: z.literal(2).optional(),
    /** The line it stands on at a distance. */
    line: ref('detach').optional(),
    xMm: lengthSchema,
    yMm: lengthSchema,
  }),
  { is: 'place' },
);
export type Place = z.infer<typeof placeSchema>;
