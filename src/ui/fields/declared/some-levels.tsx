'use client';

import type { Id } from '@/core/model/ids';
import { useSlice } from '../../session/store';
import { CheckField, ChoiceField } from '../fields';

interface SomeLevelsProps {
  label: string;
  at: 'all' | readonly Id[];
  /** Those it may be at, lowest first. */
  levels: readonly { id: Id; name: string }[];
  words: readonly [all: string, some: string];
  put: (at: 'all' | readonly Id[]) => string | null;
}

/** At every level of a thing, or at some of them; one stays. */
export function SomeLevels({ label, at, levels, words, put }: SomeLevelsProps) {
  const { level, say, mayEdit } = useSlice('level', 'say', 'mayEdit');
  const attempt = (next: 'all' | readonly Id[]) => {
    const refusal = put(next);
    if (refusal) say(refusal);
  };
  return (
    <>
      <ChoiceField
        label={label}
        value={at === 'all' ? 'all' : 'some'}
        choices={[
          ['all', words[0]],
          ['some', words[1]],
        ]}
        disabled={!mayEdit}
        onChoose={(how) => {
          if (how === 'all') return attempt('all');
          const here = levels.find(({ id }) => id === level) ?? levels[0];
          if (here) attempt([here.id]);
        }}
      />
      {at !== 'all' && (
        <fieldset aria-label={`${label}: which`} className="flex flex-wrap gap-x-3 gap-y-0.5 pl-2">
          {[...levels].reverse().map(({ id, name }) => (
            <CheckField
              key={id}
              label={name}
              value={at.includes(id)}
              disabled={!mayEdit || (at.includes(id) && at.length === 1)}
              onChange={(on) => attempt(on ? [...at, id] : at.filter((each) => each !== id))}
            />
          ))}
        </fieldset>
      )}
    </>
  );
}
