'use client';

import { MATERIALS } from '@/core/columns/column';
import type { Foundation } from '@/core/foundations/foundation';
import { none } from '@/core/kinds/kind';
import { called } from '@/core/kinds/records';
import type { Change } from '@/core/commands/command-inputs';
import { markOf } from '@/core/commands/refer';
import {
  BUILDING,
  choice,
  end,
  ID,
  KIND,
  length,
  outline,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { ActionButton, CheckField, TextField } from '../../fields/fields';
import { useProject, useSlice } from '../../session/store';
import { ThingPanel } from '../../details/thing-panel';

const FIELDS: FieldsOf<Foundation, Change<'foundations.change', 'foundation'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  form: none('A foundation of another form is another foundation'),
  thicknessMm: length('Thickness'),
  widthMm: length(({ form }) => (form === 'pads' ? 'Along x' : 'Wide'), { when: ({ form }) => form !== 'raft' }),
  depthMm: length('Along y', { when: ({ form }) => form === 'pads' }),
  outline: outline('Outline'),
  under: own(Under),
  top: end('Top at'),
  material: choice(
    'Material',
    MATERIALS.map((material) => [material, material] as const),
  ),
  subgradeKnM3: own(Subgrade),
  restrained: own(Restrained),
};

/** Fields of a raft, of pads or of strips. */
export function FoundationFields({ record: foundation }: { record: Foundation }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={foundation}
      fields={FIELDS}
      give={(part) => run('foundations.change', { foundation: foundation.id, ...part })}
      remove="Delete this foundation"
    />
  );
}

/** The columns on its pads or the walls on its strips: one is taken out by a press. */
function Under({ record: foundation }: { record: Foundation }) {
  const { framework, run, say, select, mayEdit } = useSlice('framework', 'run', 'say', 'select', 'mayEdit');
  if (foundation.under.length === 0) return null;
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="text-ink2">
        Under {foundation.under.length} {foundation.form === 'pads' ? 'columns' : 'walls'}
      </summary>
      <ul aria-label="What stands on it" className="flex flex-col gap-0.5 pt-1.5">
        {foundation.under.map((id) => {
          const record = framework.records.get(id);
          if (!record) return null;
          const words = record.kind === 'columnStack' ? `column ${markOf(framework, record)}` : called(record);
          return (
            <li key={id} className="flex items-baseline justify-between gap-2">
              <button type="button" className="text-left underline decoration-hair" onClick={() => select([id])}>
                {words}
              </button>
              {mayEdit && foundation.under.length > 1 && (
                <ActionButton
                  label={`Take ${words} out`}
                  onClick={() => {
                    const under = foundation.under.filter((other) => other !== id);
                    const refusal = run('foundations.change', { foundation: foundation.id, under });
                    if (refusal) say(refusal);
                  }}
                >
                  Take out
                </ActionButton>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}

function Subgrade({ record: { id, subgradeKnM3 } }: { record: Foundation }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  return (
    <TextField
      label="Subgrade modulus, kN/m³"
      value={subgradeKnM3 === null ? '' : String(subgradeKnM3)}
      disabled={!mayEdit}
      onCommit={(typed) => {
        const value = typed.trim() === '' ? null : Number(typed.replace(',', '.').replace(/\s/g, ''));
        if (value !== null && !Number.isFinite(value)) return 'Type a number, like 25000';
        return run('foundations.change', { foundation: id, subgradeKnM3: value });
      }}
    />
  );
}

const WAYS = [
  ['x', 'Held along x'],
  ['y', 'Held along y'],
  ['z', 'Held upwards'],
] as const;

function Restrained({ record: { id, restrained } }: { record: Foundation }) {
  const { run, say, mayEdit } = useSlice('run', 'say', 'mayEdit');
  return WAYS.map(([way, label]) => (
    <CheckField
      key={way}
      label={label}
      value={restrained[way]}
      disabled={!mayEdit}
      onChange={(is) => {
        const refusal = run('foundations.change', { foundation: id, restrained: { ...restrained, [way]: is } });
        if (refusal) say(refusal);
      }}
    />
  ));
}
