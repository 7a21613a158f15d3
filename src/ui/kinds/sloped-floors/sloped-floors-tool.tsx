'use client';

import { useMemo, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { freeName } from '@/core/commands/free-name';
import { rampRuleChoices } from '@/core/rule-sets/rules-in';
import { slopeInFull } from '@/core/ramps/slope-words';
import type { SlopedFloor } from '@/core/sloped-floors/sloped-floor';
import { solveSlopedFloor } from '@/core/sloped-floors/solve-sloped-floor';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { useRectangle } from '../../tools/use-rectangle';

/** A floor of four corners with heights of their own; corners are dragged, added and taken out afterwards like those of any outline. */
export function SlopedFloorsTool() {
  const { framework, building, level, mayEdit, run } = useSlice('framework', 'building', 'level', 'mayEdit', 'run');
  const box = useRectangle([2000, 3000], true);
  const [name, setName] = useState('');
  const [rules, setRules] = useState<SlopedFloor['rules']>('public');
  const heights = [useLengthEntry(0), useLengthEntry(0), useLengthEntry(0), useLengthEntry(0)] as const;
  const { outline } = box;
  const [w, d] = outline.type === 'rectangle' ? [outline.widthMm, outline.depthMm] : [0, 0];
  const [a, b, c, e] = heights.map((each) => each.orZero) as [number, number, number, number];
  const input: CommandInputs['slopedFloors.add'] = {
    ...(building ? { building } : {}),
    name: name.trim() || freeName(framework, 'slopedFloor'),
    rules,
    ...(level ? { baseAt: { level } } : {}),
    ...(outline.type === 'rectangle' && outline.place !== undefined ? { place: outline.place } : {}),
    corners: [
      { xMm: 0, yMm: 0, heightMm: a },
      { xMm: w, yMm: 0, heightMm: b },
      { xMm: w, yMm: d, heightMm: c },
      { xMm: 0, yMm: d, heightMm: e },
    ],
  };
  const wrong = box.wrong ?? heights.find((each) => !each.ok)?.words ?? null;
  const preview = usePreview('slopedFloors.add', wrong ? null : input);
  const made = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'slopedFloor') : undefined;
    return preview?.ok && added?.kind === 'slopedFloor' ? solveSlopedFloor(preview.value.after, added) : null;
  }, [preview]);
  const steep = made?.info.steepest ?? null;
  const said = steep === null ? 'It lies level' : `${slopeInFull(steep)} at its steepest`;
  useGhost(
    made
      ? { rings: made.info.faces.map(({ points }) => points.map(({ x, y }) => ({ x, y }))), points: [], note: said }
      : null,
  );
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <ToolForm
      does="Add the sloped floor"
      preview={wrong ? null : preview}
      wrong={wrong}
      act={() => {
        const refusal = run('slopedFloors.add', input);
        if (!refusal) setName('');
        return refusal;
      }}
    >
      <p className="text-ink2">
        Drag it in the plan, or type, and say how high each corner lies over this level. Corners are added and dragged
        afterwards.
      </p>
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'slopedFloor')}` : null}
      />
      {box.fields.map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      {['Lower left, high', 'Lower right, high', 'Upper right, high', 'Upper left, high'].map((label, i) => (
        <PlainField key={label} label={label} {...heights[i]!.field} />
      ))}
      <ChoiceField label="Rule set" value={rules} choices={rampRuleChoices(framework)} onChoose={setRules} />
      <p role="status" className="border-t border-faint pt-1.5">
        {said}
        {made && steep !== null && steep < made.info.limit && (
          <span className="text-wrong"> Steeper than {slopeInFull(made.info.limit)}</span>
        )}
      </p>
    </ToolForm>
  );
}
