'use client';

import { useState, type ComponentType } from 'react';
import { ColumnTable } from './column-table';
import { LevelTable } from './level-table';

type Table = 'levels' | 'columns';
const TABLES: readonly (readonly [Table, string, ComponentType])[] = [
  ['levels', 'Levels', LevelTable],
  ['columns', 'Columns', ColumnTable],
];

/** The tables that are typed in: levels with their ties, and columns. */
export function Schedules() {
  const [table, setTable] = useState<Table>('levels');
  const Shown = TABLES.find(([key]) => key === table)![2];
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div role="group" aria-label="Which table" className="flex gap-1 px-5 pt-3">
        {TABLES.map(([key, words]) => (
          <button
            key={key}
            type="button"
            aria-pressed={table === key}
            className={`rounded-sm border px-2 py-0.5 ${table === key ? 'border-now bg-now-tint font-semibold text-now' : 'border-hair bg-sheet hover:bg-faint'}`}
            onClick={() => setTable(key)}
          >
            {words}
          </button>
        ))}
      </div>
      <Shown />
    </div>
  );
}
