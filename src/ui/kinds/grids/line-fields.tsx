'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { curveLength } from '@/core/geometry/curve';
import { HEADS, SIDES, type GridLine } from '@/core/grids/grid';
import { recordOf, recordsOf } from '@/core/model/framework';
import { parseAngle } from '@/core/units/parse-angle';
import { formatForEntry } from '@/core/units/format-length';
import { ActionButton, AngleField, ChoiceField, PlainField, TextField } from '../../fields/fields';
import { LengthField, useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { LevelRangeFields } from './level-range-fields';
import { HEAD_WORDS } from './system-fields';
import { LineInViews } from './line-in-views';
import type { CommandName, CommandInputs, Change } from '@/core/commands/command-inputs';

/** Fields of a grid line: label, bay, splitting, joint, heads, levels and removing. */
export function LineFields({ record: line }: { record: GridLine }) {
  const { framework, solved, run, say, mayEdit, mode, set, select } = useSlice(
    'framework',
    'solved',
    'run',
    'say',
    'mayEdit',
    'mode',
    'set',
    'select',
  );
  const shown = solved?.lines.find(({ id }) => id === line.id);
  if (!shown) return null;
  const attempt = <Name extends CommandName>(command: Name, input: CommandInputs[Name]) => {
    const refusal = run(command, input);
    if (refusal) say(refusal);
    return refusal === null;
  };
  const isFirst = line.from === null;
  const isLast = !recordsOf(framework, 'gridLine').some(({ from }) => from === line.id);
  const isRing = shown.shape === 'radial' && line.direction === 'b';
  const hasBay = shown.shape !== 'free' && (!isFirst || isRing);
  const change = (part: Change<'grids.changeLines', 'lines'>) =>
    attempt('grids.changeLines', { lines: [line.id], ...part });
  return (
    <div className="flex flex-col gap-1.5">
      <TextField
        label="Label"
        value={shown.label ?? ''}
        disabled={!mayEdit}
        onCommit={(label) => run('grids.relabel', { line: line.id, label: label.trim() || { mode: 'none' } })}
      />
      {line.label.mode !== 'auto' && mayEdit && (
        <ActionButton
          onClick={() => attempt('grids.relabel', { line: line.id, label: { mode: 'auto' }, minor: false })}
        >
          Label it by the run again
        </ActionButton>
      )}
      {hasBay && shown.bayDeg !== null && (
        <AngleField
          label="Angle to the ray before"
          valueDeg={shown.bayDeg}
          disabled={!mayEdit}
          onCommit={(degrees) => run('grids.setBay', { line: line.id, bayDeg: degrees, mode })}
        />
      )}
      {hasBay && shown.bayDeg === null && (
        <LengthField
          label={isRing && isFirst ? 'Radius' : 'Bay to the line before'}
          valueMm={shown.bayMm}
          disabled={!mayEdit}
          onCommit={(bayMm) => run('grids.setBay', { line: line.id, bayMm, mode })}
        />
      )}
      {hasBay && (
        <ChoiceField
          label="When it moves"
          value={mode}
          choices={[
            ['push', 'the lines after move along'],
            ['only', 'only this line'],
          ]}
          onChoose={(next) => set({ mode: next })}
        />
      )}
      {mayEdit && shown.shape !== 'free' && !isFirst && <SplitBay line={line} />}
      {mayEdit && shown.shape === 'rectangular' && <Joint line={line} />}
      {mayEdit && shown.shape !== 'free' && (isFirst || isLast) && (
        <AddBeyond line={line} end={isLast ? 'last' : 'first'} />
      )}
      <details className="border-t border-faint pt-1.5">
        <summary className="text-ink2">Heads, ends and levels</summary>
        <div className="flex flex-col gap-1.5 pt-1.5">
          <ChoiceField
            label="Heads"
            value={line.heads ?? 'grid'}
            disabled={!mayEdit}
            choices={[['grid', 'as the grid says'], ...HEADS.map((heads) => [heads, HEAD_WORDS[heads]] as const)]}
            onChoose={(heads) => change({ heads: heads === 'grid' ? null : heads })}
          />
          {shown.shape === 'rectangular' && (
            <ChoiceField
              label="Runs"
              value={line.side}
              disabled={!mayEdit}
              choices={SIDES.map((side) => [side, SIDE_WORDS[side]] as const)}
              onChoose={(side) => change({ side })}
            />
          )}
          {line.side !== 'both' && (
            <LengthField
              label="Stops after"
              valueMm={
                line.reachMm === null
                  ? Math.max(0, curveLength(shown.curve) - extension())
                  : mmOf(framework, line.reachMm)
              }
              disabled={!mayEdit}
              onCommit={(reachMm) => run('grids.changeLines', { lines: [line.id], reachMm })}
            />
          )}
          {shown.shape !== 'free' &&
            (['extendFirstMm', 'extendLastMm'] as const).map((field) => (
              <LengthField
                key={field}
                label={field === 'extendFirstMm' ? 'Runs on at its first end' : 'Runs on at its last end'}
                valueMm={line[field] === null ? extension() : mmOf(framework, line[field])}
                disabled={!mayEdit}
                onCommit={(length) => run('grids.changeLines', { lines: [line.id], [field]: length })}
              />
            ))}
          <LevelRangeFields
            from={line.fromLevel}
            to={line.toLevel}
            unlimited={['as the grid says', 'as the grid says']}
            onChange={(part) => change(part)}
          />
        </div>
      </details>
      <LineInViews line={line.id} />
      {mayEdit && (
        <ActionButton weight="danger" onClick={() => attempt('grids.removeLine', { line: line.id }) && select([])}>
          {shown.shape === 'free' ? 'Remove this line' : 'Remove this line, its bays merge'}
        </ActionButton>
      )}
    </div>
  );

  /** How far the lines of its system run on. */
  function extension(): number {
    const system = recordOf(framework, 'gridSystem', line.system);
    return system ? mmOf(framework, system.extensionMm) : 0;
  }
}

const SIDE_WORDS = {
  both: 'right through',
  near: 'from the near side, part way',
  far: 'from the far side, part way',
} as const;

function SplitBay({ line }: { line: GridLine }) {
  const { run, say } = useSlice('run', 'say');
  const read = useLengthReader();
  const [at, setAt] = useState('');
  const [suffix, setSuffix] = useState('');
  const isRay = line.bayDeg !== null;
  const ratio = /^\s*(\d+(?:\.\d+)?)\s*%\s*$/.exec(at);
  const split = () => {
    const distance = at.trim() === '' || ratio ? null : read(at);
    if (distance && !distance.ok) return say(distance.words);
    const refusal = run('grids.splitBay', {
      line: line.id,
      ...(distance?.ok ? { atMm: distance.input } : {}),
      ...(ratio ? { ratio: Number(ratio[1]) / 100 } : {}),
      ...(suffix.trim() ? { suffix: suffix.trim() } : {}),
    });
    if (refusal) say(refusal);
  };
  const note = at === '' ? 'empty: in half' : ratio ? `= ${ratio[1]} % of the bay` : read(at).words;
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Split the bay</legend>
      <PlainField
        label="Split the bay at"
        value={at}
        onChange={setAt}
        note={isRay && at === '' ? 'empty: in half; or like 40%' : note}
        wrong={at !== '' && !ratio && !read(at).ok}
      />
      <PlainField
        label="Label with suffix"
        value={suffix}
        onChange={setSuffix}
        note={suffix === '' ? 'empty: no label' : null}
      />
      <span className="self-end">
        <ActionButton onClick={split}>Split the bay</ActionButton>
      </span>
    </fieldset>
  );
}

