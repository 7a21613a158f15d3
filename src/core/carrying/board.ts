import { sectionSize } from '../columns/section-shape';
import { facet, type KindDef } from '../kinds/kind';
import { DEFINITIONS } from '../kinds/registry';
import { recordsOf, type Framework } from '../model/framework';
import type { Kind, RecordOf } from '../model/kinds';
import { markOf } from '../commands/refer';
import type { Id } from '../model/ids';
import type { Solved, SolvedLevel } from '../solving/solved';

const OWN_KINDS = ['stair', 'shaft', 'wall', 'columnStack', 'floorPlate'] as const;
type OwnKind = (typeof OWN_KINDS)[number];
export type BoardKind = Kind;

/** Kinds of carried thing in the order of the board: those with cells of their own making, then those that are bodies. */
export const boardKinds = (): readonly BoardKind[] => [
  ...OWN_KINDS,
  ...DEFINITIONS.filter((each) => facet(each.bodies as KindDef['bodies']) !== null).map((each) => each.records.kind),
];

/** How a carried thing is at one level: in the storey over it, or, for a floor, at the level itself. */
export interface BoardCell {
  state: 'stands' | 'leftOut';
  /** An exception begins or holds at this level. */
  differs: boolean;
  /** Its size against the largest of the thing, for what grows thinner; 0 … 1. */
  weight: number;
  finding: 'error' | 'warning' | null;
}

export interface BoardColumn {
  id: Id;
  kind: BoardKind;
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

type Cells = Map<Id, BoardCell>;

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
  const boards: Record<OwnKind, () => Map<Id, Cells>> = {
    stair: () => stairCells(solved),
    shaft: () => shaftCells(solved, levels),
    wall: () => wallCells(solved, levels),
    columnStack: () => columnCells(framework, solved, levels),
    floorPlate: () => floorCells(framework, solved, levels),
  };
  const columns = boardKinds().flatMap((kind): BoardColumn[] => {
    const cells = kind in boards ? boards[kind as OwnKind]() : bodyCells(framework, solved, levels, kind);
    return (recordsOf(framework, kind) as RecordOf<OwnKind>[])
      .filter((record) => record.building === building)
      .map((record): BoardColumn => {
        const own = cells.get(record.id) ?? new Map<Id, BoardCell>();
        if ('exceptions' in record) for (const each of record.exceptions) mark(own, each.level);
        for (const [level, cell] of own) cell.finding = worst.get(`${record.id} ${level}`) ?? null;
        const name = record.kind === 'columnStack' ? markOf(framework, record) : record.name;
        return { id: record.id, kind, name, cells: own };
      })
      .sort((a, b) => byName(a.name, b.name) || (a.id < b.id ? -1 : 1));
  });
  return { levels: [...levels].reverse(), columns };
}

/** Bodies at the levels they belong to, and where they are left out on purpose. */
function bodyCells(framework: Framework, solved: Solved, levels: readonly SolvedLevel[], kind: Kind): Map<Id, Cells> {
  const things = new Map<Id, Cells>();
  const cellsOf = (id: Id): Cells => {
    const cells = things.get(id) ?? new Map<Id, BoardCell>();
    things.set(id, cells);
    return cells;
  };
  for (const body of solved.bodies) if (body.kind === kind) cellsOf(body.thing).set(body.level, plain());
  for (const record of recordsOf(framework, kind)) {
    if (!('exceptions' in record)) continue;
    for (const each of record.exceptions)
      if ('leftOut' in each && each.leftOut && levels.some(({ id }) => id === each.level))
        cellsOf(record.id).set(each.level, { ...plain(), state: 'leftOut', differs: true });
  }
  return things;
}

const plain = (): BoardCell => ({ state: 'stands', differs: false, weight: 1, finding: null });

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

const stairCells = (solved: Solved): Map<Id, Cells> =>
  new Map(solved.stairs.map(({ stair, storeys }) => [stair, new Map(storeys.map(({ level }) => [level, plain()]))]));

/** The storeys whose height a stretch of heights reaches into. */
function storeysIn(levels: readonly SolvedLevel[], bottomMm: number, topMm: number): Id[] {
  return levels
    .filter(({ fflMm, storeyHeightMm }) => {
      const ceiling = storeyHeightMm === null ? Infinity : fflMm + storeyHeightMm;
      return bottomMm < ceiling - 500 && topMm > fflMm + 1;
    })
    .map(({ id }) => id);
}

const shaftCells = (solved: Solved, levels: readonly SolvedLevel[]): Map<Id, Cells> =>
  new Map(
    solved.shafts.map(({ shaft, bottomMm, topMm }) => [
      shaft,
      new Map(storeysIn(levels, bottomMm, topMm).map((level) => [level, plain()])),
    ]),
  );

function wallCells(solved: Solved, levels: readonly SolvedLevel[]): Map<Id, Cells> {
  const walls = new Map<Id, Cells>();
  for (const piece of solved.walls) {
    const cells = walls.get(piece.wall) ?? new Map<Id, BoardCell>();
    walls.set(piece.wall, cells);
    for (const level of storeysIn(levels, piece.bottomMm, piece.topMm)) cells.set(level, plain());
    cells.set(piece.level, plain());
  }
  return walls;
}

function columnCells(framework: Framework, solved: Solved, levels: readonly SolvedLevel[]): Map<Id, Cells> {
  const stacks = new Map<Id, Cells>();
  const largest = new Map<Id, number>();
  const sizes = new Map<BoardCell, number>();
  for (const piece of solved.columns) {
    const cells = stacks.get(piece.stack) ?? new Map<Id, BoardCell>();
    stacks.set(piece.stack, cells);
    const size = Math.max(...sectionSize(piece.section));
    const cell = plain();
    sizes.set(cell, size);
    cells.set(piece.level, cell);
    largest.set(piece.stack, Math.max(size, largest.get(piece.stack) ?? 0));
  }
  for (const [stack, cells] of stacks) {
    for (const cell of cells.values()) cell.weight = sizes.get(cell)! / largest.get(stack)!;
  }
  for (const { id, exceptions } of recordsOf(framework, 'columnStack')) {
    if (exceptions.some(({ leftOut }) => leftOut)) leaveGaps(stacks.get(id), levels);
  }
  return stacks;
}

/** Levels between the ends of a thing that it is not at. */
function leaveGaps(cells: Cells | undefined, levels: readonly SolvedLevel[]): void {
  if (!cells) return;
  const ranks = levels.flatMap(({ id }, i) => (cells.has(id) ? [i] : []));
  for (let i = Math.min(...ranks); i < Math.max(...ranks); i += 1) {
    const { id } = levels[i]!;
    if (!cells.has(id)) cells.set(id, { ...plain(), state: 'leftOut', differs: true });
  }
}

function floorCells(framework: Framework, solved: Solved, levels: readonly SolvedLevel[]): Map<Id, Cells> {
  const plates = new Map<Id, Cells>();
  for (const piece of solved.floors) {
    const cells = plates.get(piece.plate) ?? new Map<Id, BoardCell>();
    plates.set(piece.plate, cells);
    cells.set(piece.level, plain());
  }
  for (const { id, exceptions } of recordsOf(framework, 'floorPlate')) {
    const cells = plates.get(id) ?? new Map<Id, BoardCell>();
    plates.set(id, cells);
    for (const { level, leftOut } of exceptions) {
      if (leftOut && levels.some((each) => each.id === level))
        cells.set(level, { ...plain(), state: 'leftOut', differs: true });
    }
  }
  return plates;
}
