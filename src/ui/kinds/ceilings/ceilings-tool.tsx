'use client';

import { useState } from 'react';
import { contains } from '@/core/geometry/polygon';
import { CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { LevelSpan } from '../../tools/level-span';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { useRectangle } from '../../tools/use-rectangle';
import type { CommandInputs } from '@/core/commands/command-inputs';

type Where = 'all' | 'rooms' | 'drawn';

/** A ceiling hung in all rooms, in those pressed in the plan, or within a rectangle drawn there. */
export function CeilingsTool() {
  const { solved, building, level, mayEdit, run } = useSlice('solved', 'building', 'level', 'mayEdit', 'run');
  const [where, setWhere] = useState<Where>('all');
  const [rooms, setRooms] = useState<readonly string[]>([]);
  const [h, t] = [useLengthEntry(2700), useLengthEntry(50)];
  const [span, setSpan] = useState<{ from: string | null; to: string | null }>({ from: null, to: null });
  const [isHereOnly, setHereOnly] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const rectangle = useRectangle([4000, 3000], where === 'drawn');
  const storeys = (solved?.levels ?? []).filter((each) => each.building === building && each.bounding);
  const here = (solved?.rooms ?? []).filter((region) => region.building === building && region.level === level);
  const range: [string, string] = [span.from ?? storeys[0]?.id ?? '', span.to ?? storeys.at(-1)?.id ?? ''];
  const input: CommandInputs['ceilings.add'] = {
    ...(building ? { building } : {}),
    heightMm: h.orZero,
    thicknessMm: t.orZero,
    levels: isHereOnly && level ? { at: [level] } : { range },
    ...(where === 'rooms' ? { rooms: [...rooms] } : {}),
    ...(where === 'drawn' ? { outline: rectangle.outline } : {}),
  };
  const preview = usePreview('ceilings.add', input);
  usePlanPoints(
    where === 'rooms' && mayEdit
      ? (at, phase) => {
          if (phase !== 'press') return;
          const region = here.find(
            ({ ring, holes }) => contains(ring, at) && !holes.some((hole) => contains(hole, at)),
          );
          const room = region?.room ?? null;
          if (room === null)
            return setRefused(region ? 'Name this room first, then it can have a ceiling of its own' : 'No room there');
          setRefused(null);
          setRooms((now) => (now.includes(room) ? now.filter((id) => id !== room) : [...now, room]));
        }
      : null,
  );
  const shown = here.filter(({ room }) => where === 'all' || (room !== null && rooms.includes(room)));
  const rings = where === 'drawn' ? [] : shown.slice(0, 200).map(({ ring }) => [...ring]);
  useGhost(rings.length > 0 ? { rings, points: [], note: '' } : null);
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  const isReady = where === 'all' || (where === 'rooms' ? rooms.length > 0 : rectangle.wrong === null);
  const names = here.filter(({ room }) => room !== null && rooms.includes(room)).map(({ number }) => number);
  return (
    <ToolForm
      label="Hang a ceiling"
      does="Hang the ceiling"
      isReady={isReady && (preview?.ok ?? false)}
      preview={isReady ? preview : null}
      wrong={refused}
      act={() => {
        const refusal = run('ceilings.add', input);
        setRefused(null);
        if (!refusal) setRooms([]);
        return refusal;
      }}
    >
      <ChoiceField
        label="Hangs in"
        value={where}
        choices={[
          ['all', 'all rooms'],
          ['rooms', 'chosen rooms'],
          ['drawn', 'a rectangle'],
        ]}
        onChoose={(next) => {
          setWhere(next);
          setRefused(null);
        }}
      />
      {where === 'drawn' && rectangle.fields.map((field) => <PlainField key={field.label} {...field} />)}
      <PlainField label="Clear under it" {...h.field} />
      <PlainField label="Thickness" {...t.field} />
      <CheckField label="On this level only" value={isHereOnly} onChange={setHereOnly} />
      {!isHereOnly && (
        <LevelSpan from={span.from} to={span.to} onChange={(part) => setSpan((now) => ({ ...now, ...part }))} />
      )}
      <p role="status" className="text-[11px] text-ink2">
        {where === 'all'
          ? here.length === 0
            ? 'No closed rooms on this level: ceilings hang within walls that go round.'
            : `${here.length} closed ${here.length === 1 ? 'room' : 'rooms'} on this level; rooms with a ceiling of their own keep it.`
          : where === 'rooms'
            ? rooms.length === 0
              ? 'Press named rooms in the plan.'
              : `In ${names.length > 0 ? names.join(', ') : `${rooms.length} rooms`}.`
            : 'Drag it in the plan, or type its place.'}
      </p>
    </ToolForm>
  );
}
