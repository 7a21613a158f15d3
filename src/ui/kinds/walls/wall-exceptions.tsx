'use client';

import type { Change } from '@/core/commands/command-inputs';
import { recordsOf } from '@/core/model/framework';
import type { Wall, WallException } from '@/core/walls/wall';
import { CheckField, ChoiceField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { ExceptionList } from '../../details/exception-list';

type Except = Change<'walls.except', 'wall' | 'level' | 'upwards'>;

/** What differs at the current level of a wall, or from there up: left out, or of another thickness. */
export function WallExceptions({ wall }: { wall: Wall }) {
  const { framework, run } = useSlice('framework', 'run');
  const types = recordsOf(framework, 'wallType');
  const wordsOf = ({ leftOut, type }: WallException) =>
    leftOut ? 'left out' : type ? (types.find(({ id }) => id === type)?.name ?? 'another type') : 'stands again';
  return (
    <ExceptionList<WallException, Except>
      exceptions={wall.exceptions}
      wordsOf={wordsOf}
      plain={{ leftOut: false, type: null }}
      change={(at, part) => run('walls.except', { wall: wall.id, ...at, ...part })}
      beginsUpwards
    >
      {(here, { attempt }) => (
        <>
          <ChoiceField
            label="it is of type"
            value={here?.type ?? 'below'}
            choices={[['below', 'as below'], ...types.map(({ id, name }) => [id, name] as const)]}
            onChoose={(type) => attempt({ type: type === 'below' ? null : type })}
          />
          <CheckField label="left out" value={here?.leftOut ?? false} onChange={(leftOut) => attempt({ leftOut })} />
        </>
      )}
    </ExceptionList>
  );
}
