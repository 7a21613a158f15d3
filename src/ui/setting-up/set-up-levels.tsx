'use client';

import { useMemo, useState } from 'react';
import { levelDifferences } from '@/core/levels/level-differences';
import { formatBays, parseBays } from '@/core/units/parse-bays';
import { solve } from '@/core/solving/solve';
import { plan } from '@/core/commands/commands';
import type { Framework } from '@/core/model/framework';
import type { Solved } from '@/core/solving/solved';
import { derivedCommandId } from '@/core/model/ids';
import { formatForEntry, formatLength, type LengthDisplay } from '@/core/units/format-length';
import { ActionButton, PlainField } from '../fields/fields';
import { HeightStrip } from '../height-strip/height-strip';
import { fieldUnit, useSlice } from '../session/store';
import { changeWords, Differences } from '../tools/differences';
import { Refused } from '../tools/refused';
import type { CommandInputs } from '@/core/commands/command-inputs';

const nothing = () => undefined;

/** What a set-up would give, solved; or why it would be refused. */
function usePreview(
  framework: Framework,
  input: string,
): { solved: Solved | null; after: Framework | null; words: string | null } {
  return useMemo(() => {
    const planned = plan(framework, 'levels.setUp', JSON.parse(input), derivedCommandId('preview', input));
    return planned.ok
      ? { solved: solve(planned.value.after), after: planned.value.after, words: null }
      : { solved: null, after: null, words: planned.refusal.message };
  }, [framework, input]);
}

/** A floor's build-up to begin with, where people build in feet. */
const FOUR_INCHES_MM = 101.6;

/** Levels by counts and heights, with the strip they give beside the fields. Nothing is done until it is taken. */
export function SetUpLevels({ wide = false, again = false }: { wide?: boolean; again?: boolean }) {
  const { framework, solved, building, display, run, mayEdit } = useSlice(
    'framework',
    'solved',
    'building',
    'display',
    'run',
    'mayEdit',
  );
  const [above, setAbove] = useState(() =>
    again
      ? heightsOf(solved, building, display).above
      : display.system === 'imperial'
        ? "18' 2@16' 9@11'"
        : '5.4m 2@4.8m 9@3.3m',
  );
  const [below, setBelow] = useState(() =>
    again ? heightsOf(solved, building, display).below : display.system === 'imperial' ? "13' 12'" : '3.9m 3.6m',
  );
  const [upper, setUpper] = useState('{nn}');
  const [skip, setSkip] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const unit = fieldUnit(display);
  const heights = (text: string) =>
    text.trim() === '' ? { ok: true as const, value: { baysMm: [], running: false } } : parseBays(text, { unit });
  const [up, down] = [heights(above), heights(below)];
  const words = (list: ReturnType<typeof heights>, what: string) =>
    list.ok
      ? `${list.value.baysMm.length} ${what}, ${formatLength(
          list.value.baysMm.reduce((sum, mm) => sum + mm, 0),
          display,
        )}`
      : list.refusal.message;
  const input: CommandInputs['levels.setUp'] = {
    ...(building ? { building } : {}),
    above: up.ok ? up.value.baysMm : [],
    below: down.ok ? down.value.baysMm : [],
    names: { basement: 'B{n}', ground: '00', upper: upper.trim() || '{nn}', roof: 'RF' },
    skip: skip
      .split(/[\s,;]+/)
      .map(Number)
      .filter((n) => Number.isInteger(n) && n > 0),
    ...(again
      ? { again: true, groundMm: groundOf(solved, building) }
      : display.system === 'imperial'
        ? { buildUpMm: FOUR_INCHES_MM }
        : {}),
  };
  const preview = usePreview(framework, JSON.stringify(input));
  const differences = again && preview.after && building ? levelDifferences(framework, preview.after, building) : [];
  const take = () => {
    if (!up.ok || !down.ok) return;
    setRefused(run('levels.setUp', input));
  };
  return (
    <div className={wide ? 'flex min-h-0 gap-8' : ''}>
      <form
        className="flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          take();
        }}
      >
        <PlainField
          wide={wide}
          label="Storeys from the ground up"
          value={above}
          onChange={setAbove}
          note={words(up, 'storeys')}
          wrong={!up.ok}
        />
        <PlainField
          wide={wide}
          label="Basements downwards"
          value={below}
          onChange={setBelow}
          note={words(down, 'basements')}
          wrong={!down.ok}
        />
        <PlainField
          wide={wide}
          label="Names of upper levels"
          value={upper}
          onChange={setUpper}
          note="{n}: 1, 2 …   {nn}: 01, 02 …"
        />
        <PlainField wide={wide} label="Numbers left out" value={skip} onChange={setSkip} note="like 13" />
        <Differences differences={differences} />
        <Refused words={refused ?? (up.ok && down.ok ? preview.words : null)} />
        <span className="self-end">
          <ActionButton
            type="submit"
            weight="main"
            disabled={!mayEdit || !preview.solved || (again && differences.length === 0)}
          >
            {again ? changeWords(differences.length) : 'Set up these levels'}
          </ActionButton>
        </span>
      </form>
      {wide && preview.solved && building && (
        <div
          className="flex h-[420px] w-[252px] flex-col border border-hair bg-sheet"
          aria-label="Preview of the height strip"
        >
          <HeightStrip
            solved={preview.solved}
            building={building}
            display={display}
            level={null}
            selection={[]}
            editable={false}
            onLevel={nothing}
            onSelect={nothing}
            onEdit={nothing}
            onDrag={nothing}
          />
        </div>
      )}
    </div>
  );
}

/** Heights of the storeys that are there, as they would be typed. */
function heightsOf(
  solved: Solved | null,
  building: string | null,
  display: LengthDisplay,
): { above: string; below: string } {
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const ground = groundOf(solved, building);
  const write = (mm: number) => formatForEntry(mm, display);
  const heights = (some: typeof storeys) =>
    formatBays(
      some.flatMap(({ storeyHeightMm }) => storeyHeightMm ?? []),
      write,
    );
  return {
    above: heights(storeys.filter(({ fflMm }) => fflMm >= ground)),
    below: heights(storeys.filter(({ fflMm }) => fflMm < ground).reverse()),
  };
}

/** Where the ground level stands. */
function groundOf(solved: Solved | null, building: string | null): number {
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  return storeys.find(({ levelKind }) => levelKind !== 'basement')?.fflMm ?? 0;
}
