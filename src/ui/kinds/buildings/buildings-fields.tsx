'use client';

import { useState } from 'react';
import type { Building } from '@/core/buildings/building';
import { none } from '@/core/kinds/kind';
import { recordOf } from '@/core/model/framework';
import { angle, ID, KIND, length, text, type FieldsOf } from '../../fields/declared/field-spec';
import { RecordFields } from '../../fields/declared/record-fields';
import { ActionButton, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { Refused } from '../../tools/refused';
import type { Change } from '@/core/commands/command-inputs';

const FIELDS: FieldsOf<Building, Change<'buildings.change', 'building'>> = {
  kind: KIND,
  id: ID,
  name: text('Name'),
  zeroMm: length('Zero above the site datum'),
  xMm: length('East'),
  yMm: length('North'),
  turnDeg: angle('Turned'),
  budget: none('It is typed at any level, as what is typical'),
};

/** Where the building stands: its height above the site datum, place and turn; and another building. */
export function BuildingsFields() {
  const { framework, building, run } = useSlice('framework', 'building', 'run');
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const record = building ? recordOf(framework, 'building', building) : undefined;
  if (!record) return null;
  const add = () => {
    const refusal = run('buildings.add', { name: name.trim() });
    setRefused(refusal);
    if (!refusal) setName('');
  };
  return (
    <details className="border-t border-faint pt-2.5">
      <summary className="font-semibold">Building {record.name}</summary>
      <div className="flex flex-col gap-1.5 pt-2">
        <RecordFields
          record={record}
          fields={FIELDS}
          building={record.id}
          give={(part) => run('buildings.change', { building: record.id, ...part })}
        />
        <form
          aria-label="Another building"
          className="flex flex-col gap-1.5 border-t border-faint pt-2"
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <PlainField label="Another building" value={name} onChange={setName} />
          <Refused words={refused} />
          <span className="self-end">
            <ActionButton type="submit" disabled={name.trim() === ''}>
              Add it
            </ActionButton>
          </span>
        </form>
      </div>
    </details>
  );
}
