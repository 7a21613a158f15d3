'use client';

import {
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import { Fragment, useRef, useState, type ReactNode } from 'react';
import { useWindow } from './use-window';

const ROW_PX = 28;
const CELL = 'border border-hair px-2 py-1';

interface LongTableProps<Row> {
  name: string;
  rows: Row[];
  columns: ColumnDef<Row>[];
  keyOf: (row: Row) => string;
  foot: ReactNode;
  note: ReactNode;
}

/** A table to be read, of any length: sorted by pressing a heading, once up, twice down, thrice as it was. */
export function LongTable<Row>({ name, rows, columns, keyOf, foot, note }: LongTableProps<Row>) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const scroll = useRef<HTMLDivElement>(null);
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: keyOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const sorted = table.getRowModel().rows;
  const { shown, restPx } = useWindow({ count: sorted.length, sizePx: ROW_PX, scroll });
  return (
    <div ref={scroll} className="min-h-0 flex-1 overflow-auto p-5">
      <table className="border-collapse" aria-label={name} aria-rowcount={sorted.length + 1}>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="text-left">
              {group.headers.map(({ id, column, getContext }) => {
                const way = column.getIsSorted();
                return (
                  <th
                    key={id}
                    scope="col"
                    aria-sort={way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : 'none'}
                    className="px-2 py-1"
                  >
                    <button type="button" className="font-bold" onClick={column.getToggleSortingHandler()}>
                      {flexRender(column.columnDef.header, getContext())}
                      <span aria-hidden="true">{way === 'asc' ? ' ▴' : way === 'desc' ? ' ▾' : ''}</span>
                    </button>
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {shown.map(({ index, gapPx }) => {
            const row = sorted[index]!;
            return (
              <Fragment key={row.id}>
                {gapPx > 0 && <tr aria-hidden="true" style={{ height: gapPx }} />}
                <tr aria-rowindex={index + 2} style={{ height: ROW_PX }}>
                  {row.getVisibleCells().map((cell) => (
                    <td key={cell.id} className={`${CELL} ${cell.column.columnDef.meta?.className ?? ''}`}>
                      {flexRender(cell.column.columnDef.cell, cell.getContext())}
                    </td>
                  ))}
                </tr>
              </Fragment>
            );
          })}
          {restPx > 0 && <tr aria-hidden="true" style={{ height: restPx }} />}
        </tbody>
        <tfoot>{foot}</tfoot>
      </table>
      {note}
    </div>
  );
}

declare module '@tanstack/react-table' {
  // The names of what it is of are the library's.
  // eslint-disable-next-line @typescript-eslint/no-unused-vars
  interface ColumnMeta<TData, TValue> {
    className?: string;
  }
}
