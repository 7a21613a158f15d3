import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, RecordOf } from '../model/kinds';
import type { Solved, SolvedLevel } from '../solving/solved';

/** What a thing is said with: the framework solved, and lengths, heights and areas in the reader's units. */
export interface SayAt {
  framework: Framework;
  solved: Solved;
  write: (mm: number) => string;
  elevation: (mm: number) => string;
  area: (mm2: number) => string;
  /** A level's name; `?` where there is none. */
  level: (id: Id | undefined) => string;
}

/** What one reads of a thing first. */
export interface Sentence<K extends Kind> {
  /** Its title, where it is not its words with its name. */
  title?: (record: RecordOf<K>, at: SayAt) => string;
  /** What it is and where it runs. */
  of: (record: RecordOf<K>, at: SayAt) => string;
}

/** A level whose things are listed. */
export interface ListAt {
  framework: Framework;
  solved: Solved;
  shown: SolvedLevel;
}

/** Things of a kind at a level, each by what it is called. */
export interface Listed {
  heading: string;
  things: (at: ListAt) => { id: Id; words: string }[];
}

/** One thing once, however many pieces of it there are. */
export const once = (things: readonly { id: Id; words: string }[]): { id: Id; words: string }[] => [
  ...new Map(things.map((thing) => [thing.id, thing])).values(),
];

/** `one storey`, `3 storeys`. */
export const counted = (n: number, one: string): string => (n === 1 ? `one ${one}` : `${n} ${one}s`);
