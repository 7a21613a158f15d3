'use client';

import { useRef } from 'react';
import { LEVEL_KINDS, type LevelKind } from '@/core/levels/level-kinds';
import type { SolvedLevel } from '@/core/solving/solved';
import { formatElevation, formatForField, type LengthDisplay } from '@/core/units/format-length';
import { ActionButton } from '../../fields/fields';
import { download } from '../../fields/download';
import { HeavyWorkLine, useHeavyWork } from '../../fields/heavy-work';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { Cell } from '../../schedules/cell';
import { TieView } from './tie-view';
import type { CommandInputs } from '@/core/commands/command-inputs';

type Field = 'name' | 'title' | 'levelKind' | 'fflMm' | 'heightMm' | 'buildUpMm';

/** Columns that are typed, in their order, so that what is pasted lands where a person sees it. */
const COLUMNS: readonly { field: Field; heading: string; isLength: boolean; width: string }[] = [
  { field: 'name', heading: 'Level', isLength: false, width: 'w-16' },
  { field: 'title', heading: 'Use', isLength: false, width: 'w-36' },
  { field: 'levelKind', heading: 'Kind', isLength: false, width: 'w-28' },
  { field: 'fflMm', heading: 'FFL', isLength: true, width: 'w-28' },
  { field: 'heightMm', heading: 'Floor to floor', isLength: true, width: 'w-28' },
  { field: 'buildUpMm', heading: 'Build-up', isLength: true, width: 'w-24' },
];

type RowEdit = CommandInputs['levels.editTable']['rows'][number];

function valueOf(level: SolvedLevel, field: Field, display: LengthDisplay): string {
  if (field === 'name' || field === 'title' || field === 'levelKind') return level[field];
  if (field === 'fflMm') return formatForField(level.fflMm, display).text;
  if (field === 'buildUpMm') return formatForField(level.fflMm - level.sslMm, display).text;
  return level.storeyHeightMm === null ? '' : formatForField(level.storeyHeightMm, display).text;
}

