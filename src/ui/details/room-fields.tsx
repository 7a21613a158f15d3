'use client';

import { ROOM_USES, type Room } from '@/core/rooms/room';
import { formatArea, formatLength } from '@/core/units/format-length';
import { CheckField, ChoiceField, TextField } from '../fields/fields';
import { useSlice } from '../session/store';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';
import type { Change } from '@/core/model/command-inputs';

/** Fields of a room, with its area at each level it is carried to. */
export function RoomFields({ room }: { room: Room }) {
  const { solved, display, run, say, mayEdit } = useSlice('solved', 'display', 'run', 'say', 'mayEdit');
  const change = (part: Change<'rooms.change', 'room'>) => run('rooms.change', { room: room.id, ...part });
  const attempt = (part: Change<'rooms.change', 'room'>) => {
    const refusal = change(part);
    if (refusal) say(refusal);
  };
  const regions = solved?.rooms.filter((region) => region.room === room.id) ?? [];
  const name = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Number" value={room.number} disabled={!mayEdit} onCommit={(number) => change({ number })} />
      <TextField label="Name" value={room.name} disabled={!mayEdit} onCommit={(called) => change({ name: called })} />
      <ChoiceField
        label="Use"
        value={room.use}
        disabled={!mayEdit}
        choices={ROOM_USES.map((use) => [use, use] as const)}
        onChoose={(use) => attempt({ use })}
      />
      <CheckField
        label="Above too, where its region is the same"
        value={room.carriedUp}
        disabled={!mayEdit}
        onChange={(carriedUp) => attempt({ carriedUp })}
      />
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
      <InPlanFields ids={[room.id]} />
      <DeleteButton id={room.id}>Delete this room</DeleteButton>
    </div>
  );
}
