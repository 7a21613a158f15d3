import type { z } from 'zod';
import type { Json } from '../model/json';
import type { Kind, RecordOf } from '../model/kinds';

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

/** What records of a kind are: their words, shape and history. Knows no behaviour. */
export interface RecordKind<K extends Kind = Kind> {
  kind: K;
  /** What a person calls one, and several. */
  words: { one: string; many: string };
  /** What free names begin with, as in S1; null: they have names of another sort, or none. */
  letters: string | null;
  schema: z.ZodType<RecordOf<K>>;
  migrations: readonly Migration[];
  /** What else becomes of one when the lines it stands on go; `mark`: that of the crossing it stood on. */
  freed?: (record: RecordOf<K>, mark: string | null) => Partial<RecordOf<K>>;
}

export const recordKind = <K extends Kind>(kind: RecordKind<K>): RecordKind<K> => kind;
