'use client';

import { useState } from 'react';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { useSlice } from '../session/store';
import { EXAMPLES } from '@/core/units/examples';

/** Moves or copies chosen things by exact lengths along the building's axes, or mirrors them in a line. */
export function CopyFields({ ids }: { ids: string[] }) {
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="text-ink2">Copy or mirror</summary>
      <div className="flex flex-col gap-2 pt-1.5">
        <CopyBy ids={ids} />
        <MirrorIn ids={ids} />
      </div>
    </details>
  );
}

/** Distances of one or several copies: `east, north` pairs parted by semicolons. */
function CopyBy({ ids }: { ids: string[] }) {
  const { run, display } = useSlice('run', 'display');
  const read = useLengthReader();
  const [text, setText] = useState('');
  const [count, setCount] = useState('1');
  const [refused, setRefused] = useState<string | null>(null);
  const pairs = text
    .split(';')
    .filter((pair) => pair.trim() !== '')
    .map((pair) => pair.split(',').map((part) => read(part)));
  const wrong = pairs.some((pair) => pair.length !== 2 || pair.some((part) => !part.ok));
  const times = Math.max(1, Math.round(Number(count) || 1));
  const copies = pairs.length * times * ids.length;
  const copy = () => {
    const by = pairs.flatMap(([east, north]) => (east?.ok && north?.ok ? [{ xMm: east.input, yMm: north.input }] : []));
    const refusal = run('elements.copy', { ids, by, count: times });
    setRefused(refusal);
    if (!refusal) setText('');
  };
  return (
    <form
      aria-label="Copy"
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        copy();
      }}
    >
      <PlainField
        label="Copy east, north by"
        value={text}
        onChange={setText}
        note={
          refused ??
          (text === ''
            ? `${EXAMPLES.shifts[display.system]} makes two`
            : wrong
              ? `type it like ${EXAMPLES.shifts[display.system]}`
              : `${copies} copies`)
        }
        wrong={refused !== null || (text !== '' && wrong)}
      />
      <PlainField label="each so many times" value={count} onChange={setCount} />
      <span className="self-end">
        <ActionButton type="submit" disabled={pairs.length === 0 || wrong}>
          Copy
        </ActionButton>
      </span>
    </form>
  );
}

function MirrorIn({ ids }: { ids: string[] }) {
  const { solved, building, run, say } = useSlice('solved', 'building', 'run', 'say');
  const lines = [
    ...(solved?.lines ?? [])
      .filter((line) => line.building === building && line.curve.kind !== 'arc' && line.label !== null)
      .map(({ id, label }) => [id, label!] as const),
    ...(solved?.settingOut ?? [])
      .filter((line) => line.building === building && line.curve.kind !== 'arc')
      .map(({ id, name }) => [id, name] as const),
  ];
  const [line, setLine] = useState('');
  const [copies, setCopies] = useState(true);
  if (lines.length === 0) return null;
  const chosen = line || lines[0]![0];
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Mirror</legend>
      <ChoiceField label="Mirror in line" value={chosen} choices={lines} onChoose={setLine} />
      <CheckField label="Keep what is mirrored" value={copies} onChange={setCopies} />
      <span className="self-end">
        <ActionButton
          onClick={() => {
            const refusal = run('elements.mirror', { ids, line: chosen, copies });
            if (refusal) say(refusal);
          }}
        >
          Mirror
        </ActionButton>
      </span>
    </fieldset>
  );
}
