'use client';

import { useState } from 'react';
import { ActionButton, PlainField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { useSlice } from '../session/store';

/** Moves chosen things by exact lengths along the building's axes. */
export function MoveFields({ ids }: { ids: string[] }) {
  const { run } = useSlice('run');
  const read = useLengthReader();
  const [[x, y], setBy] = useState<[string, string]>(['0', '0']);
  const [refused, setRefused] = useState<string | null>(null);
  const [east, north] = [read(x), read(y)];
  const wrong = [east, north].find((part) => !part.ok);
  const move = () => {
    if (!east.ok || !north.ok) return setRefused(wrong!.words);
    const refusal = run('elements.move', { ids, xMm: east.input, yMm: north.input });
    setRefused(refusal);
    if (!refusal) setBy(['0', '0']);
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Move</legend>
      <PlainField
        label="Move east"
        value={x}
        onChange={(text) => setBy([text, y])}
        note={east.ok ? null : east.words}
        wrong={!east.ok}
      />
      <PlainField
        label="Move north"
        value={y}
        onChange={(text) => setBy([x, text])}
        note={refused ?? (north.ok ? null : north.words)}
        wrong={!north.ok || refused !== null}
      />
      <span className="self-end">
        <ActionButton onClick={move}>Move</ActionButton>
      </span>
    </fieldset>
  );
}
