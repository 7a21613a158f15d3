'use client';

import type { Extent } from '@/core/levels/extent';
import type { Id } from '@/core/model/ids';
import { ChoiceField } from '../fields/fields';
import { useSlice } from '../session/store';

/** From which level to which something serves all; nothing where its levels are named one by one. */
export function ExtentFields({
  levels,
  building,
  onChange,
}: {
  levels: Extent;
  building: Id;
  onChange: (range: [string, string]) => string | null;
}) {
  const { solved, mayEdit, say } = useSlice('solved', 'mayEdit', 'say');
  if (!('range' in levels)) return null;
  const [from, to] = levels.range as [string, string];
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const choices = [...storeys].reverse().map(({ id, name }) => [id, name] as const);
  const attempt = (range: [string, string]) => {
    const refusal = onChange(range);
    if (refusal) say(refusal);
  };
  return (
    <>
      <ChoiceField
        label="From level"
        value={from}
        choices={choices}
        disabled={!mayEdit}
        onChoose={(id) => attempt([id, to])}
      />
      <ChoiceField
        label="To level"
        value={to}
        choices={choices}
        disabled={!mayEdit}
        onChoose={(id) => attempt([from, id])}
      />
    </>
  );
}