/** The levels as a table: type, paste from a spreadsheet, take the cell above. One paste is one edit. */
export function LevelTable() {
  const {
    solved,
    building,
    level: current,
    display,
    session,
    mayEdit,
    run,
    say,
    set,
  } = useSlice('solved', 'building', 'level', 'display', 'session', 'mayEdit', 'run', 'say', 'set');
  const read = useLengthReader();
  const work = useHeavyWork();
  const table = useRef<HTMLTableElement>(null);
  if (!solved || !building) return null;
  const levels = solved.levels.filter((level) => level.building === building).reverse();

  /** One cell's text as part of an edit; null where the cell takes nothing, a message where it cannot be read. */
  const cellInput = (field: Field, text: string): string | number | null => {
    const typed = text.trim();
    const column = COLUMNS.find((each) => each.field === field)!;
    if (!column.isLength) {
      if (field === 'levelKind' && !LEVEL_KINDS.includes(typed as LevelKind))
        throw new Error(`"${typed}" is no kind of level. Use one of: ${LEVEL_KINDS.join(', ')}`);
      return typed;
    }
    if (typed === '') return null;
    const length = read(typed.replace(/^[+±]\s*/, ''));
    if (!length.ok) throw new Error(`${column.heading}, "${typed}": ${length.words}`);
    return length.input;
  };
  const edit = (rows: RowEdit[]): string | null => (rows.length === 0 ? null : run('levels.editTable', { rows }));
  const commit = (level: SolvedLevel, field: Field, text: string): string | null => {
    try {
      const input = cellInput(field, text);
      return input === null ? null : edit([{ level: level.id, [field]: input }]);
    } catch (error) {
      return (error as Error).message;
    }
  };
  const paste = (row: number, column: number, text: string) => {
    const lines = text.replace(/\r?\n$/, '').split(/\r?\n/);
    try {
      const rows = lines.flatMap((line, i): RowEdit[] => {
        const level = levels[row + i];
        if (!level) return [];
        const edits = line.split('\t').flatMap((cell, j) => {
          const target = COLUMNS[column + j];
          if (!target || cell.trim() === valueOf(level, target.field, display)) return [];
          const input = cellInput(target.field, cell);
          return input === null ? [] : [[target.field, input] as const];
        });
        return edits.length > 0 ? [{ level: level.id, ...Object.fromEntries(edits) }] : [];
      });
      const refusal = edit(rows);
      if (refusal) say(refusal);
      else if (lines.length > levels.length - row)
        say(`${lines.length} rows were pasted; the table has ${levels.length - row} from there on`);
    } catch (error) {
      say((error as Error).message);
    }
  };
  const cellAt = (row: number, column: number) =>
    table.current?.querySelector<HTMLInputElement>(`[data-cell="${row} ${column}"]`);
  const focus = (row: number, column: number) => cellAt(row, column)?.focus();
  const shownIn = (row: number, column: number): string | null => cellAt(row, column)?.value ?? null;

  const take = async (what: 'levels.csv' | 'levels.xlsx') => {
    if (!session) return;
    try {
      const { name, blob } = await work.begin('Making the table', (signal, tell) =>
        session.made('export', { what, building }, signal, tell),
      );
      download(name, blob, blob.type);
    } catch (error) {
      say((error as Error).message);
    }
  };

  return (
    <div className="min-h-0 min-w-0 flex-1 overflow-auto p-5">
      <HeavyWorkLine work={work} />
      <div className="mb-3 flex items-center justify-between gap-4">
        <p className="max-w-[460px] text-ink2">
          Bare numbers are {display.system === 'imperial' ? 'feet' : 'millimetres'}. Paste from a spreadsheet at any
          cell; Ctrl+D takes the cell above; a changed height pushes what is beyond.
        </p>
        <span className="flex gap-2">
          <ActionButton disabled={work.words !== null} onClick={() => void take('levels.csv')}>
            Download CSV
          </ActionButton>
          <ActionButton disabled={work.words !== null} onClick={() => void take('levels.xlsx')}>
            Download XLSX
          </ActionButton>
        </span>
      </div>
      <p className="text-ink2">
        FFL: the finished floor, which one walks on. SSL: the top of the structural slab, the build-up under it.
      </p>
      <table ref={table} className="border-collapse" aria-label="Levels">
        <thead>
          <tr>
            {COLUMNS.map(({ heading, isLength }) => (
              <th
                key={heading}
                scope="col"
                className={`border-b border-ink3 px-1.5 py-1 ${isLength ? 'text-right' : 'text-left'}`}
              >
                {heading}
              </th>
            ))}
            <th scope="col" className="border-b border-ink3 px-1.5 py-1 text-right">
              SSL
            </th>
          </tr>
        </thead>
        <tbody>
          {levels.map((level, row) => (
            <tr key={level.id} className={level.id === current ? 'bg-now-tint' : undefined}>
              {COLUMNS.map(({ field, heading, isLength, width }, column) => (
                <td key={field} className="border border-hair p-0">
                  <Cell
                    key={valueOf(level, field, display)}
                    name={`${heading} of level ${level.name}`}
                    at={`${row} ${column}`}
                    value={valueOf(level, field, display)}
                    above={() => shownIn(row - 1, column)}
                    className={`${width} ${isLength ? 'figures text-right' : ''}`}
                    disabled={!mayEdit || level.locked || (field === 'heightMm' && level.storeyHeightMm === null)}
                    choices={field === 'levelKind' ? LEVEL_KINDS : null}
                    onFocus={() => set({ level: level.id })}
                    onCommit={(text) => commit(level, field, text)}
                    onPaste={(text) => paste(row, column, text)}
                    onMove={(by) => focus(row + by, column)}
                  />
                </td>
              ))}
              <td className="figures border border-hair px-1.5 text-right text-ink2">
                {formatElevation(level.sslMm, display)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <TieView />
    </div>
  );
}
