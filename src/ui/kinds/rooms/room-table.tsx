'use client';

import { createColumnHelper, type ColumnDef } from '@tanstack/react-table';
import { useMemo } from 'react';
import type { RoomRegion } from '@/core/rooms/solve-rooms';
import { formatArea, formatLength } from '@/core/units/format-length';
import { useSlice } from '../../session/store';
import { LongTable } from '../../schedules/long-table';

/** Numbers of rooms as one reads them: 9 before 10. */
const byNumber = new Intl.Collator('en', { numeric: true }).compare;

const column = createColumnHelper<RoomRegion>();

/** The rooms of the building with their areas, level by level. */
export function RoomTable() {
  const { solved, building, display, select, set } = useSlice('solved', 'building', 'display', 'select', 'set');
  const levels = useMemo(
    () => (solved?.levels ?? []).filter((level) => level.building === building),
    [solved, building],
  );
  const rank = useMemo(() => new Map(levels.map(({ id }, i) => [id, i])), [levels]);
  const rooms = useMemo(
    () =>
      (solved?.rooms ?? [])
        .filter((region) => region.building === building && region.room !== null)
        .sort((a, b) => rank.get(a.level)! - rank.get(b.level)! || byNumber(a.number, b.number)),
    [solved, building, rank],
  );
  const columns = useMemo(
    () =>
      [
        column.accessor(({ level }) => rank.get(level) ?? 0, {
          id: 'level',
          header: 'Level',
          cell: ({ row }) => levels[rank.get(row.original.level) ?? 0]?.name,
          meta: { className: 'figures' },
        }),
        column.accessor('number', {
          header: 'Number',
          sortingFn: (a, b) => byNumber(a.original.number, b.original.number),
          meta: { className: 'figures font-semibold' },
          cell: ({ row: { original: region } }) => (
            <button
              type="button"
              onClick={() => {
                set({ level: region.level });
                select([region.room!]);
              }}
            >
              {region.number}
              {region.isCarried ? ' ↑' : ''}
            </button>
          ),
        }),
        column.accessor('name', { header: 'Name' }),
        column.accessor('use', { header: 'Use' }),
        column.accessor('netMm2', {
          header: 'Net area',
          cell: ({ getValue }) => formatArea(getValue(), display),
          meta: { className: 'figures text-right' },
        }),
        column.accessor('perimeterMm', {
          header: 'Round it',
          cell: ({ getValue }) => formatLength(Math.round(getValue()), display),
          meta: { className: 'figures text-right' },
        }),
      ] as ColumnDef<RoomRegion>[],
    [levels, rank, display, select, set],
  );
  if (rooms.length === 0)
    return (
      <p className="p-5 text-ink2">
        No rooms named yet. Walls that go round make rooms; name them with the Walls tools.
      </p>
    );
  const total = rooms.reduce((sum, { netMm2 }) => sum + netMm2, 0);
  return (
    <LongTable
      name="Rooms"
      rows={rooms}
      columns={columns}
      keyOf={(region) => `${region.room} ${region.level}`}
      foot={
        <tr>
          <th scope="row" colSpan={4} className="px-2 py-1 text-left">
            {rooms.length} rooms
          </th>
          <td className="figures px-2 py-1 text-right font-semibold">{formatArea(total, display)}</td>
        </tr>
      }
      note={<p className="pt-2 text-[11px] text-ink2">↑ carried up from the level its room was named at.</p>}
    />
  );
}
