'use client';

import { useState } from 'react';
import { recordsOf } from '@/core/model/framework';
import type { Wall, WallException } from '@/core/walls/wall';
import { CheckField, ChoiceField } from '../fields/fields';
import { useSlice } from '../session/store';
import { ExceptionList } from './exception-list';
import type { Change } from '@/core/commands/command-inputs';

/** What differs at the current level of a wall, or from there up: left out, or of another thickness. */
export function WallExceptions({ wall }: { wall: Wall }) {
  const { framework, level, run, say } = useSlice('framework', 'level', 'run', 'say');
  const [upwards, setUpwards] = useState(true);
  const types = recordsOf(framework, 'wallType');
  const except = (at: string | null, up: boolean, part: Change<'walls.except', 'wall' | 'level' | 'upwards'>) => {
    if (!at) return;
    const refusal = run('walls.except', { wall: wall.id, level: at, upwards: up, ...part });
    if (refusal) say(refusal);
  };
  const wordsOf = ({ leftOut, type }: WallException) =>
    leftOut ? 'left out' : type ? (types.find(({ id }) => id === type)?.name ?? 'another type') : 'stands again';
  const here = wall.exceptions.find((each) => each.level === level && each.upwards === upwards);
  return (
    <ExceptionList
      exceptions={wall.exceptions}
      wordsOf={wordsOf}
      onAsBelow={(each) => except(each.level, each.upwards, { leftOut: false, type: null })}
      upwards={upwards}
      onReach={setUpwards}
    >
      <ChoiceField
        label="it is of type"
        value={here?.type ?? 'below'}
        choices={[['below', 'as below'], ...types.map(({ id, name }) => [id, name] as const)]}
        onChoose={(type) => except(level, upwards, { type: type === 'below' ? null : type })}
      />
      <CheckField
        label="left out"
        value={here?.leftOut ?? false}
        onChange={(leftOut) => except(level, upwards, { leftOut })}
      />
    </ExceptionList>
  );
}
