'use client';

import { Fragment, useMemo, useRef, useState } from 'react';
import { KEEPS, type Keep } from '@/core/columns/column';
import { sectionWords } from '@/core/columns/section-shape';
import type { ColumnPiece } from '@/core/solving/solved';
import { formatForEntry, type LengthDisplay, formatVolume } from '@/core/units/format-length';
import { CheckField, ChoiceField } from '../../fields/fields';
import { useSectionReader } from '../../fields/section-field';
import { useSlice } from '../../session/store';
import { Cell } from '../../schedules/cell';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { useWindow } from '../../schedules/use-window';

const KEEP_WORDS: Record<Keep, string> = {
  centre: 'keeping the centre',
  'x+': 'keeping the right face',
  'x-': 'keeping the left face',
  'y+': 'keeping the upper face',
  'y-': 'keeping the lower face',
};
const LEFT_OUT = '–';
const ROW_PX = 28;
const COLUMN_PX = 97;

/** What a cell shows: the section there, a dash where the column is left out, nothing outside its span. */
const cellText = (piece: ColumnPiece | undefined, isWithin: boolean, display: LengthDisplay): string =>
  piece ? sectionWords(piece.section, (mm) => formatForEntry(mm, display)) : isWithin ? LEFT_OUT : '';

type CellEdit = CommandInputs['columns.editTable']['cells'][number];

