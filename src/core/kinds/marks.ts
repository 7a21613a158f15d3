import { z } from 'zod';
import { idSchema, type Id } from '../model/ids';

/**
 * What becomes of a record when one it refers to is removed. `refuse`: the other may not go. `detach`: it lets go and
 * stays where it is; from a list the entry is dropped, a field that may be empty is emptied. `follow`: it goes too.
 */
export type WhenGone = 'refuse' | 'detach' | 'follow';

/** Least and greatest value of a length, in millimetres; not given: no limit of its own. */
export interface Bounds {
  readonly atLeastMm?: number;
  readonly moreThanMm?: number;
  readonly atMostMm?: number;
}

/** What a field of a record is, beyond its shape: read by everything that is written once for all kinds. */
export type Mark =
  /** The id of another record; `unless`: what happens where the other is of one of these kinds. */
  | { is: 'ref'; whenGone: WhenGone; unless: Readonly<Record<string, WhenGone>> }
  /** The id of a part of the record, its own in the whole framework: a copy has another. */
  | { is: 'ownId' }
  | { is: 'length' }
  /** A length that always lies between these, whatever it is worked out from. */
  | { is: 'within'; bounds: Bounds }
  /** Where it stands in plan. */
  | { is: 'place' }
  /** Corners `{ xMm, yMm }` from its place, along the axes of that. */
  | { is: 'corners' }
  /** An object with a shift `{ xMm, yMm }` along the axes of its place. */
  | { is: 'shift' }
  /** Degrees against the axes of its place. */
  | { is: 'turn' }
  | { is: 'outline' }
  /** An object that stands at `{ xMm, yMm }` in its building's axes. */
  | { is: 'origin' }
  /**
   * Where it starts or stops: a level, a face and a distance. `floors`: it goes from floor to floor, whatever their heights;
   * `top`: it hangs on its level by its top, and never goes with it.
   */
  | { is: 'end'; side: 'start' | 'stop' | 'top'; floors?: true }
  /** The levels it serves. */
  | { is: 'extent' }
  /** An end of the range of levels it is there on; null: no limit. */
  | { is: 'limit'; side: 'lowest' | 'highest' }
  /** The id of a level: where that goes, it is the next one up. */
  | { is: 'movesUp' }
  /** A list of what differs at a level, or from there up. */
  | { is: 'exceptions' }
  /** A list that is nothing when it is empty: what holds it goes with its last entry. */
  | { is: 'needed' };

const MARKS = new WeakMap<z.ZodType, readonly Mark[]>();

/** A schema with a mark; the schema itself is left as it was, so that one may be marked in several ways. */
export function marked<S extends z.ZodType>(schema: S, ...marks: Mark[]): S {
  const own = schema.clone() as S;
  MARKS.set(own, [...marksOf(schema), ...marks]);
  return own;
}

/** The marks of a schema, in the order they were made. */
export const marksOf = (schema: z.ZodType): readonly Mark[] => MARKS.get(schema) ?? [];

/** The id of another record. */
export const ref = (whenGone: WhenGone, unless: Readonly<Record<string, WhenGone>> = {}): z.ZodType<Id> =>
  marked(idSchema, { is: 'ref', whenGone, unless });
