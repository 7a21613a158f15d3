'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { compareColumns, comparedWords } from '@/core/columns/compare-columns';
import { gridInput, isNear } from '@/core/importing/recognise-grid';
import { recordsOf } from '@/core/model/framework';
import { levelDifferences } from '@/core/levels/level-differences';
import { crossingsOf } from '@/core/grids/crossings';
import { gridById } from '@/core/grids/resolve-grids';
import type { Planned } from '@/core/commands/command';
import type { Result } from '@/core/model/result';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { LENGTH_UNITS, type LengthUnit } from '@/core/units/length-units';
import { formatBays } from '@/core/units/parse-bays';
import { ActionButton, ChoiceField } from '../fields/fields';
import { HeavyWorkLine, useHeavyWork } from '../fields/heavy-work';
import { useProject, type Ghost, useSlice } from '../session/store';
import { Differences } from '../tools/differences';
import { Refused } from '../tools/refused';
import { readFile, type FileKind, type Understood } from './read-file';
import type { Sent } from '@/core/commands/command-inputs';

const WORDS: Record<FileKind, { offer: string; accepts: string; take: string }> = {
  levels: { offer: 'Take a level table (CSV, XLSX, IFC)', accepts: '.csv,.txt,.xlsx,.ifc', take: 'Take these levels' },
  grid: { offer: 'Take a grid from a drawing (DXF, IFC)', accepts: '.dxf,.ifc', take: 'Take this grid' },
  columns: { offer: 'Take columns from a drawing (DXF, IFC)', accepts: '.dxf,.ifc', take: 'Take these columns' },
};

type Existing = 'ask' | 'keep' | 'change';
const EXISTING: readonly (readonly [Existing, string])[] = [
  ['ask', 'choose'],
  ['keep', 'stay as is'],
  ['change', 'follow the drawing'],
];

const UNIT_CHOICES: readonly (readonly [LengthUnit | '', string])[] = [
  ['', 'as the file says'],
  ...LENGTH_UNITS.map((unit) => [unit, unit] as const),
];

