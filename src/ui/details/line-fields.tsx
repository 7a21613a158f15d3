'use client';

import { useState } from 'react';
import type { GridLine } from '@/core/grids/grid';
import { recordsOf } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { formatForEntry } from '@/core/units/format-length';
import { ActionButton, ChoiceField, PlainField, TextField } from '../fields/fields';
import { LengthField, useLengthReader } from '../fields/length-field';
import { useProject } from '../session/store';

/** Fields of a grid line: label, bay, splitting and removing. */
export function LineFields({ line }: { line: GridLine }) {
  const { framework, solved, run, say, mayEdit, mode, set, select } = useProject((project) => project);
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
  const isLast = !recordsOf(framework, 'gridLine').some(({ from }) => from === line.id);
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
      {mayEdit && (isFirst || isLast) && <AddBeyond line={line} end={isLast ? 'last' : 'first'} />}
      {mayEdit && (
        <ActionButton weight="danger" onClick={() => attempt('grids.removeLine', { line: line.id }) && select([])}>
          Remove this line, its bays merge
        </ActionButton>
      )}
    </div>
  );
}

/** A line more, beyond the last or before the first. */
function AddBeyond({ line, end }: { line: GridLine; end: 'first' | 'last' }) {
  const { run, display, say } = useProject((project) => project);
  const read = useLengthReader();
  const [bay, setBay] = useState(() => formatForEntry(display.system === 'imperial' ? 24 * 304.8 : 7200, display));
  const understood = read(bay);
  const add = () => {
    if (!understood.ok) return say(understood.words);
    const { system, direction } = line;
    const refusal = run('grids.addLine', { system, direction, bayMm: understood.input, end });
    if (refusal) say(refusal);
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Add a line</legend>
      <PlainField
        label={end === 'last' ? 'Bay beyond it' : 'Bay before it'}
        value={bay}
        onChange={setBay}
        note={understood.words}
        wrong={!understood.ok}
      />
      <span className="self-end">
        <ActionButton onClick={add}>{end === 'last' ? 'Add a line beyond it' : 'Add a line before it'}</ActionButton>
      </span>
    </fieldset>
  );
}
