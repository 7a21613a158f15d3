'use client';

import { useState } from 'react';
import { SwitchButtons } from '../fields/fields';
import { schedulesOfKinds } from '../kinds/registry';

const NAMES = schedulesOfKinds.map(({ kind, words }) => [kind, words] as const);

/** The tables that are typed in, kind by kind. */
export function Schedules() {
  const [table, setTable] = useState(NAMES[0]![0]);
  const shown = schedulesOfKinds.find(({ kind }) => kind === table)!;
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="px-5 pt-3">
        <SwitchButtons label="Which table" value={table} choices={NAMES} onChoose={setTable} />
      </div>
      <shown.Table />
    </div>
  );
}
