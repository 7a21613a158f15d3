'use client';

import { useState } from 'react';
import { firstLength } from '@/core/units/first-length';
import { recordsOf } from '@/core/model/framework';
import { startingTypes } from '@/core/walls/wall-type';
import { ROOF_FACE_CHOICES } from './roof-fields';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { Refused } from '../../tools/refused';
import type { CommandInputs } from '@/core/commands/command-inputs';
import type { RoofFace } from '@/core/roofs/roof';

/** A flat roof with a parapet on the exterior walls that reach a level. */
export function RoofTool() {
  const { framework, solved, building, selection, display, run, mayEdit } = useSlice(
    'framework',
    'solved',
    'building',
    'selection',
    'display',
    'run',
    'mayEdit',
  );
  const read = useLengthReader();
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const types = recordsOf(framework, 'wallType');
  const [level, setLevel] = useState('');
  const [face, setFace] = useState<RoofFace>('coreInside');
  const [thickness, setThickness] = useState(() => firstLength(250, display));
  const [hasParapet, setParapet] = useState(true);
  const [height, setHeight] = useState(() => firstLength(900, display));
  const [type, setType] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [t, h] = [read(thickness), read(height)];
  const at = level || (storeys.at(-1)?.id ?? '');
  const walls = selection.filter((id) => framework.records.get(id)?.kind === 'wall');
  const chosenType = types.some(({ id }) => id === type) ? type : null;
  const input: CommandInputs['roofs.addFlat'] = {
    ...(building ? { building } : {}),
    level: at,
    face,
    thicknessMm: t.ok ? t.input : 0,
    ...(walls.length > 0 ? { walls } : {}),
    parapet: hasParapet
      ? { heightMm: h.ok ? h.input : 0, type: chosenType ?? startingTypes(display.system)[0]! }
      : null,
  };
  const preview = usePreview('roofs.addFlat', input);
  const made = preview?.ok ? preview.value.changes.added.find((record) => record.kind === 'roof') : undefined;
  const makesWay = preview?.ok
    ? preview.value.changes.patched.some(({ id }) => framework.records.get(id)?.kind === 'floorPlate') ||
      preview.value.changes.removed.length > 0
    : false;
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        setRefused(run('roofs.addFlat', input));
      }}
    >
      <ChoiceField
        label="At level"
        value={at}
        choices={[...storeys].reverse().map(({ id, name }) => [id, name] as const)}
        onChoose={setLevel}
      />
      <ChoiceField label="Its slab runs to" value={face} choices={ROOF_FACE_CHOICES} onChoose={setFace} />
      <PlainField label="Thickness" value={thickness} onChange={setThickness} note={t.words} wrong={!t.ok} />
      <CheckField label="With a parapet" value={hasParapet} onChange={setParapet} />
      {hasParapet && (
        <>
          <PlainField label="over the roof" value={height} onChange={setHeight} note={h.words} wrong={!h.ok} />
          <ChoiceField
            label="of type"
            value={chosenType ?? ''}
            choices={[
              ...(chosenType ? [] : [['', startingTypes(display.system)[0]!.name] as const]),
              ...types.map(({ id, name }) => [id, name] as const),
            ]}
            onChoose={setType}
          />
        </>
      )}
      <p className="text-[11px] text-ink2">
        {walls.length > 0
          ? `On the ${walls.length} chosen ${walls.length === 1 ? 'wall' : 'walls'}.`
          : `On the exterior and party walls that reach the level${made?.kind === 'roof' ? `: ${made.walls.length}` : ''}.`}
        {makesWay ? ' The floor that lies there makes way.' : ''}
      </p>
      <Refused words={refused ?? (preview && !preview.ok ? preview.refusal.message : null)} />
      <ActionButton weight="main" type="submit" disabled={!preview?.ok}>
        Add the roof
      </ActionButton>
    </form>
  );
}
