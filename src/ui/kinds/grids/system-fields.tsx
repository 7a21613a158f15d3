'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { BUBBLES, HEADS, type Heads, type LabelRule } from '@/core/grids/grid';
import type { ResolvedGrid } from '@/core/grids/resolve-grids';
import { baysOfSide } from '@/core/grids/two-sides';
import { formatBays } from '@/core/units/parse-bays';
import { formatForEntry } from '@/core/units/format-length';
import { ActionButton, AngleField, ChoiceField, PlainField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { LabelFields, MoreLabelFields } from './label-fields';
import { LevelRangeFields } from './level-range-fields';
import { readAnglesText, ringWords, useBaysReader } from './use-bays';
import type { Change } from '@/core/commands/command-inputs';

export const HEAD_WORDS: Record<Heads, string> = {
  first: 'at the first end',
  last: 'at the last end',
  both: 'at both ends',
  none: 'none',
};

/** A grid that is there: its bays or angles typed anew, and its place, labels, heads and levels behind a fold. */
export function SystemFields({ grid }: { grid: ResolvedGrid }) {
  const { framework, display, run, say } = useSlice('framework', 'display', 'run', 'say');
  const { record } = grid;
  const write = (mm: number) => formatForEntry(mm, display).replace(' ', '-');
  const change = (part: Change<'grids.change', 'system'>) => run('grids.change', { system: grid.id, ...part });
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const isUneven = (direction: 'a' | 'b') => grid[direction].some((line) => line.record.side !== 'both');
  return (
    <fieldset className="flex flex-col gap-1.5 border-b border-faint pb-2">
      <legend className="mb-1 font-semibold">{record.name}</legend>
      {record.shape === 'rectangular' &&
        (['a', 'b'] as const).map((direction) => {
          const near = formatBays(baysOfSide(grid[direction], 'near'), write);
          const far = isUneven(direction) ? formatBays(baysOfSide(grid[direction], 'far'), write) : null;
          return (
            <BaysFields
              key={`${direction} ${near} ${far}`}
              system={grid.id}
              direction={direction}
              near={near}
              far={far}
            />
          );
        })}
      {record.shape === 'radial' && <RadialFields key={radialKey(grid)} grid={grid} write={write} />}
      {record.shape === 'free' && (
        <p className="text-ink2">
          {grid.a.length + grid.b.length} free lines. Press one in the plan to change it, or add more under Free lines.
        </p>
      )}
      <details>
        <summary className="text-ink2">Place, labels, heads and levels</summary>
        <div className="flex flex-col gap-1.5 pt-1.5">
          <TextField label="Name" value={record.name} onCommit={(name) => change({ name })} />
          <LengthField label="East" valueMm={mmOf(framework, record.xMm)} onCommit={(xMm) => change({ xMm })} />
          <LengthField label="North" valueMm={mmOf(framework, record.yMm)} onCommit={(yMm) => change({ yMm })} />
          <AngleField label="Turned" valueDeg={record.turnDeg} onCommit={(degrees) => change({ turnDeg: degrees })} />
          {(['a', 'b'] as const).map((direction) => (
            <RuleFields
              key={`${direction} ${JSON.stringify(record.labels[direction])}`}
              way={direction === 'a' ? 'across' : 'up'}
              rule={record.labels[direction]}
              onTake={(rule) => change(direction === 'a' ? { labelsA: rule } : { labelsB: rule })}
            />
          ))}
          <ChoiceField
            label="Bubbles"
            value={record.bubble}
            choices={BUBBLES.map((bubble) => [bubble, bubble] as const)}
            onChoose={(bubble) => attempt(change({ bubble }))}
          />
          {(['a', 'b'] as const).map((direction) => (
            <ChoiceField
              key={direction}
              label={direction === 'a' ? 'Heads across' : 'Heads up'}
              value={record.headsAt[direction]}
              choices={HEADS.map((heads) => [heads, HEAD_WORDS[heads]] as const)}
              onChoose={(heads) => attempt(change(direction === 'a' ? { headsA: heads } : { headsB: heads }))}
            />
          ))}
          <LengthField
            label="Lines run on by"
            valueMm={mmOf(framework, record.extensionMm)}
            onCommit={(extensionMm) => change({ extensionMm })}
          />
          <LevelRangeFields from={record.fromLevel} to={record.toLevel} onChange={(part) => attempt(change(part))} />
          <CopyGrid system={grid.id} />
          <span className="self-end">
            <ActionButton weight="danger" onClick={() => attempt(run('grids.remove', { system: grid.id }))}>
              Remove this grid
            </ActionButton>
          </span>
        </div>
      </details>
    </fieldset>
  );
}

const radialKey = (grid: ResolvedGrid): string =>
  [...grid.a.map(({ bayDeg }) => bayDeg), ...grid.b.map(({ bayMm }) => bayMm)].join();

function BaysFields({
  system,
  direction,
  near,
  far,
}: {
  system: string;
  direction: 'a' | 'b';
  near: string;
  far: string | null;
}) {
  const { run } = useSlice('run');
  const [typed, setTyped] = useState(near);
  const [typedFar, setTypedFar] = useState(far);
  const [refused, setRefused] = useState<string | null>(null);
  const read = useBaysReader();
  const [bays, farBays] = [read(typed), typedFar === null ? null : read(typedFar)];
  const way = direction === 'a' ? 'across' : 'up';
  const isChanged = typed !== near || typedFar !== far;
  const take = () => {
    const wrong = [bays, farBays].find((each) => each && !each.ok);
    if (wrong) return setRefused(wrong.words);
    setRefused(
      run('grids.setBays', {
        system,
        direction,
        bays: bays.given,
        ...(farBays ? { farBays: farBays.given } : {}),
      }),
    );
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <PlainField
        wide
        label={`Bays ${way}`}
        value={typed}
        onChange={setTyped}
        note={refused ?? bays.words}
        wrong={refused !== null || !bays.ok}
      />
      {typedFar !== null && (
        <PlainField
          wide
          label={`Bays ${way}, opposite side`}
          value={typedFar}
          onChange={setTypedFar}
          note={farBays!.words}
          wrong={!farBays!.ok}
        />
      )}
      <span className="flex justify-end gap-2 pt-1">
        {typedFar === null && (
          <button type="button" className="text-[11px] text-ink2 underline" onClick={() => setTypedFar(typed)}>
            other bays on the opposite side
          </button>
        )}
        {isChanged && <ActionButton type="submit">Take these bays</ActionButton>}
      </span>
    </form>
  );
}

function RadialFields({ grid, write }: { grid: ResolvedGrid; write: (mm: number) => string }) {
  const { run } = useSlice('run');
  const wasAngles = formatBays(
    grid.a.slice(1).map(({ bayDeg }) => bayDeg ?? 0),
    (deg) => `${deg}°`,
  );
  const wasRadii = formatBays(
    grid.b.map(({ bayMm }) => bayMm),
    write,
  );
  const [angles, setAngles] = useState(wasAngles);
  const [radii, setRadii] = useState(wasRadii);
  const [refused, setRefused] = useState<string | null>(null);
  const read = useBaysReader();
  const [between, bays] = [readAnglesText(angles), read(radii)];
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (!between.ok || !bays.ok) return setRefused(between.ok ? bays.words : between.words);
        const first = angles === wasAngles ? null : run('grids.setAngles', { system: grid.id, angles: between.angles });
        setRefused(
          first ??
            (radii === wasRadii ? null : run('grids.setBays', { system: grid.id, direction: 'b', bays: bays.given })),
        );
      }}
    >
      <PlainField
        wide
        label="Angles between the rays"
        value={angles}
        onChange={setAngles}
        note={refused ?? between.words}
        wrong={!between.ok || refused !== null}
      />
      <PlainField
        wide
        label="First radius, then bays of the rings"
        value={radii}
        onChange={setRadii}
        note={ringWords(bays, write)}
        wrong={!bays.ok}
      />
      {(angles !== wasAngles || radii !== wasRadii) && (
        <span className="self-end">
          <ActionButton type="submit">Take these</ActionButton>
        </span>
      )}
    </form>
  );
}

