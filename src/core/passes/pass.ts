import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { PlanFacts } from './plan-facts';
import type { Profiles } from './profiles';
import type { Remembered } from './remembered';

/** What one result of a pass is about. */
export type Scope = 'project' | 'building' | 'level' | 'thing';

/** What a pass reads through: every read is remembered, and nothing else may be read. */
export interface Context {
  /** Records; all that is worked out from them on the way is remembered by what it was worked out from. */
  readonly framework: Framework;
  get: <T>(pass: Pass<T>, key: string) => T;
  readonly profiles: Profiles;
  readonly facts: PlanFacts;
  readonly remembered: Remembered;
}

/** A part of the solve: what is worked out for one key of its scope. Results are never changed once they are made. */
export interface Pass<T> {
  readonly name: string;
  readonly scope: Scope;
  /** The key is an id; of a thing or level in a building as {@link keyOf} makes it. */
  readonly run: (cx: Context, key: string) => T;
  /**
   * True where it only puts results of other passes together: then its parts are compared as what they are, and not looked into.
   */
  readonly gathers?: true;
  /**
   * It takes long, and what it works out may come after the rest: where one does not wait for it, it answers what it did before, and
   * this at first.
   */
  readonly late?: { readonly until: T };
  /** What there is where it throws; passes without it fail with those that read them. */
  readonly failing?: (cx: Context, key: string) => Failing<T>;
}

export interface Failing<T> {
  value: T;
  /** In words, as the beginning of a sentence: `Shaft S2`. */
  what: string;
  building: Id;
  about: readonly Id[];
}

export const definePass = <T>(pass: Pass<T>): Pass<T> => pass;

/** A key of something within a building, and its parts. */
export const keyOf = (building: Id, ...rest: (string | number)[]): string => [building, ...rest].join('/');
export const partsOf = (key: string): [building: Id, first: string, second: string] => {
  const [building = '', first = '', second = ''] = key.split('/');
  return [building, first, second];
};
