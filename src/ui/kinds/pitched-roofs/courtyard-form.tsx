'use client';

import { useEffect, useRef, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import type { PitchedRoof } from '@/core/pitched-roofs/pitched-roof';
import { solvePitchedRoof } from '@/core/pitched-roofs/solve-pitched-roof';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { outlineShape, usePath } from '../../tools/use-path';
import { useRectangle } from '../../tools/use-rectangle';

/** A courtyard left open in a roof: a rectangle, or corner by corner. */
export function CourtyardForm({ roofs }: { roofs: readonly PitchedRoof[] }) {
  const { run, selection, mayEdit } = useSlice('run', 'selection', 'mayEdit');
  const adding = useRef<() => string | null>(() => null);
  const end = () => adding.current();
  const [on, setOn] = useState<'rectangle' | 'path'>('rectangle');
  const [chosen, setChosen] = useState('');
  const box = useRectangle([3000, 3000], on === 'rectangle', end);
  const path = usePath(on === 'path', { shape: outlineShape, end });
  const roof = roofs.find(({ id }) => id === chosen) ?? roofs.find(({ id }) => selection.includes(id)) ?? roofs[0]!;
  const wrong =
    on === 'rectangle'
      ? box.wrong
      : path.corners.length < 3
        ? 'Press three corners or more in the plan, or type a path'
        : null;
  const { path: typed } = path;
  const input: CommandInputs['pitchedRoofs.addCourtyard'] = {
    roof: roof.id,
    outline:
      on === 'rectangle' ? box.outline : { type: 'polygon', place: typed?.place ?? '0,0', points: typed?.points ?? [] },
  };
  const preview = usePreview('pitchedRoofs.addCourtyard', wrong ? null : input);
  const after = preview?.ok ? preview.value.after.records.get(roof.id) : undefined;
  const solved = preview?.ok && after?.kind === 'pitchedRoof' ? solvePitchedRoof(preview.value.after, after) : null;
  const faces = solved && 'made' in solved ? solved.made.info.faces : [];
  useGhost(
    faces.length > 0
      ? { rings: faces.map(({ points }) => points.map(({ x, y }) => ({ x, y }))), points: [], note: '' }
      : null,
  );
  const add = () => {
    const refusal = wrong ?? run('pitchedRoofs.addCourtyard', input);
    if (!refusal && on === 'path') path.setText('');
    return refusal;
  };
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <ToolForm does="Leave it open" preview={wrong ? null : preview} act={add}>
      <ChoiceField
        label="In roof"
        value={roof.id}
        choices={roofs.map(({ id, name }) => [id, name] as const)}
        onChoose={setChosen}
      />
      <ChoiceField
        label="Its outline"
        value={on}
        choices={[
          ['rectangle', 'a rectangle'],
          ['path', 'corner by corner'],
        ]}
        onChoose={setOn}
      />
      {on === 'rectangle' && box.fields.map((field) => <PlainField key={field.label} {...field} />)}
      {on === 'path' && (
        <PlainField label="Path" value={path.text} onChange={path.setText} note={path.words} wrong={path.wrong} wide />
      )}
      <p className="text-[11px] text-ink2">Its edges slope as the roof does; Details say otherwise edge by edge.</p>
    </ToolForm>
  );
}
