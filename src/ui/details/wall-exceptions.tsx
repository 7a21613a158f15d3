'use client';

import { useState } from 'react';
import { recordsOf } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import type { Wall, WallException } from '@/core/walls/wall';
import { ActionButton, CheckField, ChoiceField } from '../fields/fields';
import { useProject } from '../session/store';

/** What differs at the current level of a wall, or from there up: left out, or of another thickness. */
export function WallExceptions({ wall }: { wall: Wall }) {
  const { framework, solved, level, run, say, mayEdit } = useProject((project) => project);
  const [upwards, setUpwards] = useState(true);
  const types = recordsOf(framework, 'wallType');
  const name = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  const except = (at: string, up: boolean, part: Record<string, Json>) => {
    const refusal = run('walls.except', { wall: wall.id, level: at, upwards: up, ...part });
    if (refusal) say(refusal);
  };
  const wordsOf = ({ leftOut, type }: WallException) =>
    leftOut ? 'left out' : type ? (types.find(({ id }) => id === type)?.name ?? 'another type') : 'stands again';
  const here = wall.exceptions.find((each) => each.level === level && each.upwards === upwards);
  return (
    <details className="border-t border-faint pt-1.5" open={wall.exceptions.length > 0 || undefined}>
      <summary className="text-ink2">Other at some levels</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        <ul aria-label="What differs">
          {wall.exceptions.map((each) => (
            <li key={`${each.level} ${each.upwards}`} className="flex items-baseline justify-between gap-2">
              <span>
                {each.upwards ? 'From' : 'At'} <strong>{name(each.level)}</strong> {each.upwards ? 'up' : 'only'}:{' '}
                {wordsOf(each)}
              </span>
              {mayEdit && (
                <ActionButton onClick={() => except(each.level, each.upwards, { leftOut: false, type: null })}>
                  As below
                </ActionButton>
              )}
            </li>
          ))}
        </ul>
        {mayEdit && level && (
          <>
            <ChoiceField
              label={`At level ${name(level)}`}
              value={upwards ? 'up' : 'here'}
              choices={[
                ['here', 'there only'],
                ['up', 'from there up'],
              ]}
              onChoose={(reach) => setUpwards(reach === 'up')}
            />
            <ChoiceField
              label="it is of type"
              value={here?.type ?? 'below'}
              choices={[['below', 'as below'], ...types.map(({ id, name: words }) => [id, words] as const)]}
              onChoose={(type) => except(level, upwards, { type: type === 'below' ? null : type })}
            />
            <CheckField
              label="left out"
              value={here?.leftOut ?? false}
              onChange={(leftOut) => except(level, upwards, { leftOut })}
            />
          </>
        )}
      </div>
    </details>
  );
}
