'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useEffect, useState, type ComponentType } from 'react';
import { formatElevation } from '@/core/units/format-length';
import { ActMenu } from '../acts/act-menu';
import { Details } from '../details/details';
import { CarryBoard } from '../carry-board/carry-board';
import { StripPanel } from '../height-strip/strip-panel';
import { PlanView } from '../plan/plan-view';
import { SectionView } from '../section/section-view';
import { Schedules } from '../schedules/schedules';
import { makeProjectStore, openProject, ProjectContext, TABS, type Tab, useSlice } from '../session/store';
import { FirstSetUp } from '../setting-up/first-set-up';
import { Tray } from '../tools/tray';
import { WorkPath } from '../work-path/work-path';
import { FirstRun } from './first-run';
import { listenToKeys } from './keys';
import { Notice } from './notice';
import { PaneBoundary } from './pane-boundary';
import { RescueButton, SessionTrouble } from './session-trouble';
import { TopLine } from './top-line';

const ModelView = dynamic(() => import('../model/model-view').then(({ ModelView: view }) => view), { ssr: false });

/** The workspace of one project. */
export function Workspace({ projectId, demo }: { projectId: string; demo: boolean }) {
  const [store] = useState(makeProjectStore);
  useEffect(() => openProject(store, projectId), [store, projectId]);
  useEffect(() => listenToKeys(store), [store]);
  return (
    <ProjectContext value={store}>
      <Frame projectId={projectId} demo={demo} />
      <SessionTrouble demo={demo} />
    </ProjectContext>
  );
}

function Frame({ projectId, demo }: { projectId: string; demo: boolean }) {
  const { status, failure, solved, building, generation, unsolved, display } = useSlice(
    'status',
    'failure',
    'solved',
    'building',
    'generation',
    'unsolved',
    'display',
  );
  if (status === 'failed') {
    return (
      <main className="grid h-full place-items-center">
        <p role="alert" className="max-w-96 text-center">
          {failure} <br />
          <Link className="font-semibold text-now underline" href="/">
            Back to the projects
          </Link>{' '}
          <RescueButton />
        </p>
      </main>
    );
  }
  if (status === 'ready' && !solved && unsolved) {
    return (
      <div className="grid h-full min-h-[600px] min-w-[1080px] grid-rows-[43px_minmax(0,1fr)]">
        <TopLine projectId={projectId} />
        <main className="grid place-items-center">
          <p className="max-w-96">
            This framework cannot be worked out, so there is nothing to draw. Undo what was done last, or download it.
          </p>
        </main>
      </div>
    );
  }
  if (status === 'loading' || !solved) {
    return (
      <main className="grid h-full place-items-center text-ink2">
        <p role="status">Opening the project …</p>
      </main>
    );
  }
  const hasLevels = solved.levels.some((level) => level.building === building);
  return (
    <div
      className="grid h-full min-h-[600px] min-w-[1080px] grid-rows-[43px_minmax(0,1fr)_auto_auto]"
      data-generation={generation}
    >
      <TopLine projectId={projectId} />
      <div className="grid min-h-0 grid-cols-[auto_minmax(0,1fr)_276px]">
        <aside aria-label="Height strip" className="flex min-h-0 flex-col border-r border-hair bg-sheet">
          <PaneBoundary name="The height strip">
            <StripPanel />
          </PaneBoundary>
        </aside>
        <div className="flex min-h-0 min-w-0">
          {hasLevels && (
            <PaneBoundary name="The tools">
              {/* Begun anew in another unit: a number typed as millimetres must not be read as feet. */}
              <Tray key={display.system} />
            </PaneBoundary>
          )}
          <main className="flex min-h-0 min-w-0 flex-1 flex-col bg-film">
            {hasLevels ? <Surface /> : <FirstSetUp key={display.system} />}
            <ActMenu />
          </main>
        </div>
        <aside aria-label="Details" className="min-h-0 overflow-y-auto border-l border-hair bg-sheet">
          <PaneBoundary name="Details">
            <Details key={display.system} />
          </PaneBoundary>
        </aside>
      </div>
      {demo && <FirstRun />}
      <WorkPath />
      <Notice />
    </div>
  );
}

const VIEWS: Record<Tab, ComponentType> = {
  plan: PlanView,
  section: SectionView,
  model: ModelView,
  board: CarryBoard,
  schedules: Schedules,
};

function Surface() {
  const { tab, beside, set, solved, level, display } = useSlice('tab', 'beside', 'set', 'solved', 'level', 'display');
  const shown = solved?.levels.find(({ id }) => id === level);
  const View = VIEWS[tab];
  const Beside = beside && VIEWS[beside];
  return (
    <>
      <div className="@container flex h-[40px] items-end justify-between gap-3 border-b border-hair px-4">
        <div role="tablist" aria-label="Views" className="flex shrink-0 gap-4">
          {TABS.map(([key, name]) => (
            <button
              key={key}
              role="tab"
              type="button"
              aria-selected={tab === key}
              className={`border-b-2 pb-1.5 font-semibold ${tab === key ? 'border-now text-ink' : 'border-transparent text-ink2'}`}
              onClick={() => set({ tab: key, ...(beside === key ? { beside: tab } : {}) })}
            >
              {name}
            </button>
          ))}
        </div>
        <select
          aria-label="Beside it"
          className="mb-1 ml-auto w-28 min-w-[86px] rounded-sm border border-hair bg-film px-1.5 py-0.5 text-ink2"
          value={beside ?? ''}
          onChange={({ target }) => set({ beside: target.value === '' ? null : (target.value as Tab) })}
        >
          <option value="">One view</option>
          {TABS.filter(([key]) => key !== tab).map(([key, name]) => (
            <option key={key} value={key}>
              with {name} beside
            </option>
          ))}
        </select>
        <p className="shrink-0 pb-1.5 font-bold whitespace-nowrap" aria-label="Current level">
          {shown?.name} <span className="hidden @xl:inline">{shown?.title}</span>{' '}
          <span className="figures font-normal text-ink2">{shown ? formatElevation(shown.fflMm, display) : ''}</span>
        </p>
      </div>
      <div className="flex min-h-0 flex-1">
        <PaneBoundary key={tab} name="This view">
          <View />
        </PaneBoundary>
        {Beside && (
          <section aria-label="Beside it" className="flex min-h-0 min-w-0 flex-1 border-l border-hair">
            <PaneBoundary key={beside} name="This view">
              <Beside />
            </PaneBoundary>
          </section>
        )}
      </div>
    </>
  );
}
