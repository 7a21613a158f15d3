import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

/** One thing an edit would bring about. */
export interface Consequence {
  about: 'levels' | 'stairs' | 'shafts' | 'columns' | 'walls' | 'floors' | 'gone' | 'newFindings' | 'goneFindings';
  words: string;
  /** What it is about and where, for choosing it. */
  ids: Id[];
  level: Id | null;
}

/** A framework and what is worked out from it. */
export interface State {
  framework: Framework;
  solved: Solved;
}

/** Two states that are compared, and how what differs is written. */
export interface Compared {
  before: State;
  after: State;
  write: (mm: number) => string;
  elevation: (mm: number) => string;
  area: (mm2: number) => string;
  /** A level's name, in either state. */
  level: (id: Id) => string;
}

/** What differs in things of a kind between two states, in words. */
export interface Consequences {
  of: (compared: Compared) => Consequence[];
}

/** How many pieces there were and are, said where that differs. */
export function countDiffers(about: Consequence['about'], one: string, were: number, are: number): Consequence[] {
  if (were === are) return [];
  return [{ about, words: `${were} ${were === 1 ? one : `${one}s`} → ${are}`, ids: [], level: null }];
}
