'use client';

import { useState, type ComponentType } from 'react';
import { SwitchButtons } from '../fields/fields';
import { ColumnTable } from './column-table';
import { LevelTable } from './level-table';
import { RoomTable } from './room-table';
import { StairTable } from './stair-table';

type Table = 'levels' | 'columns' | 'stairs' | 'rooms';
const TABLES: Record<Table, ComponentType> = {
  levels: LevelTable,
  columns: ColumnTable,
  stairs: StairTable,
  rooms: RoomTable,
};
const NAMES: readonly (readonly [Table, string])[] = [
  ['levels', 'Levels'],
  ['columns', 'Columns'],
  ['stairs', 'Stairs'],
  ['rooms', 'Rooms'],
];

/** The tables that are typed in: levels with their ties, and columns. */
export function Schedules() {
  const [table, setTable] = useState<Table>('levels');
  const Shown = TABLES[table];
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="px-5 pt-3">
        <SwitchButtons label="Which table" value={table} choices={NAMES} onChoose={setTable} />
      </div>
      <Shown />
    </div>
  );
}
