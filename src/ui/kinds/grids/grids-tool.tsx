'use client';

import { useState } from 'react';
import { gridsOf } from '@/core/grids/resolve-grids';
import { ActionButton, SwitchButtons } from '../../fields/fields';
import { TakeFile } from '../../setting-up/take-file';
import { useSlice } from '../../session/store';
import { UnderlaysTool } from '../../underlays/underlays-tool';
import { FreeLines } from './free-lines';
import { NewGrid } from './new-grid';
import { Presets } from './presets';
import { SettingOut } from '../setting-out/setting-out-tool';
import { SystemFields } from './system-fields';

type Act = 'edit' | 'new' | 'free' | 'settingOut' | 'underlays';

const ACTS: readonly (readonly [Act, string])[] = [
  ['edit', 'Grids here'],
  ['new', 'New grid'],
  ['free', 'Free lines'],
  ['settingOut', 'Setting-out lines'],
  ['underlays', 'Underlays'],
];

/** Grids: those that are there, a new one, free lines, and the lines set out from them. */
export function GridsTool() {
  const { framework, building, mayEdit } = useSlice('framework', 'building', 'mayEdit');
  const systems = gridsOf(framework).filter(({ record }) => record.building === building);
  const [chosen, setChosen] = useState<Act | null>(null);
  if (!mayEdit) return <p className="text-ink2">Press a grid line in the plan to see its bay and label.</p>;
  const act = chosen ?? (systems.length === 0 ? 'new' : 'edit');
  return (
    <>
      <SwitchButtons label="What to do with grids" value={act} choices={ACTS} onChoose={setChosen} />
      {act === 'edit' && (
        <>
          {systems.length === 0 && <p className="text-ink2">There is no grid in this building yet.</p>}
          {systems.map((grid) => (
            <SystemFields key={grid.id} grid={grid} />
          ))}
          {systems.length > 0 && (
            <p className="text-ink2">
              Press a grid line in the plan for its label, bay, heads and levels. Drag it to move it.
            </p>
          )}
          <Presets systems={systems} />
          <TakeFile kind="grid" />
        </>
      )}
      {act === 'new' && <NewGrid onDone={() => setChosen('edit')} />}
      {act === 'free' && <FreeLines />}
      {act === 'settingOut' && <SettingOut />}
      {act === 'underlays' && <UnderlaysTool />}
      {act === 'new' && systems.length === 0 && <TakeFile kind="grid" />}
      {act === 'edit' && systems.length > 0 && (
        <span className="self-start">
          <ActionButton onClick={() => setChosen('new')}>Add another grid …</ActionButton>
        </span>
      )}
    </>
  );
}
