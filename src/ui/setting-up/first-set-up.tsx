'use client';

import { useSlice } from '../session/store';
import { SetUpLevels } from './set-up-levels';
import { WholeBuilding } from './whole-building';
import { TakeFile } from './take-file';

/** An empty building: levels by counts and heights with a live strip beside the fields, or from files. */
export function FirstSetUp() {
  const { mayEdit, solved, building } = useSlice('mayEdit', 'solved', 'building');
  const hasGrid = solved?.lines.some((line) => line.building === building) ?? false;
  if (!mayEdit) return <p className="p-8 text-ink2">There are no levels yet. A designer sets them up.</p>;
  return (
    <div className="overflow-y-auto p-8">
      <h2 className="text-[18px] font-bold">Set up the levels</h2>
      <p className="mb-5 max-w-[560px] text-ink2">
        Type the floor-to-floor heights, or bring what you were sent: a level table and the engineer’s grid drawing.
      </p>
      <SetUpLevels wide />
      <WholeBuilding />
      <div className="mt-6 grid max-w-[640px] grid-cols-2 gap-4">
        <TakeFile kind="levels" />
        {hasGrid ? <p className="p-2.5 text-ink2">The grid is taken; now the levels.</p> : <TakeFile kind="grid" />}
      </div>
    </div>
  );
}