function RuleFields({
  way,
  rule,
  onTake,
}: {
  way: 'across' | 'up';
  rule: LabelRule;
  onTake: (rule: LabelRule) => string | null;
}) {
  const [typed, setTyped] = useState(rule);
  const [refused, setRefused] = useState<string | null>(null);
  const isChanged = JSON.stringify(typed) !== JSON.stringify(rule);
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        setRefused(onTake(typed));
      }}
    >
      <LabelFields way={way} rule={typed} onChange={setTyped} />
      <MoreLabelFields way={way} rule={typed} onChange={setTyped} />
      {refused && <p className="text-[11px] text-wrong">{refused}</p>}
      {isChanged && (
        <span className="self-end">
          <ActionButton type="submit">Label them so</ActionButton>
        </span>
      )}
    </form>
  );
}

function CopyGrid({ system }: { system: string }) {
  const { run, say } = useSlice('run', 'say');
  const [by, setBy] = useState<{ x: number | string; y: number | string }>({ x: 0, y: 0 });
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">Copy this grid</legend>
      <LengthField
        label="Copy east by"
        valueMm={typeof by.x === 'number' ? by.x : 0}
        onCommit={(x) => {
          setBy({ ...by, x });
          return null;
        }}
      />
      <LengthField
        label="Copy north by"
        valueMm={typeof by.y === 'number' ? by.y : 0}
        onCommit={(y) => {
          setBy({ ...by, y });
          return null;
        }}
      />
      <span className="self-end">
        <ActionButton
          onClick={() => {
            const refusal = run('grids.copy', { system, xMm: by.x, yMm: by.y });
            if (refusal) say(refusal);
          }}
        >
          Copy this grid
        </ActionButton>
      </span>
    </fieldset>
  );
}
