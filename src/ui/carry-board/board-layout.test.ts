import { carryBoard } from '@/core/carrying/board';
import { recordsOf } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, levelId } from '@/core/testing/given';
import {
  COLUMN_PX,
  columnsSeen,
  HEADER_PX,
  layBoard,
  ROW_PX,
  rowsSeen,
  shownColumns,
  steppedTo,
  type Filter,
} from './board-layout';

const tower = given([
  ...FURNISHED,
  ['stairs.add', { name: 'ST1', well: { type: 'rectangle', place: '9000,7600', widthMm: 2700, depthMm: 5600 } }],
  ['columns.except', { columns: ['B-2'], level: '02', leftOut: true }],
  ['columns.change', { column: 'C-1', stopsAt: { level: '03' } }],
  ['cores.add', { name: 'K', ids: ['S1', 'ST1'] }],
]);
const [building] = recordsOf(tower, 'building');
const board = carryBoard(tower, solve(tower), building!.id);
const names = (filter: Filter, more: { text?: string; hidden?: 'columnStack'[]; level?: string } = {}) =>
  shownColumns(board.columns, {
    hidden: new Set(more.hidden),
    text: more.text ?? '',
    filter,
    level: more.level ? levelId(tower, more.level) : null,
  }).map(({ name }) => name);

describe('what the carry board shows', () => {
  it('is of the kinds, names and states asked for', () => {
    expect(names('all')).toHaveLength(board.columns.length);
    expect(names('all', { hidden: ['columnStack'] })).toEqual(['ST1', 'S1', 'Plate']);
    expect(names('all', { text: 'b-' })).toEqual(['B-1', 'B-2', 'B-3', 'B-4', 'B-5']);
    expect(names('differs')).toEqual(['B-2']);
    expect(names('finding')).toContain('B-2');
    expect(names('here', { level: '02' })).not.toContain('B-2');
    expect(names('here', { level: '04' })).not.toContain('C-1');
    expect(names('here', { level: '01' })).toContain('C-1');
  });
});

describe('the layout', () => {
  it('has a heading for each kind, things side by side under it and a gap between', () => {
    const { placed, groups } = layBoard(board.columns, []);
    expect(groups.map(({ words }) => words)).toEqual(['Stairs', 'Shafts', 'Columns', 'Floors']);
    expect(placed.map(({ id }) => id)).toEqual(board.columns.map(({ id }) => id));
    const xs = placed.map(({ x }) => x);
    expect(xs.slice(1).every((x, i) => x - xs[i]! >= COLUMN_PX)).toBe(true);
    for (const { x, width } of groups) expect(xs.some((at) => at === x) && width >= COLUMN_PX - 4).toBe(true);
  });

  it('puts what is of a core under the core, the rest under its kind', () => {
    const { placed, groups } = layBoard(board.columns, recordsOf(tower, 'core'));
    expect(groups.map(({ words }) => words)).toEqual(['Core K', 'Columns', 'Floors']);
    expect(placed.slice(0, 2).map(({ name }) => name)).toEqual(['ST1', 'S1']);
    expect(placed).toHaveLength(board.columns.length);
    // A core of which nothing is shown has no heading.
    expect(layBoard([], recordsOf(tower, 'core')).groups).toEqual([]);
  });
});

describe('what is drawn while the board is scrolled', () => {
  const columns = Array.from({ length: 400 }, (_, i) => ({ ...board.columns[0]!, id: `${i}` }));
  const { placed, widthPx } = layBoard(columns, []);

  it('always holds what is seen, and no more than a screen and some to spare', () => {
    let seen = { left: 0, top: 0, width: 800, height: 600 };
    for (let i = 0; i < 500; i += 1) {
      const [left, top] = [(i * 97) % (widthPx - 800), (i * 61) % (100 * ROW_PX)];
      seen = steppedTo(seen, left, top);
      const [rows, drawn] = [rowsSeen(seen, 100), columnsSeen(placed, seen)];
      expect(rows.from * ROW_PX).toBeLessThanOrEqual(Math.max(0, top));
      expect(rows.to * ROW_PX).toBeGreaterThanOrEqual(Math.min(100 * ROW_PX, top + 600 - HEADER_PX));
      const inSight = placed.filter(({ x }) => x + COLUMN_PX > left && x < left + 800);
      expect(inSight.every((column) => drawn.includes(column))).toBe(true);
      expect(drawn.length * (rows.to - rows.from)).toBeLessThan(60 * 45);
    }
  });

  it('is not drawn anew for a scroll that what is to spare covers', () => {
    const seen = steppedTo({ left: 0, top: 0, width: 800, height: 600 }, 0, 0);
    expect(steppedTo(seen, 30, 40)).toBe(seen);
    expect(steppedTo(seen, 0, 2 * ROW_PX)).not.toBe(seen);
  });
});
