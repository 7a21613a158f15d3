import { z } from 'zod';
import { parseLengthIn } from '../dimensions/resolve-length';
import { formatMm } from '../units/format-length';
import type { Length } from '../units/parse-length';
import { fieldWords } from '../model/field-words';
import { isWithin, boundsText } from '../kinds/bounds';
import type { Bounds } from '../kinds/marks';
import type { Framework } from '../model/framework';
import { refuse, type Refusal } from '../model/result';

/** A length in a command's input: millimetres, or text as a person types it (bare numbers are millimetres). */
export const lengthInputSchema = z.union([z.number().min(-1e9).max(1e9), z.string().max(200)]).meta({
  description: 'Millimetres, or a length as typed: "3.45m", "11\'-4 1/2\\"", "typical - slab"',
});
export type LengthInput = z.infer<typeof lengthInputSchema>;

/** Thrown while planning to refuse the command; caught by {@link refusing}. */
class InputRefused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.message);
  }
}

const WHATEVER: Bounds = { atLeastMm: -1e9, atMostMm: 1e9 };

/** Reads length inputs of one command. What cannot be read refuses the command with the field's name. */
export class LengthReader {
  constructor(private readonly framework: Framework) {}

  /** Length to store and its millimetres. */
  read(input: LengthInput, field: string, within: Bounds = {}): { stored: Length; mm: number } {
    const parsed = typeof input === 'number' ? null : parseLengthIn(this.framework, input);
    if (parsed && !parsed.ok) {
      throw new InputRefused({
        ...parsed.refusal,
        message: `The ${fieldWords(field)}: ${parsed.refusal.message}`,
        path: [field],
      });
    }
    const value = parsed ? parsed.value : { mm: input as number, stored: input as Length };
    const bounds = { ...WHATEVER, ...within };
    if (!isWithin(value.mm, bounds)) {
      const words = `The ${fieldWords(field)} must be ${boundsText(bounds)}; it is ${formatMm(value.mm)}`;
      throw new InputRefused(refuse(words, { path: [field] }).refusal);
    }
    return { stored: value.stored, mm: value.mm };
  }
}

/** A length of an input as a sentence of the history says it: in millimetres, or as it was typed where it names dimensions. */
export function saidLength(framework: Framework, input: LengthInput): string {
  if (typeof input === 'number') return formatMm(input);
  const parsed = parseLengthIn(framework, input);
  return parsed.ok && typeof parsed.value.stored === 'number' ? formatMm(parsed.value.mm) : input;
}

/** Runs a plan and turns a refused input into the plan's refusal. */
export function refusing(plan: () => Refusal | void): Refusal | void {
  try {
    return plan();
  } catch (error) {
    if (error instanceof InputRefused) return error.refusal;
    throw error;
  }
}

/** Refuses the command being planned. */
export function refuseNow(message: string, path?: (string | number)[]): never {
  throw new InputRefused(refuse(message, path ? { path } : {}).refusal);
}
