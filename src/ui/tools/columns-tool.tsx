'use client';

import { useEffect, useMemo, useState } from 'react';
import { chooseCrossings } from '@/core/columns/choose-crossings';
import type { Json } from '@/core/model/json';
import { formatForEntry } from '@/core/units/format-length';
import { ActionButton, ChoiceField, PlainField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { useProject } from '../session/store';
import { TakeFile } from '../setting-up/take-file';
import { Refused } from './refused';

/** Columns at all crossings of chosen lines, with the live count and those refused with the reason. */
export function ColumnsTool() {
  const { framework, solved, building, chosenLines, mayEdit, display, run, set } = useProject((project) => project);
  const read = useLengthReader();
  const [shape, setShape] = useState<'rectangle' | 'circle'>('rectangle');
  const [width, setWidth] = useState(() => formatForEntry(500, display));
  const [depth, setDepth] = useState(() => formatForEntry(500, display));
  const [refused, setRefused] = useState<string | null>(null);
  const lines = useMemo(() => solved?.lines.filter((line) => line.building === building) ?? [], [solved, building]);
  const choice = useMemo(() => chooseCrossings(framework, chosenLines ?? []), [framework, chosenLines]);
  useEffect(() => {
    if (mayEdit) set({ chosenLines: [] });
    return () => set({ chosenLines: null, ghost: null });
  }, [mayEdit, set]);
  const note = useMemo(() => {
    const [n, skipped] = [choice.taken.length, choice.refused];
    if (n === 0 && skipped.length === 0) return '';
    const left =
      skipped.length === 0
        ? ''
        : `; ${skipped.length} left out: ${skipped[0]!.reason} (${skipped
            .slice(0, 4)
            .map(({ label }) => label)
            .join(', ')}${skipped.length > 4 ? ' …' : ''})`;
    return `${n} ${n === 1 ? 'column' : 'columns'} at ${n} ${n === 1 ? 'crossing' : 'crossings'}${left}`;
  }, [choice]);
  useEffect(() => {
    set({ ghost: { rings: [], points: choice.taken.map(({ at }) => at), note } });
  }, [choice, note, set]);
  if (!mayEdit) return <p className="text-ink2">Press a column in the plan to see where it runs.</p>;
  const [w, d] = [read(width), read(depth)];
  const place = () => {
    if (!w.ok) return setRefused(w.words);
    if (!d.ok) return setRefused(d.words);
    const section: Json =
      shape === 'circle' ? { shape, diameterMm: w.input } : { shape, widthMm: w.input, depthMm: d.input };
    const refusal = run('columns.placeAtCrossings', {
      ...(building ? { building } : {}),
      lines: chosenLines ?? [],
      section,
    });
    setRefused(refusal);
    if (!refusal) set({ chosenLines: [] });
  };
  const toggle = (id: string) =>
    set({
      chosenLines: chosenLines?.includes(id)
        ? chosenLines.filter((other) => other !== id)
        : [...(chosenLines ?? []), id],
    });
  return (
    <>
      <p className="text-ink2">Choose grid lines, here or in the plan. Every crossing of them gets a column.</p>
      {(['a', 'b'] as const).map((direction) => (
        <div
          key={direction}
          className="flex flex-wrap gap-1"
          role="group"
          aria-label={direction === 'a' ? 'Lines across' : 'Lines up'}
        >
          {lines
            .filter((line) => line.direction === direction)
            .map(({ id, label }) => (
              <button
                key={id}
                type="button"
                aria-pressed={chosenLines?.includes(id) ?? false}
                aria-label={`Line ${label ?? 'without a label'}`}
                className={`figures min-w-7 rounded-full border px-1.5 py-0.5 ${chosenLines?.includes(id) ? 'border-now bg-now text-sheet' : 'border-hair bg-sheet'}`}
                onClick={() => toggle(id)}
              >
                {label ?? '–'}
              </button>
            ))}
        </div>
      ))}
      <div className="flex gap-2">
        <ActionButton onClick={() => set({ chosenLines: lines.filter(({ minor }) => !minor).map(({ id }) => id) })}>
          All lines
        </ActionButton>
        <ActionButton onClick={() => set({ chosenLines: [] })}>None</ActionButton>
      </div>
      <ChoiceField
        label="Section"
        value={shape}
        choices={[
          ['rectangle', 'rectangle'],
          ['circle', 'circle'],
        ]}
        onChoose={setShape}
      />
      <PlainField
        label={shape === 'circle' ? 'Diameter' : 'Width'}
        value={width}
        onChange={setWidth}
        note={w.words}
        wrong={!w.ok}
      />
      {shape === 'rectangle' && (
        <PlainField label="Depth" value={depth} onChange={setDepth} note={d.words} wrong={!d.ok} />
      )}
      <p role="status" className="font-semibold text-now">
        {note || 'No crossing chosen yet'}
      </p>
      <Refused words={refused} />
      <span className="self-end">
        <ActionButton weight="main" disabled={choice.taken.length === 0} onClick={place}>
          Place {choice.taken.length} {choice.taken.length === 1 ? 'column' : 'columns'}
        </ActionButton>
      </span>
      <TakeFile kind="columns" />
    </>
  );
}
