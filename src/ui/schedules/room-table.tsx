'use client';

import { formatArea, formatLength } from '@/core/units/format-length';
import { useSlice } from '../session/store';

/** The rooms of the building with their areas, level by level. */
export function RoomTable() {
  const { solved, building, display, select, set } = useSlice('solved', 'building', 'display', 'select', 'set');
  const rooms = (solved?.rooms ?? []).filter((region) => region.building === building && region.room !== null);
  if (rooms.length === 0)
    return (
      <p className="p-5 text-ink2">
        No rooms named yet. Walls that go round make rooms; name them with the Walls tools.
      </p>
    );
  const levels = solved!.levels.filter((level) => level.building === building);
  const rank = new Map(levels.map(({ id }, i) => [id, i]));
  const sorted = [...rooms].sort((a, b) => rank.get(a.level)! - rank.get(b.level)! || (a.number < b.number ? -1 : 1));
  const total = rooms.reduce((sum, { netMm2 }) => sum + netMm2, 0);
  const cell = 'border border-hair px-2 py-1';
  return (
    <div className="min-h-0 flex-1 overflow-auto p-5">
      <table className="border-collapse" aria-label="Rooms">
        <thead>
          <tr className="text-left">
            {['Level', 'Number', 'Name', 'Use', 'Net area', 'Round it'].map((heading) => (
              <th key={heading} scope="col" className="px-2 py-1">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sorted.map((region) => (
            <tr key={`${region.room} ${region.level}`}>
              <td className={`${cell} figures`}>{levels.find(({ id }) => id === region.level)?.name}</td>
              <td className={`${cell} figures font-semibold`}>
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
              </td>
              <td className={cell}>{region.name}</td>
              <td className={cell}>{region.use}</td>
              <td className={`${cell} figures text-right`}>{formatArea(region.netMm2, display)}</td>
              <td className={`${cell} figures text-right`}>{formatLength(Math.round(region.perimeterMm), display)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row" colSpan={4} className="px-2 py-1 text-left">
              {rooms.length} rooms
            </th>
            <td className="figures px-2 py-1 text-right font-semibold">{formatArea(total, display)}</td>
          </tr>
        </tfoot>
      </table>
      <p className="pt-2 text-[11px] text-ink2">↑ carried up from the level its room was named at.</p>
    </div>
  );
}
