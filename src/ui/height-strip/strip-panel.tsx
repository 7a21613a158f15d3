'use client';

import { useState } from 'react';
import { formatLength } from '@/core/units/format-length';
import { chooseBuilding, useProjectStore, useSlice } from '../session/store';
import { BESIDE_WIDTH } from './beside-strip';
import { HeightStrip } from './height-strip';
import type { MoveMode } from '@/core/levels/chain';
import type { StripEdit } from './strip-dimensions';
import { StripPopover } from './strip-popover';

/** The height strip of the open building, with its heading and its editing in place. */
export function StripPanel() {
  const { solved, building, level, selection, display, mayEdit, mode, session, run, say, set, select, tab } = useSlice(
    'solved',
    'building',
    'level',
    'selection',
    'display',
    'mayEdit',
    'mode',
    'session',
    'run',
    'say',
    'set',
    'select',
    'tab',
  );
  const store = useProjectStore();
  const [neighbour, setNeighbour] = useState<string | null>(null);
  const [edit, setEdit] = useState<{ edit: StripEdit; anchor: { x: number; y: number } } | null>(null);
  if (!solved || !building) return null;
  const levels = solved.levels.filter((candidate) => candidate.building === building);
  const overall = levels.length > 1 ? levels.at(-1)!.fflMm - levels[0]!.fflMm : 0;
  const others = solved.buildings.filter(({ id }) => id !== building).sort((a, b) => (a.name < b.name ? -1 : 1));
  const beside = others.some(({ id }) => id === neighbour) ? neighbour : null;
  return (
    <div className="flex min-h-0 flex-1 flex-col" style={{ width: 252 + (beside ? BESIDE_WIDTH : 0) }}>
      <div className="flex items-baseline justify-between px-2.5 pt-2 pb-1">
        <h2 className="font-bold">{solved.buildings.find(({ id }) => id === building)?.name}</h2>
        <span className="text-[11px] text-ink2">
          {levels.length} levels ·{' '}
          {formatLength(overall, display.system === 'metric' ? { system: 'metric', unit: 'm' } : display)}
        </span>
      </div>
      {others.length > 0 && (
        <label className="flex items-center gap-1.5 px-2.5 pb-1 text-[11px] text-ink2">
          beside it
          <select
            aria-label="Building beside it"
            className="min-w-0 flex-1 rounded-sm border border-hair bg-sheet px-1 py-0.5"
            value={beside ?? ''}
            onChange={({ target }) => setNeighbour(target.value || null)}
          >
            <option value="">no other</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      {mayEdit && levels.length > 1 && (
        <label className="flex items-center gap-1.5 px-2.5 pb-1 text-[11px] text-ink2">
          a level that moves
          <select
            aria-label="A level that moves"
            className="min-w-0 flex-1 rounded-sm border border-hair bg-sheet px-1 py-0.5"
            value={mode}
            onChange={({ target }) => set({ mode: target.value as MoveMode })}
          >
            <option value="push">pushes what is beyond it</option>
            <option value="only">moves alone</option>
          </select>
        </label>
      )}
      {levels.length > 0 && (
        <HeightStrip
          solved={solved}
          building={building}
          beside={beside}
          onBeside={(pressed) => {
            setNeighbour(building);
            chooseBuilding(store, pressed.building);
            set({ level: pressed.id, selection: [pressed.id] });
          }}
          display={display}
          level={level}
          selection={selection}
          editable={mayEdit}
          isScrolledThrough={tab === 'model'}
          onLevel={(id) => set({ level: id, selection: [id] })}
          onSelect={select}
          onEdit={(next, anchor) => setEdit({ edit: next, anchor })}
          onTry={(dragged, fflMm) =>
            session?.try(
              fflMm === null ? null : { command: 'levels.setElevation', input: { level: dragged.id, fflMm, mode } },
            )
          }
          onDrag={(dragged, fflMm) => {
            const refusal = run('levels.setElevation', { level: dragged.id, fflMm, mode });
            if (refusal) say(refusal);
          }}
        />
      )}
      {edit && <StripPopover key={`${edit.edit.kind} ${edit.edit.level.id}`} {...edit} onClose={() => setEdit(null)} />}
    </div>
  );
}
