'use client';

import type { Change } from '@/core/commands/command-inputs';
import { asGiven } from '@/core/dimensions/uses';
import { panelsOf } from '@/core/walls/members';
import type { Wall } from '@/core/walls/wall';
import { ChoiceField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';

/** Panels and members of a glazed wall. */
export function PanelFields({ record: wall }: { record: Wall }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  if (wall.use !== 'glazed') return null;
  const now = panelsOf(framework, wall);
  const given = wall.panels ? asGiven(framework, wall.panels) : now;
  const set = (part: Partial<NonNullable<Change<'walls.change', 'wall'>['panels']>>) =>
    run('walls.change', { wall: wall.id, panels: { ...given, ...part } });
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">Panels</legend>
      <ChoiceField
        label="Members stand"
        value={now.onGrid ? 'grid' : 'even'}
        disabled={!mayEdit}
        choices={[
          ['even', 'evenly'],
          ['grid', 'on grid lines'],
        ]}
        onChoose={(at) => {
          const refusal = set({ onGrid: at === 'grid' });
          if (refusal) say(refusal);
        }}
      />
      {!now.onGrid && (
        <LengthField
          label="Panels, wide at most"
          valueMm={now.moduleMm}
          disabled={!mayEdit}
          onCommit={(moduleMm) => set({ moduleMm })}
        />
      )}
      <LengthField
        label="Members, wide"
        valueMm={now.memberMm}
        disabled={!mayEdit}
        onCommit={(memberMm) => set({ memberMm })}
      />
    </fieldset>
  );
}
