'use client';

import { type Step, useSlice } from '../session/store';
import { stepCounts } from './step-counts';

/** What a step is for, and what to do first there: said for as long as it has nothing. */
const BEGIN: Record<Step, { whatFor: string; first: string }> = {
  levels: {
    whatFor: 'Levels are the heights everything stands between.',
    first: 'type the floor-to-floor heights.',
  },
  grids: {
    whatFor: 'Grid lines are what all consultants measure from: columns, walls and floors are held to them and follow.',
    first: 'type the bays across and up, like 5@8100 and 3@7800, look at the lines in the plan, and add the grid.',
  },
  columns: {
    whatFor: 'A column is one thing through all its storeys: a level that moves takes its ends along.',
    first: 'choose grid lines, or All lines: every crossing of them gets a column of the section typed below.',
  },
  shafts: {
    whatFor: 'A shaft is drawn once and opens every slab it passes, whatever is changed later.',
    first: 'drag a rectangle in the plan, or type its corner and size. Say what it is for.',
  },
  stairs: {
    whatFor: 'A stair is given a well and a range of storeys; its flights are worked out storey by storey.',
    first: 'drag the well in the plan. About 2.6 m by 5.6 m is enough for storeys of 3.3 m.',
  },
  floors: {
    whatFor: 'A floor plate serves one level or a range of levels, with an edge that follows the grid or the walls.',
    first: 'take its edge from the grid, or press its corners in the plan, and say from which level to which.',
  },
  walls: {
    whatFor: 'A wall runs along a path through its storeys, in its layers, and ends under the slab above.',
    first: 'press its corners in the plan, or type the path. Doors, windows and rooms come after it.',
  },
  checks: {
    whatFor: 'Checks look at everything in the framework at every change, and offer to mend what they find.',
    first: 'there is nothing to do here yet.',
  },
  issue: {
    whatFor: 'Here consultants get their files: the model, the plans and the numbers.',
    first: 'with levels and a grid the first setting-out plan can go out.',
  },
};

/** Shown over the tools of a step that has nothing yet. */
export function BeginWith({ step }: { step: Step }) {
  const { framework, solved, building, set } = useSlice('framework', 'solved', 'building', 'set');
  if (!solved) return null;
  const counts = stepCounts(framework, solved, building);
  const hasAny = Object.entries(counts).some(([key, n]) => key !== 'levels' && n > 0);
  if (step === 'checks' || step === 'issue' ? hasAny : counts[step] > 0) return null;
  const { whatFor, first } = BEGIN[step];
  return (
    <div role="note" aria-label="What this step is for" className="border-l-[3px] border-now bg-now-tint px-3 py-2">
      <p>{whatFor}</p>
      <p className="mt-1">
        <b>First:</b>{' '}
        {step === 'columns' && counts.grids === 0 ? (
          <>
            there is no grid yet, so no crossings.{' '}
            <button type="button" className="font-semibold text-now underline" onClick={() => set({ step: 'grids' })}>
              Add a grid
            </button>
            , or place columns one by one.
          </>
        ) : (
          first
        )}
      </p>
    </div>
  );
}
