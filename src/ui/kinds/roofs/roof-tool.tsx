'use client';

import { useState } from 'react';
import { recordsOf } from '@/core/model/framework';
import { roofSlab } from '@/core/roofs/roof-parts';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { startingTypes } from '@/core/walls/wall-type';
import { ROOF_FACE_CHOICES } from './roof-fields';
import { CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost } from '../../tools/plan-busy';
import { FallsEntryFields } from '../falls/falls-entry-fields';
import { useFallsEntry } from '../falls/use-falls-entry';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
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
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const types = recordsOf(framework, 'wallType');
  const [level, setLevel] = useState('');
  const [face, setFace] = useState<RoofFace>('coreInside');
  const [hasParapet, setParapet] = useState(true);
  const [type, setType] = useState('');
  const [t, h, over] = [useLengthEntry(250), useLengthEntry(900), useLengthEntry(0)];
  const [hasFalls, setFalls] = useState(false);
  const falls = useFallsEntry(hasFalls);
  const at = level || (storeys.at(-1)?.id ?? '');
  const walls = selection.filter((id) => framework.records.get(id)?.kind === 'wall');
  const chosenType = types.some(({ id }) => id === type) ? type : null;
  const input: CommandInputs['roofs.addFlat'] = {
    ...(building ? { building } : {}),
    level: at,
    face,
    thicknessMm: t.orZero,
    ...(hasParapet ? {} : { overhangMm: over.orZero }),
    ...(walls.length > 0 ? { walls } : {}),
    parapet: hasParapet ? { heightMm: h.orZero, type: chosenType ?? startingTypes(display.system)[0]! } : null,
  };
  const wrong = hasFalls ? falls.wrong : null;
  const withFalls = hasFalls ? { ...input, falls: falls.input } : input;
  // Where it would lie is known before its falls are.
  const bare = usePreview('roofs.addFlat', input);
  const laid = usePreview('roofs.addFlat', wrong ? null : withFalls);
  const made = bare?.ok ? bare.value.changes.added.find((record) => record.kind === 'roof') : undefined;
  const ring =
    made?.kind === 'roof' && bare?.ok
      ? resolveOutline(bare.value.after, roofSlab(bare.value.after, made).outline)
      : null;
  useGhost(ring ? { rings: [ring.map(({ x, y }) => ({ x, y }))], points: falls.points, note: '' } : null);
  const makesWay = bare?.ok
    ? bare.value.changes.patched.some(({ id }) => framework.records.get(id)?.kind === 'floorPlate') ||
      bare.value.changes.removed.length > 0
    : false;
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <ToolForm
      does="Add the roof"
      preview={wrong ? bare : laid}
      act={() => {
        const refusal = wrong ?? run('roofs.addFlat', withFalls);
        if (!refusal) falls.clear();
        return refusal;
      }}
    >
      <ChoiceField
        label="At level"
        value={at}
        choices={[...storeys].reverse().map(({ id, name }) => [id, name] as const)}
        onChoose={setLevel}
      />
      <ChoiceField label="Its slab runs to" value={face} choices={ROOF_FACE_CHOICES} onChoose={setFace} />
      <PlainField label="Thickness" {...t.field} />
      <CheckField label="With a parapet" value={hasParapet} onChange={setParapet} />
      {!hasParapet && <PlainField label="Overhang" {...over.field} />}
      {hasParapet && (
        <>
          <PlainField label="over the roof" {...h.field} />
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
      <CheckField label="With falls" value={hasFalls} onChange={setFalls} />
      {hasFalls && <FallsEntryFields entry={falls} ring={ring} />}
      <p className="text-[11px] text-ink2">
        {walls.length > 0
          ? `On the ${walls.length} chosen ${walls.length === 1 ? 'wall' : 'walls'}.`
          : `On the exterior and party walls that reach the level${made?.kind === 'roof' ? `: ${made.walls.length}` : ''}.`}
        {makesWay ? ' The floor that lies there makes way.' : ''}
      </p>
    </ToolForm>
  );
}
