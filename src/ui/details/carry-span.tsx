'use client';

import { useState } from 'react';
import { ActionButton, ChoiceField } from '../fields/fields';
import { useSlice } from '../session/store';

/** In which storeys chosen things stand: from the lowest to the topmost. */
export function CarrySpan({ ids }: { ids: readonly string[] }) {
  const { solved, building, run, say } = useSlice('solved', 'building', 'run', 'say');
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const choices = [...storeys].reverse().map(({ id, name }) => [id, name] as const);
  const [lowest, setLowest] = useState(storeys[0]?.id ?? '');
  const [topmost, setTopmost] = useState(storeys.at(-2)?.id ?? '');
  if (storeys.length < 2) return null;
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Carry</legend>
      <ChoiceField label="Carry from storey" value={lowest} choices={choices} onChoose={setLowest} />
      <ChoiceField label="to storey" value={topmost} choices={choices} onChoose={setTopmost} />
      <span className="self-end">
        <ActionButton
          onClick={() => {
            const refusal = run('carry.to', { ids, lowest, topmost });
            if (refusal) say(refusal);
          }}
        >
          Carry it
        </ActionButton>
      </span>
    </fieldset>
  );
}
