'use client';

import type { ReactNode } from 'react';
import { X } from 'lucide-react';
import { useSlice } from '../session/store';
import { ChecksTool } from './checks-tool';
import { HandOverTool } from './hand-over-tool';
import { StepTools } from './step-tools';
import { BeginWith } from '../work-path/begin-with';

const TOOLS = {
  levels: ['Levels', <StepTools key="levels" step="levels" />],
  grids: ['Grids', <StepTools key="grids" step="grids" />],
  columns: ['Columns', <StepTools key="columns" step="columns" />],
  shafts: ['Shafts', <StepTools key="shafts" step="shafts" />],
  stairs: ['Stairs', <StepTools key="stairs" step="stairs" />],
  floors: ['Floors', <StepTools key="floors" step="floors" />],
  walls: ['Walls', <StepTools key="walls" step="walls" />],
  checks: ['Checks', <ChecksTool key="checks" />],
  issue: ['Hand over', <HandOverTool key="issue" />],
} as const satisfies Record<string, readonly [string, ReactNode]>;

/** The tools of the chosen step, beside the surface. */
export function Tray() {
  const { step, set, display } = useSlice('step', 'set', 'display');
  if (!step) return null;
  const [name, tool] = TOOLS[step];
  const close = () => set({ step: null, busy: null, ghost: null });
  return (
    <section
      aria-label={`${name} tools`}
      className="flex w-[292px] shrink-0 flex-col overflow-y-auto border-r border-hair bg-sheet"
      onKeyDown={(event) => event.key === 'Escape' && close()}
    >
      <header className="flex items-center justify-between px-3.5 pt-2.5">
        <h2 className="text-[15px] font-bold">{name}</h2>
        <button
          type="button"
          aria-label={`Close the ${name} tools`}
          className="rounded-sm p-1 text-ink2 hover:bg-faint"
          onClick={close}
        >
          <X size={14} aria-hidden="true" />
        </button>
      </header>
      {/* Fields begin anew in the other system of lengths. */}
      <div key={display.system} className="flex flex-col gap-3 p-3.5">
        <BeginWith step={step} />
        {tool}
      </div>
    </section>
  );
}