/** The column schedule: stacks down, levels across. Typed and pasted into; one paste is one edit. */
export function ColumnTable() {
  const { solved, building, display, mayEdit, selection, run, say, select, set } = useSlice(
    'solved',
    'building',
    'display',
    'mayEdit',
    'selection',
    'run',
    'say',
    'select',
    'set',
  );
  const read = useSectionReader();
  const scroll = useRef<HTMLDivElement>(null);
  const [typedIn, setTypedIn] = useState<{ row: number; column: number } | null>(null);
  const [upwards, setUpwards] = useState(true);
  const [keep, setKeep] = useState<Keep>('centre');
  const rows = useMemo(() => {
    const stacks = new Map<string, { mark: string; pieces: Map<string, ColumnPiece> }>();
    for (const piece of solved?.columns ?? []) {
      if (piece.building !== building) continue;
      const row = stacks.get(piece.stack) ?? { mark: piece.mark, pieces: new Map<string, ColumnPiece>() };
      stacks.set(piece.stack, row);
      row.pieces.set(piece.level, piece);
    }
    return [...stacks].sort(([, a], [, b]) => a.mark.localeCompare(b.mark, 'en', { numeric: true }));
  }, [solved, building]);
  const levels = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding).slice(0, -1);
  const down = useWindow({ count: rows.length, sizePx: ROW_PX, scroll, kept: typedIn?.row ?? null });
  const across = useWindow({
    count: levels.length,
    sizePx: COLUMN_PX,
    scroll,
    across: true,
    kept: typedIn?.column ?? null,
  });
  if (!solved || !building) return null;
  const rank = new Map(levels.map(({ id }, i) => [id, i]));
  const isWithin = (pieces: ReadonlyMap<string, ColumnPiece>, level: string): boolean => {
    const ranks = [...pieces.keys()].map((id) => rank.get(id) ?? 0);
    const at = rank.get(level)!;
    return at > Math.min(...ranks) && at < Math.max(...ranks);
  };

  /** One cell's text as part of an edit: empty is "as below", a dash "left out". */
  const valueOf = (text: string): CellEdit['value'] => {
    const typed = text.trim();
    if (typed === '') return null;
    if (/^[-–—]$/.test(typed)) return 'leftOut';
    const section = read(typed);
    if (!section.ok) throw new Error(section.words);
    return section.input;
  };
  const edit = (cells: CellEdit[]): string | null =>
    cells.length === 0 ? null : run('columns.editTable', { cells, upwards, keep });
  const commit = (column: string, level: string, text: string): string | null => {
    try {
      return edit([{ column, level, value: valueOf(text) }]);
    } catch (error) {
      return (error as Error).message;
    }
  };
  const paste = (row: number, column: number, text: string) => {
    try {
      const cells = text
        .replace(/\r?\n$/, '')
        .split(/\r?\n/)
        .flatMap((line, i) =>
          line.split('\t').flatMap((cell, j): CellEdit[] => {
            const [stack, level] = [rows[row + i], levels[column + j]];
            if (!stack || !level) return [];
            const now = cellText(stack[1].pieces.get(level.id), isWithin(stack[1].pieces, level.id), display);
            return cell.trim() === now ? [] : [{ column: stack[0], level: level.id, value: valueOf(cell) }];
          }),
        );
      // What is pasted says every level itself, so each cell holds for its own level.
      const refusal = cells.length === 0 ? null : run('columns.editTable', { cells, upwards: false, keep });
      if (refusal) say(refusal);
    } catch (error) {
      say((error as Error).message);
    }
  };
  const textAt = (row: number, column: number): string | null => {
    const [stack, level] = [rows[row]?.[1], levels[column]];
    return stack && level ? cellText(stack.pieces.get(level.id), isWithin(stack.pieces, level.id), display) : null;
  };
  /** Goes to a cell, which may be out of sight. */
  const focus = (row: number, column: number): void => {
    if (!rows[row]) return;
    const cell = () => scroll.current?.querySelector<HTMLInputElement>(`[data-cell="${row} ${column}"]`);
    const there = cell();
    if (there) return there.focus();
    down.show(row);
    requestAnimationFrame(() => cell()?.focus());
  };
  const volume = rows.reduce(
    (sum, [, { pieces }]) => sum + [...pieces.values()].reduce((total, piece) => total + piece.volumeMm3, 0),
    0,
  );
  return (
    <div ref={scroll} className="min-h-0 min-w-0 flex-1 overflow-auto p-5">
      <div className="mb-3 flex flex-wrap items-center justify-between gap-4">
        <p className="max-w-[440px] text-ink2">
          Type a section like {display.system === 'imperial' ? '20"x20"' : '500x500'}, round{' '}
          {formatForEntry(550, display)} or I 300x300x11x19; – leaves the column out, an empty cell is as below. Paste
          from a spreadsheet at any cell.
        </p>
        <span className="flex items-center gap-3">
          <ChoiceField
            label="A step"
            value={keep}
            choices={KEEPS.map((each) => [each, KEEP_WORDS[each]] as const)}
            onChoose={setKeep}
          />
          <CheckField label="holds from its level up" value={upwards} onChange={setUpwards} />
        </span>
      </div>
      {rows.length === 0 ? (
        <p className="text-ink2">No columns in this building yet.</p>
      ) : (
        <table
          className="border-collapse"
          aria-label="Columns"
          aria-rowcount={rows.length + 1}
          aria-colcount={levels.length + 1}
        >
          <thead>
            <tr>
              <th scope="col" className="sticky left-0 border-b border-ink3 bg-film px-1.5 py-1 text-left">
                Stack
              </th>
              {across.shown.map(({ index, gapPx }) => (
                <Fragment key={levels[index]!.id}>
                  {gapPx > 0 && <td aria-hidden="true" style={{ minWidth: gapPx }} />}
                  <th
                    scope="col"
                    aria-colindex={index + 2}
                    style={{ minWidth: COLUMN_PX }}
                    className="border-b border-ink3 px-1.5 py-1 text-left"
                  >
                    {levels[index]!.name}
                  </th>
                </Fragment>
              ))}
              {across.restPx > 0 && <td aria-hidden="true" style={{ minWidth: across.restPx }} />}
            </tr>
          </thead>
          <tbody>
            {down.shown.map(({ index: row, gapPx }) => {
              const [stack, { mark, pieces }] = rows[row]!;
              return (
                <Fragment key={stack}>
                  {gapPx > 0 && <tr aria-hidden="true" style={{ height: gapPx }} />}
                  <tr
                    aria-rowindex={row + 2}
                    style={{ height: ROW_PX }}
                    className={selection.includes(stack) ? 'bg-now-tint' : undefined}
                  >
                    <th scope="row" className="sticky left-0 border border-hair bg-film px-1.5 text-left">
                      <button type="button" onClick={() => select([stack])}>
                        {mark}
                      </button>
                    </th>
                    {across.shown.map(({ index: column, gapPx: beforePx }) => {
                      const level = levels[column]!;
                      const piece = pieces.get(level.id);
                      const text = cellText(piece, isWithin(pieces, level.id), display);
                      const below = levels[column - 1] && pieces.get(levels[column - 1]!.id);
                      const isStep = Boolean(
                        piece && below && sectionWords(piece.section) !== sectionWords(below.section),
                      );
                      return (
                        <Fragment key={level.id}>
                          {beforePx > 0 && <td aria-hidden="true" />}
                          <td aria-colindex={column + 2} className="border border-hair p-0">
                            <Cell
                              key={text}
                              name={`Column ${mark} at level ${level.name}`}
                              at={`${row} ${column}`}
                              value={text}
                              above={() => textAt(row - 1, column)}
                              className={`figures w-24 ${isStep ? 'font-bold' : ''}`}
                              disabled={!mayEdit || (text === '' && !piece)}
                              choices={null}
                              onFocus={() => {
                                setTypedIn({ row, column });
                                set({ level: level.id });
                              }}
                              onCommit={(typed) => commit(stack, level.id, typed)}
                              onPaste={(pasted) => paste(row, column, pasted)}
                              onMove={(by) => focus(row + by, column)}
                            />
                          </td>
                        </Fragment>
                      );
                    })}
                  </tr>
                </Fragment>
              );
            })}
            {down.restPx > 0 && <tr aria-hidden="true" style={{ height: down.restPx }} />}
          </tbody>
        </table>
      )}
      {rows.length > 0 && (
        <p className="mt-3 text-ink2">
          {rows.length} stacks, {formatVolume(volume, display)} in all. Heads and thickenings:{' '}
          {formatVolume(
            solved.blocks
              .filter((block) => block.building === building)
              .reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0),
            display,
          )}
          . Bold: another size than below.
        </p>
      )}
    </div>
  );
}
