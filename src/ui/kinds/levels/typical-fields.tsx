'use client';

import { useState } from 'react';
import type { Level } from '@/core/levels/level';
import { following } from '@/core/typical/typical';
import { ActionButton, ChoiceField } from '../../fields/fields';
import { useSlice } from '../../session/store';

/** Which master a level follows, or which levels follow it. */
export function TypicalFields({ level }: { level: Level }) {
  const { framework, solved, run, say, mayEdit } = useSlice('framework', 'solved', 'run', 'say', 'mayEdit');
  const storeys = (solved?.levels ?? []).filter(
    (each) => each.building === level.building && each.bounding && each.storeyHeightMm !== null,
  );
  const [chosen, setChosen] = useState('');
  const { masterOf, followersOf } = following(framework);
  const master = masterOf.get(level.id);
  const followers = followersOf.get(level.id) ?? [];
  const name = (id: string) => storeys.find((each) => each.id === id)?.name ?? '';
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  if (!storeys.some(({ id }) => id === level.id)) return null;
  if (master)
    return (
      <div className="flex flex-wrap items-baseline justify-between gap-1.5 border-t border-faint pt-1.5">
        <span>
          Follows level <strong>{name(master)}</strong>: walls, rooms and floors are as there.
        </span>
        {mayEdit && (
          <span className="flex gap-1.5">
            <ActionButton onClick={() => attempt(run('typical.release', { levels: [level.id] }))}>
              Release it
            </ActionButton>
          </span>
        )}
      </div>
    );
  // The levels from this one to the chosen one: what a designer means by "up to 08".
  const rank = (id: string) => storeys.findIndex((each) => each.id === id);
  const between = storeys
    .slice(Math.min(rank(level.id), rank(chosen)), Math.max(rank(level.id), rank(chosen)) + 1)
    .map(({ id }) => id)
    .filter((id) => id !== level.id && !followers.includes(id));
  const choices = [...storeys].reverse().filter(({ id }) => id !== level.id);
  return (
    <div className="flex flex-col gap-1 border-t border-faint pt-1.5">
      {followers.length > 0 && (
        <span>
          Master of typical floors: <strong>{followers.map(name).join(', ')}</strong> follow it.
        </span>
      )}
      {mayEdit && (
        <>
          <ChoiceField
            label="Let levels follow it, up to"
            value={chosen}
            choices={[['', 'choose'], ...choices.map(({ id, name: words }) => [id, words] as const)]}
            onChoose={setChosen}
          />
          {chosen !== '' && (
            <span className="self-end">
              <ActionButton
                disabled={between.length === 0}
                onClick={() => {
                  const refusal = run('typical.follow', { master: level.id, levels: between });
                  if (refusal) say(refusal);
                  else setChosen('');
                }}
              >
                {`${between.map(name).join(', ')} follow`}
              </ActionButton>
            </span>
          )}
        </>
      )}
    </div>
  );
}
