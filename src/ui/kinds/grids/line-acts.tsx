'use client';

import { useState } from 'react';
import type { GridLine } from '@/core/grids/grid';
import { recordsOf } from '@/core/model/framework';
import { formatForEntry } from '@/core/units/format-length';
import { parseAngle } from '@/core/units/parse-angle';
import { ActionButton, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';

/** Splits the bay after a line: in half, by a distance or by a share. */
export function SplitBay({ line }: { line: GridLine }) {
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
export function Joint({ line }: { line: GridLine }) {
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
export function AddBeyond({ line, end }: { line: GridLine; end: 'first' | 'last' }) {
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
