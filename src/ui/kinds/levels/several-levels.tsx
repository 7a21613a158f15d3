'use client';

import { useMemo, useState } from 'react';
import { levelDifferences } from '@/core/levels/level-differences';
import type { ExtendKind } from '@/core/carrying/keep-storeys';
import { parseBays } from '@/core/units/parse-bays';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { fieldUnit, useSlice } from '../../session/store';
import { ExtendChoice } from './extend-choice';
import { Differences } from '../../tools/differences';
import { Refused } from '../../tools/refused';
import type { Sent } from '@/core/commands/command-inputs';
import { usePreviewOf } from '../../session/use-preview';

type Act = 'insertMany' | 'copy' | 'split' | 'renumber';

const ACTS: readonly (readonly [Act, string])[] = [
  ['insertMany', 'insert several'],
  ['copy', 'copy at a distance'],
  ['split', 'split a storey'],
  ['renumber', 'name anew by pattern'],
];

/** Numbers of a text like `4, 13`. */
const numbersIn = (text: string): number[] =>
  text
    .split(/[\s,;]+/)
    .map(Number)
    .filter((n) => Number.isInteger(n) && n > 0);

/** What the button says, so that no two buttons of the panel say the same. */
const actWords = (act: Act, count: number): string => {
  const levels = `${count} ${count === 1 ? 'level' : 'levels'}`;
  return { insertMany: 'Insert them', copy: 'Copy it', split: 'Split it', renumber: `Name ${levels} anew` }[act];
};

/** Acts on several levels at once. What would change is listed before it is done. */
export function SeveralLevels() {
  const { framework, solved, building, level, display, send, mode, set } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'display',
    'send',
    'mode',
    'set',
  );
  const read = useLengthReader();
  const [act, setAct] = useState<Act>('insertMany');
  const [side, setSide] = useState<'above' | 'below'>('above');
  const [heights, setHeights] = useState('');
  const [extend, setExtend] = useState<ExtendKind[]>([]);
  const [by, setBy] = useState('');
  const [count, setCount] = useState('1');
  const [parts, setParts] = useState('');
  const [patterns, setPatterns] = useState({ basement: 'B{n}', ground: '00', upper: '{nn}', roof: 'RF' });
  const [skip, setSkip] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const shown = solved?.levels.find(({ id }) => id === level);
  const bays = parseBays(heights, { unit: fieldUnit(display) });
  const distance = read(by);
  const wanted = ((): Sent | null => {
    if (!building || !level) return null;
    if (act === 'insertMany')
      return bays.ok
        ? { command: 'levels.insertMany', input: { level, side, heights: bays.value.baysMm, mode, extend } }
        : null;
    if (act === 'copy')
      return distance.ok
        ? { command: 'levels.copy', input: { level, byMm: distance.input, count: Number(count) } }
        : null;
    if (act === 'split')
      return parts === '' ? null : { command: 'levels.split', input: { level, parts: Number(parts) } };
    return { command: 'levels.renumber', input: { building, names: patterns, skip: numbersIn(skip) } };
  })();
  const preview = usePreviewOf(wanted);
  const differences = useMemo(
    () => (preview?.ok && building ? levelDifferences(framework, preview.value.after, building) : []),
    [preview, framework, building],
  );
  const doIt = () => {
    if (!wanted) return setRefused('Something typed above cannot be read yet');
    setRefused(send(wanted));
  };
  return (
    <form
      aria-label="Several levels at once"
      className="flex flex-col gap-1.5 border-t border-faint pt-2.5"
      onSubmit={(event) => {
        event.preventDefault();
        doIt();
      }}
    >
      <ChoiceField
        label="Several at once"
        value={act}
        choices={ACTS}
        onChoose={(next) => {
          setAct(next);
          setRefused(null);
        }}
      />
      {act === 'insertMany' && (
        <>
          <ChoiceField
            label={`Beside ${shown?.name ?? ''}`}
            value={side}
            choices={[
              ['above', 'above it'],
              ['below', 'below it'],
            ]}
            onChoose={setSide}
          />
          <PlainField
            label="Heights"
            value={heights}
            onChange={setHeights}
            note={
              heights === ''
                ? `From the lowest up: ${display.system === 'imperial' ? "2@11'" : '2@3.3m 3.6m'}`
                : bays.ok
                  ? `${bays.value.baysMm.length} storeys`
                  : bays.refusal.message
            }
            wrong={heights !== '' && !bays.ok}
          />
          <ChoiceField
            label="The others"
            value={mode}
            choices={[
              ['push', 'are pushed'],
              ['only', 'stay'],
            ]}
            onChoose={(next) => set({ mode: next })}
          />
          <ExtendChoice several value={extend} onChange={setExtend} />
        </>
      )}
      {act === 'copy' && (
        <>
          <PlainField
            label={`${shown?.name ?? ''} copied by`}
            value={by}
            onChange={setBy}
            note={
              by === ''
                ? `So far up, or with a minus down: ${display.system === 'imperial' ? "11'" : '3.3m'}`
                : distance.words
            }
            wrong={by !== '' && !distance.ok}
          />
          <PlainField label="Times" value={count} onChange={setCount} />
        </>
      )}
      {act === 'split' && (
        <PlainField label={`Storey ${shown?.name ?? ''} into parts`} value={parts} onChange={setParts} />
      )}
      {act === 'renumber' && (
        <>
          {(['basement', 'ground', 'upper', 'roof'] as const).map((part) => (
            <PlainField
              key={part}
              label={{ basement: 'Basements', ground: 'Ground', upper: 'Upper levels', roof: 'Roof' }[part]}
              value={patterns[part]}
              onChange={(text) => setPatterns({ ...patterns, [part]: text })}
            />
          ))}
          <PlainField label="Numbers left out" value={skip} onChange={setSkip} note="{n}: 1, 2 …   {nn}: 01, 02 …" />
        </>
      )}
      <Differences differences={differences} />
      <Refused words={refused ?? (preview && !preview.ok ? preview.refusal.message : null)} />
      <span className="self-end">
        <ActionButton type="submit" weight="main" disabled={!preview?.ok || differences.length === 0}>
          {actWords(act, differences.length)}
        </ActionButton>
      </span>
    </form>
  );
}
