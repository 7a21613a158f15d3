import { facet } from '../kinds/kind';
import type { BoardCell, Cells, OnBoard } from '../kinds/on-board';
import { definitionOf, DEFINITIONS } from '../kinds/registry';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, RecordOf } from '../model/kinds';
import type { Solved, SolvedLevel } from '../solving/solved';

/** How things of a kind are on the board; null for kinds that are not. */
export const onBoard = (kind: Kind): OnBoard<Kind> | null => facet(definitionOf(kind).board);

/** Kinds of carried thing in the order of the board. */
export const boardKinds = (): readonly Kind[] =>
  DEFINITIONS.map(({ records }) => records.kind as Kind)
    .filter((kind) => onBoard(kind))
    .sort((a, b) => onBoard(a)!.order - onBoard(b)!.order);

export interface BoardColumn {
  id: Id;
  kind: Kind;
  name: string;
  /** By level; a level it is not at has none. */
  cells: ReadonlyMap<Id, BoardCell>;
}

/** What stands where: levels of a building against everything carried through them. */
export interface Board {
  /** Storeys from the top down. */
  levels: SolvedLevel[];
  columns: BoardColumn[];
}

/** The board of a building, worked out from what is solved. Kind by kind, each in the order of its names. */
export function carryBoard(framework: Framework, solved: Solved, building: Id): Board {
  const levels = solved.levels.filter((level) => level.building === building && level.bounding);
  const worst = new Map<string, 'error' | 'warning'>();
  for (const { about, level, severity } of solved.findings) {
    for (const id of level ? about : []) {
      const key = `${id} ${level}`;
      if (worst.get(key) !== 'error') worst.set(key, severity);
    }
  }
  const columns = boardKinds().flatMap((kind): BoardColumn[] => {
    const board = onBoard(kind)!;
    const cells = board.cells({ framework, solved, levels });
    return (recordsOf(framework, kind) as RecordOf<'shaft'>[])
      .filter((record) => record.building === building)
      .map((record): BoardColumn => {
        const own = cells.get(record.id) ?? new Map<Id, BoardCell>();
        if ('exceptions' in record) for (const each of record.exceptions) mark(own, each.level);
        for (const [level, cell] of own) cell.finding = worst.get(`${record.id} ${level}`) ?? null;
        return { id: record.id, kind, name: board.name?.(framework, record) ?? record.name, cells: own };
      })
      .sort((a, b) => byName(a.name, b.name) || (a.id < b.id ? -1 : 1));
  });
  return { levels: [...levels].reverse(), columns };
}

function mark(cells: Cells, level: Id): void {
  const cell = cells.get(level);
  if (cell) cell.differs = true;
}

/** Names with numbers in them by number: S2 before S10. */
function byName(a: string, b: string): number {
  const parts = (name: string) => name.match(/\d+|\D+/g) ?? [];
  const [p, q] = [parts(a), parts(b)];
  for (let i = 0; i < Math.min(p.length, q.length); i += 1) {
    const [x, y] = [p[i]!, q[i]!];
    if (x === y) continue;
    const [n, m] = [Number(x), Number(y)];
    return Number.isNaN(n) || Number.isNaN(m) ? (x < y ? -1 : 1) : n - m;
  }
  return p.length - q.length;
}
