'use client';

import { useState } from 'react';
import type { GridLine } from '@/core/grids/grid';
import type { Json } from '@/core/model/json';
import { ActionButton, ChoiceField, PlainField, TextField } from '../fields/fields';
import { LengthField, useLengthReader } from '../fields/length-field';
import { useProject } from '../session/store';

/** Fields of a grid line: label, bay, splitting and removing. */
export function LineFields({ line }: { line: GridLine }) {
  const { solved, run, say, mayEdit, mode, set, select } = useProject((project) => project);
  const shown = solved?.lines.find(({ id }) => id === line.id);
  const read = useLengthReader();
  const [at, setAt] = useState('');
  const [suffix, setSuffix] = useState('');
  if (!shown) return null;
  const attempt = (command: string, input: Json) => {
    const refusal = run(command, input);
    if (refusal) say(refusal);
    return refusal === null;
  };
  const split = () => {
    const distance = at.trim() === '' ? null : read(at);
    if (distance && !distance.ok) return say(distance.words);
    attempt('grids.splitBay', {
      line: line.id,
      ...(distance?.ok ? { atMm: distance.input } : {}),
      ...(suffix.trim() ? { suffix: suffix.trim() } : {}),
    });
  };
  const isFirst = line.from === null;
  return (
    <div className="flex flex-col gap-1.5">
      <TextField
        label="Label"
        value={shown.label ?? ''}
        disabled={!mayEdit}
        onCommit={(label) => run('grids.relabel', { line: line.id, label: label.trim() || { mode: 'none' } })}
      />
      {line.label.mode !== 'auto' && mayEdit && (
        <ActionButton
          onClick={() => attempt('grids.relabel', { line: line.id, label: { mode: 'auto' }, minor: false })}
        >
          Label it by the run again
        </ActionButton>
      )}
      {!isFirst && (
        <>
          <LengthField
            label="Bay to the line before"
            valueMm={shown.bayMm}
            disabled={!mayEdit}
            onCommit={(bayMm) => run('grids.setBay', { line: line.id, bayMm, mode })}
          />
          <ChoiceField
            label="When it moves"
            value={mode}
            choices={[
              ['push', 'the lines after move along'],
              ['only', 'only this line'],
            ]}
            onChoose={(next) => set({ mode: next })}
          />
        </>
      )}
      {mayEdit && !isFirst && (
        <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
          <legend className="sr-only">Split the bay</legend>
          <PlainField
            label="Split the bay at"
            value={at}
            onChange={setAt}
            note={at === '' ? 'empty: in half' : read(at).words}
            wrong={at !== '' && !read(at).ok}
          />
          <PlainField
            label="Label with suffix"
            value={suffix}
            onChange={setSuffix}
            note={suffix === '' ? 'empty: no label' : null}
          />
          <span className="self-end">
            <ActionButton onClick={split}>Split the bay</ActionButton>
          </span>
        </fieldset>
      )}
      {mayEdit && (
        <ActionButton weight="danger" onClick={() => attempt('grids.removeLine', { line: line.id }) && select([])}>
          Remove this line, its bays merge
        </ActionButton>
      )}
    </div>
  );
}