/** Brings a file by dropping or choosing it; shows what was understood before it is taken. */
export function TakeFile({ kind }: { kind: FileKind }) {
  const { session, building, framework, send, set } = useSlice('session', 'building', 'framework', 'send', 'set');
  const input = useRef<HTMLInputElement>(null);
  const work = useHeavyWork();
  const [file, setFile] = useState<File | null>(null);
  const [unit, setUnit] = useState<LengthUnit | ''>('');
  const [isOver, setIsOver] = useState(false);
  const [understood, setUnderstood] = useState<Understood | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [existing, setExisting] = useState<Existing>('ask');

  const read = async (chosen: File, inUnit: LengthUnit | '') => {
    if (!session || !building) return;
    setFile(chosen);
    setRefused(null);
    setUnderstood(null);
    const choice = inUnit ? { unit: inUnit } : {};
    const result = await work.begin(`Reading ${chosen.name}`, (signal, tell) =>
      readFile(session, building, kind, chosen, choice, signal, tell),
    );
    if (result.ok) setUnderstood(result.value);
    else setRefused(result.refusal.message);
  };
  // A grid or columns are shown in the plan before they are taken.
  useEffect(() => {
    if (!session || !building || !understood || understood.kind === 'levels') return;
    set({ ghost: ghostOf(understood, session.previewOf(commandFor(understood, building, existing))) });
    return () => set({ ghost: null });
  }, [session, building, understood, existing, set]);
  // A table brought again says first what it would change.
  const changed = useMemo(() => {
    if (!session || !building || understood?.kind !== 'levels') return null;
    const preview = session.previewOf(commandFor(understood, building, existing));
    if (!preview.ok) return null;
    const { after } = preview.value;
    const several = understood.table.rows.some((row) => row.building !== undefined);
    const buildings = several ? recordsOf(after, 'building').map(({ id }) => id) : [building];
    return buildings.flatMap((id) => levelDifferences(framework, after, id));
  }, [session, building, understood, existing, framework]);
  const compared = useMemo(
    () =>
      building && understood?.kind === 'columns'
        ? compareColumns(framework, building, understood.columns.columns)
        : null,
    [building, understood, framework],
  );
  const forget = () => {
    setFile(null);
    setUnderstood(null);
    setRefused(null);
  };
  const take = () => {
    if (!understood || !building) return;
    const refusal = send(commandFor(understood, building, existing));
    if (refusal) setRefused(refusal);
    else forget();
  };
  return (
    <section
      aria-label={WORDS[kind].offer}
      className={`flex flex-col gap-2 border border-dashed p-2.5 ${isOver ? 'border-now bg-now-tint' : 'border-hair'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setIsOver(false);
        const [dropped] = event.dataTransfer.files;
        if (dropped) void read(dropped, unit);
      }}
    >
      <input
        ref={input}
        type="file"
        accept={WORDS[kind].accepts}
        className="sr-only"
        tabIndex={-1}
        aria-label={WORDS[kind].offer}
        onChange={({ target }) => {
          const [chosen] = target.files ?? [];
          target.value = '';
          if (chosen) void read(chosen, unit);
        }}
      />
      <ActionButton onClick={() => input.current?.click()}>{WORDS[kind].offer} …</ActionButton>
      {!file && <p className="text-[11px] text-ink2">or drop the file here</p>}
      <HeavyWorkLine work={work} />
      {file && work.words === null && (
        <ChoiceField
          label="Lengths in the file"
          value={unit}
          choices={UNIT_CHOICES}
          onChoose={(next) => {
            setUnit(next);
            void read(file, next);
          }}
        />
      )}
      <Refused words={refused} />
      {understood && <WhatWasUnderstood understood={understood} />}
      {compared && (
        <>
          <p className="text-[12px]">{`${comparedWords(compared)}.`}</p>
          {compared.moved.length + compared.resized.length > 0 && (
            <ChoiceField label="Those that differ" value={existing} choices={EXISTING} onChoose={setExisting} />
          )}
        </>
      )}
      {changed && (
        <>
          <p className="font-semibold">
            {changed.length === 0 ? 'Nothing would change' : `${changed.length} levels would be new or change`}
          </p>
          <Differences differences={changed} />
        </>
      )}
      {understood && (
        <div className="flex justify-end gap-2">
          <ActionButton onClick={forget}>Leave it</ActionButton>
          <ActionButton weight="main" onClick={take}>
            {WORDS[kind].take}
          </ActionButton>
        </div>
      )}
    </section>
  );
}

/** Crossings or columns as they would come to stand. */
function ghostOf(understood: Understood, preview: Result<Planned>): Ghost | null {
  if (understood.kind === 'columns') {
    const points = understood.columns.columns.map(({ xMm, yMm }) => ({ x: xMm, y: yMm }));
    return { rings: [], points, note: `${points.length} columns, not taken yet` };
  }
  if (!preview.ok) return null;
  const { after, changes } = preview.value;
  const system = changes.added.find(({ kind }) => kind === 'gridSystem');
  const grid = system && gridById(after, system.id);
  if (!grid) return null;
  return {
    rings: [...grid.a, ...grid.b].map(({ ends }) => [...ends]),
    points: crossingsOf(after, grid).map(({ at }) => at),
    note: `${grid.a.length} × ${grid.b.length} lines, not taken yet`,
  };
}

function commandFor(understood: Understood, building: string, existing: Existing): Sent {
  if (understood.kind === 'levels') {
    const { rows } = understood.table;
    // Levels of several buildings go into those of their names.
    const several = rows.some((row) => row.building !== undefined);
    return { command: 'levels.take', input: several ? { rows } : { building, rows } };
  }
  if (understood.kind === 'grid') return { command: 'grids.add', input: { building, ...gridInput(understood.grid) } };
  return { command: 'columns.take', input: { building, columns: understood.columns.columns, existing } };
}

const MEANINGS = {
  name: 'level',
  title: 'use',
  ffl: 'finished floor (FFL)',
  ssl: 'top of slab (SSL)',
  buildUp: 'build-up',
  kind: 'kind',
} as const;

function WhatWasUnderstood({ understood }: { understood: Understood }) {
  const display = useProject((project) => project.display);
  const write = (mm: number) => formatLength(mm, display);
  if (understood.kind === 'levels') {
    const { columns, rows, notes } = understood.table;
    return (
      <div className="text-[12px]">
        <p className="font-semibold">{rows.length} levels understood</p>
        <p className="text-ink2">
          {columns
            .map(
              ({ heading, meaning, unit }) =>
                `${heading} → ${meaning ? MEANINGS[meaning] : 'not used'}${unit ? `, ${unit}` : ''}`,
            )
            .join(' · ')}
        </p>
        {notes.map((note) => (
          <p key={note} className="text-look">
            {note}
          </p>
        ))}
        <ul className="figures max-h-44 overflow-y-auto">
          {[...rows]
            .map((row) => ({ ...row, heightMm: row.fflMm ?? row.sslMm ?? 0 }))
            .sort((a, b) => (a.building ?? '').localeCompare(b.building ?? '') || b.heightMm - a.heightMm)
            .map(({ name, title, heightMm, building }) => (
              <li key={`${building ?? ''} ${name}`} className="flex justify-between gap-2">
                <span>
                  {building && `${building}: `}
                  {name} {title}
                </span>
                <span>{formatElevation(heightMm, display)}</span>
              </li>
            ))}
        </ul>
      </div>
    );
  }
  if (understood.kind === 'grid') {
    const { grid } = understood;
    const labels = ({ labels: read }: typeof grid.a) => read.map((label) => label ?? '–').join(' ');
    return (
      <div className="text-[12px]">
        <p className="font-semibold">
          {grid.a.labels.length} × {grid.b.labels.length} lines understood, in {grid.unit}
        </p>
        <p>
          Across: <span className="figures">{formatBays(grid.a.baysMm, write)}</span>, labels {labels(grid.a)}
        </p>
        <p>
          Up: <span className="figures">{formatBays(grid.b.baysMm, write)}</span>, labels {labels(grid.b)}
          {grid.b.way === -1 ? ', counted from the top' : ''}
        </p>
        <p className="text-ink2">
          Layer {grid.layers.join(', ')}; turned {grid.turnDeg}°
          {isNear(grid) ? '' : '; it lies far from zero and is set at the building’s zero, square to it'}
          {grid.ignoredLines > 0 ? `; ${grid.ignoredLines} lines belong to no direction and are left out` : ''}
        </p>
      </div>
    );
  }
  const { columns, registeredBy, layers, unclear, unit } = understood.columns;
  return (
    <div className="text-[12px]">
      <p className="font-semibold">
        {columns.length} columns understood, in {unit}
      </p>
      <p className="text-ink2">
        Layer {layers.join(', ')};{' '}
        {registeredBy
          ? `laid over the grid by lines ${registeredBy.labels.join(' and ')}`
          : 'the drawing’s zero is taken as the building’s'}
        {unclear > 0 ? `; ${unclear} outlines are neither rectangle, circle nor I and are left out` : ''}
      </p>
    </div>
  );
}
