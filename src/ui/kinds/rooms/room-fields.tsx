'use client';

import { none } from '@/core/kinds/kind';
import type { Change } from '@/core/commands/command-inputs';
import { ROOM_USES, type BoundaryLine, type Room } from '@/core/rooms/room';
import { formatArea, formatLength } from '@/core/units/format-length';
import {
  BUILDING,
  check,
  choice,
  corners,
  ID,
  KIND,
  place,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { useProject, useSlice } from '../../session/store';
import { ThingPanel } from '../../details/thing-panel';

const FIELDS: FieldsOf<Room, Change<'rooms.change', 'room'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  level: none('A room on another level is another room; it is carried up'),
  number: text('Number'),
  name: text('Name'),
  use: choice(
    'Use',
    ROOM_USES.map((use) => [use, use] as const),
  ),
  place: place('Its tag stands at'),
  carriedUp: check('Above too, where its region is the same'),
};

/** Fields of a room, with its area at each level it is carried to. */
export function RoomFields({ record: room }: { record: Room }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={room}
      fields={FIELDS}
      give={(part) => run('rooms.change', { room: room.id, ...part })}
      remove="Delete this room"
    >
      <Areas room={room} />
    </ThingPanel>
  );
}

function Areas({ room }: { room: Room }) {
  const { solved, display } = useSlice('solved', 'display');
  const regions = solved?.rooms.filter((region) => region.room === room.id) ?? [];
  const name = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  return (
    <table className="w-full border-t border-faint">
      <caption className="sr-only">Net areas by level</caption>
      <thead>
        <tr className="text-left text-ink2">
          <th className="font-normal">Level</th>
          <th className="text-right font-normal">Net area</th>
          <th className="text-right font-normal">Round it</th>
        </tr>
      </thead>
      <tbody className="figures">
        {[...regions].reverse().map((region) => (
          <tr key={region.level}>
            <td>
              {name(region.level)}
              {region.isCarried ? ' ↑' : ''}
            </td>
            <td className="text-right">{formatArea(region.netMm2, display)}</td>
            <td className="text-right">{formatLength(Math.round(region.perimeterMm), display)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const BOUNDARY_FIELDS: FieldsOf<BoundaryLine, Change<'rooms.changeBoundary', 'line'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  level: choice('At level', ({ building }, { solved }) =>
    [...(solved?.levels ?? [])]
      .reverse()
      .filter((level) => level.building === building && level.bounding)
      .map(({ id, name }) => [id, name] as const),
  ),
  place: place('From'),
  points: corners('Corners'),
};

/** Fields of a line that divides rooms without a wall. */
export function BoundaryFields({ record: line }: { record: BoundaryLine }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={line}
      fields={BOUNDARY_FIELDS}
      give={(part) => run('rooms.changeBoundary', { line: line.id, ...part })}
      remove="Delete this boundary line"
    />
  );
}
