'use client';

import { offeredInPlan } from '@/core/elements/in-plan';
import { useSlice } from '../session/store';
import { CopyFields } from './copy-fields';
import { MoveFields } from './move-fields';

/** Moving, copying and mirroring of chosen things in plan, as far as their kinds can. */
export function InPlanFields({ ids }: { ids: string[] }) {
  const { framework, mayEdit } = useSlice('framework', 'mayEdit');
  const { move, copy } = offeredInPlan(framework, ids);
  if (!mayEdit || !move) return null;
  return (
    <>
      <MoveFields ids={ids} />
      {copy && <CopyFields ids={ids} />}
    </>
  );
}
