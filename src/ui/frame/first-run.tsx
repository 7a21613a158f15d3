'use client';

import { useEffect, useState } from 'react';
import { useProject, useSlice, type Project } from '../session/store';

/** The project that is there from the first start. */
const DEMO = 'Tidewater Yard';

/** What of the first run was done or skipped, kept in the browser. */
const KEY = 'spine-first-run';

interface Act {
  title: string;
  text: string;
  /** Brings one where it is done. */
  show: (project: Project) => void;
  isDone: (project: Project) => boolean;
}

const step = (key: 'shafts' | 'checks' | 'issue') => (project: Project) =>
  project.set({ step: key, busy: null, act: null, ghost: null });

/** Five real acts on the demo, in the order of a working day. */
const ACTS: readonly Act[] = [
  {
    title: 'Raise a level',
    text: 'Press a height in the strip on the left, type another, and see what goes up with it: columns, stairs, walls. Ctrl+Z brings it back.',
    show: ({ set }) => set({ tab: 'plan', beside: 'section' }),
    isDone: ({ lastDone }) => lastDone === 'levels.setHeight' || lastDone === 'levels.setElevation',
  },
  {
    title: 'Cut a shaft',
    text: 'At Shafts, drag a rectangle in the plan and press Enter: every slab it passes is cut.',
    show: step('shafts'),
    isDone: ({ lastDone }) => lastDone === 'shafts.add',
  },
  {
    title: 'Read a finding and mend it',
    text: 'At Checks, choose a finding. It says what is wrong and where; a fix under it is one press.',
    show: step('checks'),
    isDone: ({ step: now, lastDone }) => now === 'checks' && lastDone !== null,
  },
  {
    title: 'Carry a storey',
    text: 'On the Carry board, Carry storey takes what stands in one storey to others; what follows is listed before it is done.',
    show: ({ set }) => set({ tab: 'board' }),
    isDone: ({ lastDone }) => lastDone === 'carry.storeys' || lastDone === 'carry.to',
  },
  {
    title: 'Hand over',
    text: 'At Hand over, take away a sheet, the IFC file or a table: each is made from what stands now.',
    show: step('issue'),
    isDone: ({ step: now }) => now === 'issue',
  },
];

const kept = (): number => {
  const read = Number(localStorage.getItem(KEY) ?? '0');
  return Number.isInteger(read) && read >= 0 ? read : 0;
};

/** Five acts, one after the other, beside the work and never in its way. */
export function FirstRun() {
  const { mayEdit, set } = useSlice('mayEdit', 'set');
  const [at, setAt] = useState<number | null>(null);
  // What is kept in the browser is read after the first paint, which is the server's.
  useEffect(() => {
    const timer = setTimeout(() => setAt(kept()), 0);
    return () => clearTimeout(timer);
  }, []);
  const act = at === null ? undefined : ACTS[at];
  const isDone = useProject((project) => act?.isDone(project) ?? false);
  const project = useProject((shown) => shown);
  const go = (next: number) => {
    localStorage.setItem(KEY, String(next));
    setAt(next);
    set({ lastDone: null });
  };
  const isDemo = [...project.framework.records.values()].some(
    (record) => record.kind === 'project' && record.name === DEMO,
  );
  if (!mayEdit || !isDemo || at === null || !act) return null;
  return (
    <section
      aria-label="First steps"
      className="flex items-center gap-3 border-t border-now bg-now-tint px-4 py-1.5 text-[12px]"
    >
      <p className="min-w-0 flex-1" role="status">
        <b className="text-now">
          {isDone ? 'Done' : `${at + 1} of ${ACTS.length}`}: {act.title}.
        </b>{' '}
        {act.text}
      </p>
      {!isDone && (
        <button type="button" className={BUTTON} onClick={() => act.show(project)}>
          Show me where
        </button>
      )}
      <button type="button" className={`${BUTTON} ${isDone ? 'font-semibold' : ''}`} onClick={() => go(at + 1)}>
        {at + 1 === ACTS.length ? 'That was all' : isDone ? 'Next' : 'Skip this one'}
      </button>
      <button type="button" className={BUTTON} onClick={() => go(ACTS.length)}>
        Leave out all
      </button>
    </section>
  );
}

const BUTTON = 'shrink-0 rounded-sm border border-hair bg-sheet px-2 py-0.5 hover:bg-faint';
