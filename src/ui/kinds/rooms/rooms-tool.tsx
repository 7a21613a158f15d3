'use client';

import { useEffect, useRef, useState } from 'react';
import { contains } from '@/core/geometry/polygon';
import type { Point } from '@/core/geometry/point';
import type { RoomRegion } from '@/core/rooms/solve-rooms';
import { freeRoomNumber } from '@/core/rooms/free-room-number';
import { ROOM_USES, type Room } from '@/core/rooms/room';
import { formatArea } from '@/core/units/format-length';
import { CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { usePath } from '../../tools/use-path';

const isIn = ({ ring, holes }: RoomRegion, at: Point): boolean =>
  contains(ring, at) && !holes.some((hole) => contains(hole, at));

/** Rooms are the regions that walls close: press in one and name it. Boundary lines divide without a wall. */
export function RoomsTool() {
  const [isLine, setLine] = useState(false);
  return (
    <>
      <ChoiceField
        label="What"
        value={isLine ? 'line' : 'room'}
        choices={[
          ['room', 'name a room'],
          ['line', 'a line between rooms'],
        ]}
        onChoose={(what) => setLine(what === 'line')}
      />
      {isLine ? <BoundaryTool /> : <NameRoom />}
    </>
  );
}

function NameRoom() {
  const { framework, solved, building, level, display, mayEdit, run, select } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'display',
    'mayEdit',
    'run',
    'select',
  );
  const [at, setAt] = useState<Point | null>(null);
  const [number, setNumber] = useState('');
  const [name, setName] = useState('');
  const [use, setUse] = useState<Room['use']>('other');
  const [carriedUp, setCarriedUp] = useState(true);
  const here = (solved?.rooms ?? []).filter((region) => region.building === building && region.level === level);
  const region = at ? here.find((each) => isIn(each, at)) : undefined;
  usePlanPoints(mayEdit ? (point, phase) => phase === 'press' && setAt(point) : null);
  const note = region ? formatArea(region.netMm2, display) : '';
  useGhost(region && at ? { rings: [[...region.ring]], points: [at], note } : null);
  if (!mayEdit || !level) return <p className="text-ink2">Press a room’s tag in the plan to see its area.</p>;
  const unnamed = here.filter(({ room }) => room === null).length;
  const add = () => {
    if (!at || !region) return 'Press inside a closed room in the plan first';
    if (name.trim() === '') return 'Type what the room is called';
    const refusal = run('rooms.add', {
      ...(building ? { building } : {}),
      level,
      place: { lines: null, xMm: at.x, yMm: at.y },
      ...(number.trim() ? { number: number.trim() } : {}),
      name: name.trim(),
      use,
      carriedUp,
    });
    if (refusal) return refusal;
    setAt(null);
    setNumber('');
    setName('');
    return null;
  };
  return (
    <ToolForm
      label="Name a room"
      does="Name the room"
      act={add}
      below={
        here.some(({ room }) => room !== null) && (
          <ul aria-label="Rooms here" className="border-t border-faint pt-1.5">
            {here
              .filter(({ room }) => room !== null)
              .map(({ room, number: each, name: called, netMm2 }) => (
                <li key={`${room} ${each}`} className="flex items-baseline justify-between gap-2">
                  <button type="button" className="font-semibold text-now" onClick={() => select([room!])}>
                    {each} {called}
                  </button>
                  <span className="figures text-ink2">{formatArea(netMm2, display)}</span>
                </li>
              ))}
          </ul>
        )
      }
    >
      <p role="status" className="text-ink2">
        {here.length === 0
          ? 'No closed rooms here yet: rooms come from walls that go round.'
          : at && !region
            ? 'Nothing closed there. Press inside a room.'
            : region
              ? region.room
                ? `${region.number} ${region.name} is here already.`
                : `A room of ${formatArea(region.netMm2, display)}.`
              : unnamed === 0
                ? `${here.length} closed ${here.length === 1 ? 'room' : 'rooms'} here, all named.`
                : `${here.length} closed ${here.length === 1 ? 'room' : 'rooms'} here, ${unnamed} without a name. Press in one.`}
      </p>
      <PlainField
        label="Number"
        value={number}
        onChange={setNumber}
        note={number === '' ? `empty: ${freeRoomNumber(framework, level)}` : null}
      />
      <PlainField label="Name" value={name} onChange={setName} />
      <ChoiceField label="Use" value={use} choices={ROOM_USES.map((each) => [each, each] as const)} onChoose={setUse} />
      <CheckField label="Above too, where its region is the same" value={carriedUp} onChange={setCarriedUp} />
    </ToolForm>
  );
}

function BoundaryTool() {
  const { building, level, mayEdit, run } = useSlice('building', 'level', 'mayEdit', 'run');
  // The latest is what Enter in the plan draws.
  const drawing = useRef<() => string | null>(() => null);
  const path = usePath(true, { end: () => drawing.current(), mayClose: false });
  const curves = path.corners.slice(1).map((to, i) => ({ kind: 'segment' as const, from: path.corners[i]!, to }));
  useGhost(path.corners.length > 0 ? { rings: [], points: [...path.corners], curves, note: path.words } : null);
  const draw = () => {
    if (!level || !path.path || path.corners.length < 2) return path.words;
    const { place, points } = path.path;
    const refusal = run('rooms.addBoundary', { ...(building ? { building } : {}), level, place, points });
    if (!refusal) path.setText('');
    return refusal;
  };
  useEffect(() => {
    drawing.current = draw;
  });
  if (!mayEdit || !level) return null;
  return (
    <ToolForm label="A line between rooms" does="Draw the line" isReady={path.corners.length > 1} act={draw}>
      <PlainField label="Path" value={path.text} onChange={path.setText} note={path.words} wrong={path.wrong} wide />
    </ToolForm>
  );
}
