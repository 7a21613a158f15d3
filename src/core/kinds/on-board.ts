import type { Sent } from '../commands/command-inputs';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, RecordOf } from '../model/kinds';
import type { Solved, SolvedLevel } from '../solving/solved';

/** How a carried thing is at one level: in the storey over it, or, for a floor, at the level itself. */
export interface BoardCell {
  state: 'stands' | 'leftOut';
  /** An exception begins or holds at this level. */
  differs: boolean;
  /** Its size against the largest of the thing, for what grows thinner; 0 … 1. */
  weight: number;
  finding: 'error' | 'warning' | null;
}

export type Cells = Map<Id, BoardCell>;

/** The building whose board is made: its levels that bound storeys, from the lowest. */
export interface BoardAt {
  framework: Framework;
  solved: Solved;
  levels: readonly SolvedLevel[];
}

/** Something that can be done with a thing at one level. */
export interface CellAction {
  words: string;
  sent: Sent;
}

/** Things of a kind on the board. */
export interface OnBoard<K extends Kind> {
  heading: string;
  /** Kinds stand side by side in this order. */
  order: number;
  /** Bars through the storeys, narrow ones, or a line at each level. */
  shape: 'bar' | 'narrow' | 'slab';
  /** The colour of the theme it is drawn in. */
  colour: 'stairs' | 'shafts' | 'walls' | 'columns' | 'floors' | 'roofs';
  /** Its name, where that is not its own field. */
  name?: (framework: Framework, record: RecordOf<K>) => string;
  /** By thing and level; a level a thing is not at has none. */
  cells: (at: BoardAt) => Map<Id, Cells>;
  /** What can be done with one at a level it is at. */
  actions: (record: RecordOf<K>, level: Id, cell: BoardCell) => CellAction[];
}

export const standing = (): BoardCell => ({ state: 'stands', differs: false, weight: 1, finding: null });
export const leftOut = (): BoardCell => ({ ...standing(), state: 'leftOut', differs: true });

/** Words of the usual action. */
export const leaveOutWords = ({ state }: BoardCell): string =>
  state === 'leftOut' ? 'Put it back here' : 'Leave it out here';

/** The storeys whose height a stretch of heights reaches into. */
export function storeysIn(levels: readonly SolvedLevel[], bottomMm: number, topMm: number): Id[] {
  return levels
    .filter(({ fflMm, storeyHeightMm }) => {
      const ceiling = storeyHeightMm === null ? Infinity : fflMm + storeyHeightMm;
      return bottomMm < ceiling - 500 && topMm > fflMm + 1;
    })
    .map(({ id }) => id);
}

/** Cells of pieces that each belong to a level, and of levels where a thing is left out on purpose. */
export function cellsOf(
  pieces: readonly { id: Id; level: Id }[],
  records: readonly { id: Id; exceptions: readonly { level: Id; leftOut?: boolean }[] }[],
  levels: readonly SolvedLevel[],
): Map<Id, Cells> {
  const things = new Map<Id, Cells>();
  const cells = (id: Id): Cells => {
    const known = things.get(id) ?? new Map<Id, BoardCell>();
    things.set(id, known);
    return known;
  };
  for (const { id, level } of pieces) cells(id).set(level, standing());
  for (const { id, exceptions } of records)
    for (const each of exceptions)
      if (each.leftOut && levels.some((level) => level.id === each.level)) cells(id).set(each.level, leftOut());
  return things;
}
