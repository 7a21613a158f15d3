'use client';

import { ChoiceField } from '../../fields/fields';
import { useSlice } from '../../session/store';

/** From which level to which something is there; an empty choice is no limit. */
export function LevelRangeFields({
  from,
  to,
  onChange,
  unlimited = ['the lowest level', 'the top'],
}: {
  from: string | null;
  to: string | null;
  onChange: (range: { fromLevel?: string | null; toLevel?: string | null }) => void;
  unlimited?: readonly [string, string];
}) {
  const { solved, building, mayEdit } = useSlice('solved', 'building', 'mayEdit');
  const levels = [...(solved?.levels ?? [])].filter((level) => level.building === building).reverse();
  const choices = (none: string) => [['', none] as const, ...levels.map(({ id, name }) => [id, name] as const)];
  const taken = (id: string) => (id === '' ? null : id);
  return (
    <>
      <ChoiceField
        label="From level"
        value={from ?? ''}
        disabled={!mayEdit}
        choices={choices(unlimited[0])}
        onChoose={(id) => onChange({ fromLevel: taken(id) })}
      />
      <ChoiceField
        label="To level"
        value={to ?? ''}
        disabled={!mayEdit}
        choices={choices(unlimited[1])}
        onChoose={(id) => onChange({ toLevel: taken(id) })}
      />
    </>
  );
}
