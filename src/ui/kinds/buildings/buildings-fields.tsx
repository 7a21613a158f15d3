'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { recordOf } from '@/core/model/framework';
import { ActionButton, AngleField, PlainField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { Refused } from '../../tools/refused';
import type { Change } from '@/core/commands/command-inputs';

/** Where the building stands: its height above the site datum, place and turn; and another building. */
export function BuildingsFields() {
  const { framework, building, run } = useSlice('framework', 'building', 'run');
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const record = building ? recordOf(framework, 'building', building) : undefined;
  if (!record) return null;
  const change = (part: Change<'buildings.change', 'building'>) =>
    run('buildings.change', { building: record.id, ...part });
  const add = () => {
    const refusal = run('buildings.add', { name: name.trim() });
    setRefused(refusal);
    if (!refusal) setName('');
  };
  return (
    <details className="border-t border-faint pt-2.5">
      <summary className="font-semibold">Building {record.name}</summary>
      <div className="flex flex-col gap-1.5 pt-2">
        <TextField label="Name" value={record.name} onCommit={(text) => change({ name: text })} />
        <LengthField
          label="Zero above the site datum"
          valueMm={mmOf(framework, record.zeroMm)}
          onCommit={(zeroMm) => change({ zeroMm })}
        />
        <LengthField label="East" valueMm={mmOf(framework, record.xMm)} onCommit={(xMm) => change({ xMm })} />
        <LengthField label="North" valueMm={mmOf(framework, record.yMm)} onCommit={(yMm) => change({ yMm })} />
        <AngleField label="Turned" valueDeg={record.turnDeg} onCommit={(degrees) => change({ turnDeg: degrees })} />
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
