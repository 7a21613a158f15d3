import type { BoardColumn } from '@/core/carrying/board';
import type { Kind } from '@/core/model/kinds';
import type { Id } from '@/core/model/ids';
import type { SolvedLevel } from '@/core/solving/solved';
import { kindColour, kindWords } from './kind-words';

export const ROW_PX = 30;
export const COLUMN_PX = 25;
export const HEADER_PX = 104;
export const LEVEL_PX = 128;
const GROUP_PX = 18;
/** Rows and columns drawn beyond what is seen. */
const SPARE = 4;

export interface Placed extends BoardColumn {
  x: number;
}

/** A stretch of rows being brushed: an end of a thing carried to another level. */
export interface Brush {
  id: Id;
  end: 'lowest' | 'topmost';
  row: number;
}

export type Filter = 'all' | 'differs' | 'finding' | 'here';

/** Which things are shown: of the kinds not hidden, with a text in their names, and as the filter asks. */
export function shownColumns(
  columns: readonly BoardColumn[],
  { hidden, text, filter, level }: { hidden: ReadonlySet<Kind>; text: string; filter: Filter; level: Id | null },
): BoardColumn[] {
  const wanted = text.trim().toLowerCase();
  return columns.filter(({ kind, name, cells }) => {
    if (hidden.has(kind) || !name.toLowerCase().includes(wanted)) return false;
    if (filter === 'all') return true;
    if (filter === 'here') return level !== null && cells.get(level)?.state === 'stands';
    return [...cells.values()].some((cell) => (filter === 'differs' ? cell.differs : cell.finding !== null));
  });
}

/** Things that stand side by side under one heading. */
interface Group {
  key: string;
  words: string;
  colour: string;
  x: number;
  width: number;
}

/** Columns side by side, a gap between groups: cores first where things are grouped by core, the rest by kind. */
export function layBoard(
  columns: readonly BoardColumn[],
  cores: readonly { id: Id; name: string; members: readonly Id[] }[],
): { placed: Placed[]; groups: Group[]; widthPx: number } {
  const groups = new Map<string, Omit<Group, 'x' | 'width'> & { columns: BoardColumn[] }>();
  const coreOf = new Map<Id, (typeof cores)[number]>();
  for (const core of cores) {
    groups.set(core.id, { key: core.id, words: `Core ${core.name}`, colour: 'var(--color-cores)', columns: [] });
    for (const id of core.members) coreOf.set(id, core);
  }
  for (const column of columns) {
    const key = coreOf.get(column.id)?.id ?? column.kind;
    const known = groups.get(key);
    if (known) known.columns.push(column);
    else groups.set(key, { key, words: kindWords(column.kind), colour: kindColour(column.kind), columns: [column] });
  }
  const placed: Placed[] = [];
  const laid: Group[] = [];
  let x = 0;
  for (const { columns: own, ...group } of groups.values()) {
    if (own.length === 0) continue;
    if (laid.length > 0) x += GROUP_PX;
    laid.push({ ...group, x, width: own.length * COLUMN_PX - 4 });
    for (const column of own) {
      placed.push({ ...column, x });
      x += COLUMN_PX;
    }
  }
  // Room for the last names, which lean over.
  return { placed, groups: laid, widthPx: Math.max(200, x + 60) };
}

/** What of the board is seen. */
export interface Seen {
  left: number;
  top: number;
  width: number;
  height: number;
}

/**
 * What is seen after a scroll, in steps that the rows and columns to spare cover: between two steps nothing has to be
 * drawn anew.
 */
export function steppedTo(seen: Seen, left: number, top: number): Seen {
  const step = (px: number, size: number) => Math.floor(px / (2 * size)) * 2 * size;
  const next = { ...seen, left: step(left, COLUMN_PX), top: step(top, ROW_PX) };
  return next.left === seen.left && next.top === seen.top ? seen : next;
}

/** Rows that are seen, and some to spare. */
export function rowsSeen({ top, height }: Seen, count: number): { from: number; to: number } {
  const from = Math.max(0, Math.floor((top - HEADER_PX) / ROW_PX) - SPARE);
  return { from, to: Math.min(count, Math.ceil((top + height) / ROW_PX) + 2 + SPARE) };
}

/** Columns that are seen, and some to spare. */
export const columnsSeen = (placed: readonly Placed[], { left, width }: Seen): Placed[] =>
  placed.filter(({ x }) => x > left - LEVEL_PX - SPARE * COLUMN_PX && x < left + width + (2 + SPARE) * COLUMN_PX);

/** The end of a thing at a row of the board: where it is brushed from. */
export function endAt(column: BoardColumn, levels: readonly SolvedLevel[], row: number): 'lowest' | 'topmost' | null {
  const rows = levels.flatMap(({ id }, i) => (column.cells.has(id) ? [i] : []));
  if (rows.length === 0) return null;
  // Levels run from the top down.
  if (row === rows[0]) return 'topmost';
  return row === rows.at(-1) ? 'lowest' : null;
}
