import type { z } from 'zod';
import type { Json } from '../model/json';
import type { Kind, RecordOf } from '../model/kinds';
import type { Length } from '../units/parse-length';

type Fields = Record<string, Json>;

/**
 * How records of a kind came to a version from the one before. Frozen: it uses nothing that may still change, no constant and
 * no schema of today. Fields nobody knows are kept.
 */
export interface Migration {
  /** The first file version with the new shape. */
  to: number;
  record?: (record: Fields) => Fields;
  /** Fields that were given another name, old dotted path → new one. Records and what the log says of them follow. */
  renamed?: Readonly<Record<string, string>>;
}

/** Millimetres of a stored length. */
export type Mm = (length: Length) => number;

/** Limits beyond those of single fields; each answers what is wrong, in words, or null. */
export interface Limits<K extends Kind> {
  /** Of one record by itself. */
  ofOne?: (record: RecordOf<K>, mm: Mm) => string | null;
  /** Of all of its kind in a building; `was`: as they stood before the command, where one brought it about. */
  inBuilding?: (
    records: readonly RecordOf<K>[],
    mm: Mm,
    was: { records: readonly RecordOf<K>[]; mm: Mm } | null,
  ) => string | null;
}

/** What records of a kind are: their words, shape and history. Knows no behaviour. */
export interface RecordKind<K extends Kind = Kind> {
  kind: K;
  /** What a person calls one, and several. */
  words: { one: string; many: string };
  /** What free names begin with, as in S1; null: they have names of another sort, or none. */
  letters: string | null;
  schema: z.ZodType<RecordOf<K>>;
  migrations: readonly Migration[];
  /** Where no two may have one name; none: names are free, or there are none. */
  named?: 'in its building' | 'in the project';
  limits?: Limits<K>;
  /** What else becomes of one when the lines it stands on go; `mark`: that of the crossing it stood on. */
  freed?: (record: RecordOf<K>, mark: string | null) => Partial<RecordOf<K>>;
}

export const recordKind = <K extends Kind>(kind: RecordKind<K>): RecordKind<K> => kind;
