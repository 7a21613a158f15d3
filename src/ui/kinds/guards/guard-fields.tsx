'use client';

import type { Change, CommandInputs } from '@/core/commands/command-inputs';
import { mmOf } from '@/core/dimensions/resolve-length';
import type { Guard } from '@/core/guards/guard';
import { ruleChoices } from '@/core/rule-sets/rules-in';
import { ThingPanel } from '../../details/thing-panel';
import { BUILDING, check, choice, ID, KIND, length, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { ActionButton, CheckField, ChoiceField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useProject, useSlice } from '../../session/store';
import { LevelSpan } from '../../tools/level-span';
import { GUARD_EDGE_CHOICES, GUARD_INFILL_CHOICES, GUARD_IS_CHOICES, GUARD_SIDE_CHOICES } from './guard-words';

const isFilled = ({ is }: Guard) => is === 'guard';

const FIELDS: FieldsOf<Guard, Change<'guards.change', 'guard'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  is: choice('It is a', GUARD_IS_CHOICES),
  along: own(Along),
  rules: choice('Rule set', (_, { framework }) => ruleChoices(framework)),
  heightMm: length('Height'),
  postSpacingMm: length('Posts, at most apart'),
  infill: choice('Filled with', GUARD_INFILL_CHOICES, { when: isFilled }),
  gapMm: length('Largest gap', { when: ({ is, infill }) => is === 'guard' && infill === 'bars' }),
  hasTopRail: check('Top rail', { when: isFilled }),
  midRails: own(MidRails),
  insetMm: length('From the edge inwards'),
  extensionMm: length('Past the first and last nosing', { when: ({ along }) => along.of === 'stair' }),
  endPosts: own(EndPosts),
  gates: own(Gates),
};

/** What it runs along, as far as that is changed here. */
function Along({ record: guard }: { record: Guard }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
  const { along } = guard;
  const give = (next: CommandInputs['guards.change']['along']) =>
    void run('guards.change', { guard: guard.id, ...(next ? { along: next } : {}) });
  if (along.of === 'line') return <p className="text-[11px] text-ink2">Along a line drawn in the plan.</p>;
  if (along.of === 'edges') {
    const { levels } = along;
    const by = along.by ? framework.records.get(along.by) : null;
    return (
      <>
        <ChoiceField
          label="Along"
          value={along.edges}
          choices={GUARD_EDGE_CHOICES}
          disabled={!mayEdit}
          onChoose={(edges) => give({ of: 'edges', edges, by: along.by, levels })}
        />
        {by && 'name' in by && <p className="text-[11px] text-ink2">Of the opening of {by.name} only.</p>}
        {'range' in levels && mayEdit && (
          <LevelSpan
            from={levels.range[0]}
            to={levels.range[1]}
            words={['From level', 'To level']}
            onChange={({ from, to }) =>
              give({
                of: 'edges',
                edges: along.edges,
                by: along.by,
                levels: { range: [from ?? levels.range[0], to ?? levels.range[1]] },
              })
            }
          />
        )}
      </>
    );
  }
  return (
    <ChoiceField
      label="On"
      value={along.side}
      choices={GUARD_SIDE_CHOICES}
      disabled={!mayEdit}
      onChoose={(side) =>
        give(along.of === 'stair' ? { of: 'stair', stair: along.stair, side } : { of: 'ramp', ramp: along.ramp, side })
      }
    />
  );
}

function MidRails({ record: guard }: { record: Guard }) {
  const run = useProject((project) => project.run);
  const mayEdit = useProject((project) => project.mayEdit);
  if (guard.is === 'handrail') return null;
  return (
    <TextField
      label="Rails under the top one"
      value={String(guard.midRails)}
      disabled={!mayEdit}
      onCommit={(typed) => {
        const midRails = Number(typed);
        if (!(Number.isInteger(midRails) && midRails >= 0 && midRails <= 20)) return 'A whole number from 0 to 20';
        return run('guards.change', { guard: guard.id, midRails });
      }}
    />
  );
}

function EndPosts({ record: guard }: { record: Guard }) {
  const run = useProject((project) => project.run);
  const mayEdit = useProject((project) => project.mayEdit);
  const { start, end } = guard.endPosts;
  const give = (endPosts: Guard['endPosts']) => void run('guards.change', { guard: guard.id, endPosts });
  return (
    <>
      <CheckField
        label="A post at its start"
        value={start}
        disabled={!mayEdit}
        onChange={(on) => give({ start: on, end })}
      />
      <CheckField
        label="A post at its end"
        value={end}
        disabled={!mayEdit}
        onChange={(on) => give({ start, end: on })}
      />
    </>
  );
}

/** Pieces left out of its first run, by two distances along it. */
function Gates({ record: guard }: { record: Guard }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
  const give = (gates: Guard['gates']) =>
    run('guards.change', {
      guard: guard.id,
      gates: gates.map(({ fromMm, toMm }) => ({ fromMm: given(fromMm), toMm: given(toMm) })),
    });
  const given = (length: Guard['heightMm']) => (typeof length === 'number' ? length : length.expr);
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-[11px] text-ink2">Left out, along its first run</legend>
      {guard.gates.map((gate, i) => (
        <div key={i} className="flex flex-col gap-1 border-t border-faint pt-1">
          {(['fromMm', 'toMm'] as const).map((end) => (
            <LengthField
              key={end}
              label={`Gate ${i + 1} ${end === 'fromMm' ? 'from' : 'to'}`}
              valueMm={mmOf(framework, gate[end])}
              disabled={!mayEdit}
              onCommit={(input) =>
                run('guards.change', {
                  guard: guard.id,
                  gates: guard.gates.map((each, k) => ({
                    fromMm: given(each.fromMm),
                    toMm: given(each.toMm),
                    ...(k === i ? { [end]: input } : {}),
                  })),
                })
              }
            />
          ))}
          {mayEdit && (
            <ActionButton onClick={() => void give(guard.gates.filter((_, k) => k !== i))}>
              Close gate {i + 1}
            </ActionButton>
          )}
        </div>
      ))}
      {mayEdit && (
        <ActionButton onClick={() => void give([...guard.gates, { fromMm: 1000, toMm: 2000 }])}>
          Leave a piece out
        </ActionButton>
      )}
    </fieldset>
  );
}

/** Fields of a guard or handrail. */
export function GuardFields({ record: guard }: { record: Guard }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={guard}
      fields={FIELDS}
      give={(part) => run('guards.change', { guard: guard.id, ...part })}
      remove={guard.is === 'guard' ? 'Delete this guard' : 'Delete this handrail'}
    />
  );
}
