'use client';

import { useEffect, useState } from 'react';
import type { Json } from '@/core/model/json';
import { axisLine } from '@/core/grids/axis-lines';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useProject } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { Refused } from '../refused';
import { LevelRangeFields } from './level-range-fields';

type Side = 'interior' | 'exterior' | 'both' | 'positive' | 'negative';

/** Lines at a distance from chosen lines, to one or both sides, in one act; and those that are there. */
export function SettingOut() {
  const { framework, solved, building, chosenLines, display, run, set, select } = useProject((project) => project);
  const read = useLengthReader();
  const [offset, setOffset] = useState(() => formatForEntry(display.system === 'imperial' ? 203.2 : 200, display));
  const [side, setSide] = useState<Side>('interior');
  const [name, setName] = useState('');
  const [locked, setLocked] = useState(false);
  const [range, setRange] = useState<{ fromLevel: string | null; toLevel: string | null }>({
    fromLevel: null,
    toLevel: null,
  });
  const [refused, setRefused] = useState<string | null>(null);
  const length = read(offset);
  const lines = chosenLines ?? [];
  useEffect(() => {
    set({ chosenLines: [] });
    return () => set({ chosenLines: null, ghost: null });
  }, [set]);
  const input: Json | null =
    length.ok && lines.length > 0
      ? {
          ...(building ? { building } : {}),
          lines,
          offsetMm: length.input,
          side,
          ...(name.trim() ? { name: name.trim() } : {}),
          ...range,
          locked,
        }
      : null;
  const preview = usePreview('settingOut.add', input);
  useEffect(() => {
    if (!preview?.ok) return set({ ghost: null });
    const { added } = preview.value.changes;
    const curves = added.flatMap(({ id }) => axisLine(preview.value.after, id)?.curve ?? []);
    set({ ghost: { rings: [], points: [], curves, note: `${curves.length} setting-out lines` } });
  }, [preview, set]);
  const add = () => {
    if (!input) return setRefused(length.ok ? 'Choose a line in the plan first' : length.words);
    const refusal = run('settingOut.add', input);
    setRefused(refusal);
    if (!refusal) {
      set({ chosenLines: [] });
      setName('');
    }
  };
  const there = solved?.settingOut.filter((line) => line.building === building) ?? [];
  const label = (id: string) => axisLine(framework, id)?.label ?? 'without a label';
  return (
    <form
      aria-label="Setting-out lines"
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <p className="text-ink2">
        {lines.length === 0 ? 'Choose lines in the plan.' : `From ${lines.map(label).join(', ')}`}
      </p>
      <PlainField label="At a distance of" value={offset} onChange={setOffset} note={length.words} wrong={!length.ok} />
      <ChoiceField
        label="On the side"
        value={side}
        choices={[
          ['interior', 'towards the interior'],
          ['exterior', 'away from the interior'],
          ['both', 'both sides'],
          ['positive', 'the way the lines count'],
          ['negative', 'against it'],
        ]}
        onChoose={setSide}
      />
      <PlainField label="Name" value={name} onChange={setName} note={name === '' ? 'empty: S1, S2 …' : null} />
      <LevelRangeFields
        from={range.fromLevel}
        to={range.toLevel}
        unlimited={['as their line', 'as their line']}
        onChange={(part) => setRange((now) => ({ ...now, ...part }))}
      />
      <CheckField label="Locked" value={locked} onChange={setLocked} />
      <Refused words={refused ?? (preview && !preview.ok ? preview.refusal.message : null)} />
      <span className="self-end">
        <ActionButton type="submit" weight="main" disabled={!preview?.ok}>
          Set out {preview?.ok ? preview.value.changes.added.length : ''}
        </ActionButton>
      </span>
      {there.length > 0 && (
        <ul aria-label="Setting-out lines here" className="border-t border-faint pt-1.5">
          {there.map((line) => (
            <li key={line.id} className="flex items-baseline justify-between gap-2">
              <button type="button" className="font-semibold text-now" onClick={() => select([line.id])}>
                {line.name}
              </button>
              <span className="text-ink2">
                {formatLength(Math.abs(line.offsetMm), display)} from {label(line.source)}
                {line.locked ? ', locked' : ''}
              </span>
            </li>
          ))}
        </ul>
      )}
    </form>
  );
}
