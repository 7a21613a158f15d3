import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind } from '../model/kinds';

/** What inputs are made of: the framework as it stands, and chance. */
export interface Chance {
  framework: Framework;
  random: () => number;
  pick: <T>(list: readonly T[]) => T;
  between: (low: number, high: number) => number;
  one: (kind: Kind) => Id;
  levels: Id[];
  lines: Id[];
  grid: Id;
  building: Id;
}
