'use client';

import { useState } from 'react';
import { formatLength } from '@/core/units/format-length';
import { useProject } from '../session/store';
import { HeightStrip, type StripEdit } from './height-strip';
import { StripPopover } from './strip-popover';

/** The height strip of the open building, with its heading and its editing in place. */
export function StripPanel() {
  const { solved, building, level, selection, display, mayEdit, mode, run, say, set, select } = useProject(
    (project) => project,
  );
  const [edit, setEdit] = useState<{ edit: StripEdit; anchor: { x: number; y: number } } | null>(null);
  if (!solved || !building) return null;
  const levels = solved.levels.filter((candidate) => candidate.building === building);
  const overall = levels.length > 1 ? levels.at(-1)!.fflMm - levels[0]!.fflMm : 0;
  return (
    <>
      <div className="flex items-baseline justify-between px-2.5 pt-2 pb-1">
        <h2 className="font-bold">{solved.buildings.find(({ id }) => id === building)?.name}</h2>
        <span className="text-[11px] text-ink2">
          {levels.length} levels ·{' '}
          {formatLength(overall, display.system === 'metric' ? { system: 'metric', unit: 'm' } : display)}
        </span>
      </div>
      {levels.length > 0 && (
        <HeightStrip
          solved={solved}
          building={building}
          display={display}
          level={level}
          selection={selection}
          editable={mayEdit}
          onLevel={(id) => set({ level: id, selection: [id] })}
          onSelect={select}
          onEdit={(next, anchor) => setEdit({ edit: next, anchor })}
          onDrag={(dragged, fflMm) => {
            const refusal = run('levels.setElevation', { level: dragged.id, fflMm, mode });
            if (refusal) say(refusal);
          }}
        />
      )}
      {edit && <StripPopover key={`${edit.edit.kind} ${edit.edit.level.id}`} {...edit} onClose={() => setEdit(null)} />}
    </>
  );
}
