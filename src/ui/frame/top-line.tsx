'use client';

import { forReader } from '@/core/units/for-reader';
import Link from 'next/link';
import { Redo2, Undo2 } from 'lucide-react';
import { QuickEntry } from '../quick-entry/quick-entry';
import { chooseBuilding, chooseDisplay, useProjectStore, useSlice } from '../session/store';
import { Help } from '../help/help';
import { History } from './history';
import { undo as takeBack } from './keys';
import { Initials } from '../page/initials';
import { Mark } from './mark';
import { NamedDimensions } from './named-dimensions';
import { SavedState } from './saved-state';
import { WhoIsHere } from './who-is-here';

/** One line at the top: project and building, undo and redo, what state the work is in, who is here. */
export function TopLine({ projectId }: { projectId: string }) {
  const {
    framework,
    solved,
    building,
    person,
    role,
    undo: back,
    redo: again,
    display,
    mayEdit,
  } = useSlice('framework', 'solved', 'building', 'person', 'role', 'undo', 'redo', 'display', 'mayEdit');
  const undo = back && forReader(back, display);
  const redo = again && forReader(again, display);
  const store = useProjectStore();
  const project = [...framework.records.values()].find(({ kind }) => kind === 'project');
  return (
    <header className="flex h-[43px] items-center gap-4 border-b border-hair bg-sheet px-3.5">
      <Link
        href="/"
        className="flex shrink-0 items-center gap-2 text-[15px] font-bold whitespace-nowrap"
        title="All projects"
      >
        <Mark />
        Zenith Spine
      </Link>
      <span className="text-ink3">/</span>
      <h1 className="max-w-48 shrink-0 truncate font-bold">{project?.kind === 'project' ? project.name : 'Project'}</h1>
      {solved && solved.buildings.length > 1 && (
        <select
          aria-label="Building"
          className="rounded-sm border border-hair bg-sheet px-2 py-0.5"
          value={building ?? ''}
          onChange={(event) => chooseBuilding(store, event.target.value)}
        >
          {[...solved.buildings]
            .sort((a, b) => (a.name < b.name ? -1 : 1))
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </select>
      )}
      <span className="flex min-w-24 flex-1 justify-center">
        <QuickEntry />
      </span>
      <div
        className="flex shrink-0 overflow-hidden rounded-sm border border-hair whitespace-nowrap"
        role="group"
        aria-label="Lengths shown in"
      >
        {(['metric', 'imperial'] as const).map((system) => (
          <button
            key={system}
            type="button"
            aria-pressed={display.system === system}
            className={`px-2 py-0.5 ${display.system === system ? 'bg-faint font-semibold' : 'text-ink2'}`}
            onClick={() => chooseDisplay(store, system)}
          >
            {system === 'metric' ? 'mm' : 'ft in'}
          </button>
        ))}
      </div>
      {mayEdit && (
        <span className="flex">
          <button
            type="button"
            aria-label={undo ? `Undo: ${undo}` : 'Undo'}
            title={undo ? `Undo: ${undo}` : 'Nothing to undo'}
            disabled={!undo}
            className="rounded-sm p-1.5 hover:bg-faint disabled:opacity-35"
            onClick={() => takeBack(store, false)}
          >
            <Undo2 size={16} aria-hidden="true" />
          </button>
          <button
            type="button"
            aria-label={redo ? `Redo: ${redo}` : 'Redo'}
            title={redo ? redo.replace('Undone', 'Redo') : 'Nothing to redo'}
            disabled={!redo}
            className="rounded-sm p-1.5 hover:bg-faint disabled:opacity-35"
            onClick={() => takeBack(store, true)}
          >
            <Redo2 size={16} aria-hidden="true" />
          </button>
        </span>
      )}
      <SavedState />
      <NamedDimensions />
      <History />
      <Help />
      <WhoIsHere />
      <Link
        href={`/projects/${projectId}/people`}
        className="flex shrink-0 items-center gap-1.5"
        title="People of this project"
      >
        <Initials name={person?.name ?? ''} note={role ?? undefined} strong />
        <span className="text-ink2">{role}</span>
      </Link>
    </header>
  );
}
