'use client';

import { useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { freeName } from '@/core/commands/free-name';
import { called } from '@/core/kinds/records';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { FallsEntryFields } from './falls-entry-fields';
import { useFallsEntry } from './use-falls-entry';

/** Falls on what lies open of a roof or floor of the level that is shown: to outlets, or to edges. */
export function FallsTool() {
  const { framework, solved, building, level, mayEdit, run } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'mayEdit',
    'run',
  );
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState('');
  const slabs = [
    ...new Map(
      (solved?.floors ?? [])
        .filter((piece) => piece.building === building && piece.level === level)
        .map(({ plate, outline }) => [plate, outline] as const),
    ),
  ];
  const [slab, ring] = slabs.find(([id]) => id === chosen) ?? slabs[0] ?? [null, null];
  const entry = useFallsEntry(slab !== null);
  const input: CommandInputs['fallLayers.add'] = {
    ...(building ? { building } : {}),
    name: name.trim() || freeName(framework, 'fallLayer'),
    ...(slab ? { on: slab } : {}),
    ...(level ? { level } : {}),
    ...entry.input,
  };
  const preview = usePreview('fallLayers.add', entry.wrong || !slab ? null : input);
  useGhost(ring ? { rings: [ring.map(({ x, y }) => ({ x, y }))], points: entry.points, note: '' } : null);
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  if (!slab) return <p className="text-ink2">There is no roof or floor at this level to lay to falls.</p>;
  const act = () => {
    const refusal = entry.wrong ?? run('fallLayers.add', input);
    if (refusal) return refusal;
    setName('');
    entry.clear();
    return null;
  };
  return (
    <ToolForm does="Lay it to falls" preview={entry.wrong ? null : preview} act={act}>
      <ChoiceField
        label="Lies on"
        value={slab}
        choices={slabs.map(([id]) => {
          const record = framework.records.get(id);
          return [id, record ? called(record) : '–'] as const;
        })}
        onChoose={(id) => {
          setChosen(id);
          entry.clear();
        }}
      />
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'fallLayer')}` : null}
      />
      <FallsEntryFields entry={entry} ring={ring} />
      <p className="text-[11px] text-ink2">It lies on all of it that no higher floor covers, between walls.</p>
    </ToolForm>
  );
}
