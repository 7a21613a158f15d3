'use client';

import type { Extent } from '@/core/levels/extent';
import type { Id } from '@/core/model/ids';
import { useSlice } from '../../session/store';
import { CheckField, ChoiceField } from '../fields';

interface ExtentFieldsProps {
  levels: Extent;
  building: Id;
  onChange: (levels: Extent) => string | null;
}

/** The levels something serves: all from one to another, or some one by one. */
export function ExtentFields({ levels, building, onChange }: ExtentFieldsProps) {
  const { solved, mayEdit, say } = useSlice('solved', 'mayEdit', 'say');
  const own = (solved?.levels ?? []).filter((level) => level.building === building);
  const storeys = own.filter(({ bounding }) => bounding);
  const floored = [...own].reverse().filter(({ bounding, levelKind }) => bounding || levelKind === 'mezzanine');
  const attempt = (next: Extent) => {
    const refusal = onChange(next);
    if (refusal) say(refusal);
  };
  const served = 'at' in levels ? levels.at : between(storeys, levels.range);
  const [lowest, topmost] = [
    storeys.find(({ id }) => served.includes(id)),
    storeys.findLast(({ id }) => served.includes(id)),
  ];
  return (
    <>
      <ChoiceField
        label="Levels"
        value={'at' in levels ? 'some' : 'all'}
        choices={[
          ['all', 'all from … to'],
          ['some', 'some, one by one'],
        ]}
        disabled={!mayEdit}
        onChoose={(how) => {
          if (how === 'some') return attempt({ at: [...served] });
          const [from, to] = [lowest ?? storeys[0], topmost ?? storeys.at(-1)];
          if (from && to) attempt({ range: [from.id, to.id] });
        }}
      />
      {'at' in levels ? (
        <fieldset aria-label="Levels one by one" className="flex flex-wrap gap-x-3 gap-y-0.5 pl-2">
          {floored.map(({ id, name }) => (
            <CheckField
              key={id}
              label={name}
              value={levels.at.includes(id)}
              disabled={!mayEdit}
              onChange={(on) => attempt({ at: on ? [...levels.at, id] : levels.at.filter((each) => each !== id) })}
            />
          ))}
        </fieldset>
      ) : (
        (['From level', 'To level'] as const).map((label, i) => (
          <ChoiceField
            key={label}
            label={label}
            value={levels.range[i]!}
            choices={[...storeys].reverse().map(({ id, name }) => [id, name] as const)}
            disabled={!mayEdit}
            onChoose={(id) => attempt({ range: i === 0 ? [id, levels.range[1]] : [levels.range[0], id] })}
          />
        ))
      )}
    </>
  );
}

/** The storeys from one level to another, whichever is lower. */
function between(storeys: readonly { id: Id }[], range: readonly [Id, Id]): Id[] {
  const ranks = range.map((id) => storeys.findIndex((each) => each.id === id));
  return storeys.slice(Math.min(...ranks), Math.max(...ranks) + 1).map(({ id }) => id);
}