/** A movement joint: a pair of lines at a gap, in the slabs too. */
function Joint({ line }: { line: GridLine }) {
  const { framework, run, say, display, mode } = useSlice('framework', 'run', 'say', 'display', 'mode');
  const read = useLengthReader();
  const [gap, setGap] = useState(() => formatForEntry(display.system === 'imperial' ? 50.8 : 50, display));
  const isPaired = line.jointOf !== null || recordsOf(framework, 'gridLine').some(({ jointOf }) => jointOf === line.id);
  if (isPaired) return <p className="text-ink2">Part of a movement joint; its slabs are parted there.</p>;
  const understood = read(gap);
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Movement joint</legend>
      <PlainField
        label="Movement joint of"
        value={gap}
        onChange={setGap}
        note={understood.words}
        wrong={!understood.ok}
      />
      <span className="self-end">
        <ActionButton
          onClick={() => {
            if (!understood.ok) return say(understood.words);
            const refusal = run('grids.addJoint', { line: line.id, gapMm: understood.input, mode });
            if (refusal) say(refusal);
          }}
        >
          Make it a joint
        </ActionButton>
      </span>
    </fieldset>
  );
}

/** A line more, beyond the last or before the first. */
function AddBeyond({ line, end }: { line: GridLine; end: 'first' | 'last' }) {
  const { run, display, say } = useSlice('run', 'display', 'say');
  const read = useLengthReader();
  const isRay = line.bayDeg !== null;
  const [bay, setBay] = useState(() =>
    isRay ? '15°' : formatForEntry(display.system === 'imperial' ? 24 * 304.8 : 7200, display),
  );
  const angle = parseAngle(bay);
  const length = read(bay);
  const understood = isRay
    ? angle.ok
      ? { ok: true as const, words: null, input: { bayDeg: angle.value } }
      : { ok: false as const, words: angle.refusal.message }
    : length.ok
      ? { ...length, input: { bayMm: length.input } }
      : length;
  const add = () => {
    if (!understood.ok) return say(understood.words);
    const { system, direction } = line;
    const refusal = run('grids.addLine', {
      system,
      direction,
      end,
      ...understood.input,
    });
    if (refusal) say(refusal);
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Add a line</legend>
      <PlainField
        label={end === 'last' ? 'Bay beyond it' : 'Bay before it'}
        value={bay}
        onChange={setBay}
        note={understood.words}
        wrong={!understood.ok}
      />
      <span className="self-end">
        <ActionButton onClick={add}>{end === 'last' ? 'Add a line beyond it' : 'Add a line before it'}</ActionButton>
      </span>
    </fieldset>
  );
}
