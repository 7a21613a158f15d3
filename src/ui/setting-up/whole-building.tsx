'use client';

import { useState } from 'react';
import { parsePath } from '@/core/outlines/typed-path';
import { startingTypes } from '@/core/walls/wall-type';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { parseBays } from '@/core/units/parse-bays';
import { ActionButton, ChoiceField, PlainField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { fieldUnit, useSlice } from '../session/store';
import { usePreview } from '../session/use-preview';
import { Refused } from '../tools/refused';
import { EXAMPLES } from '@/core/units/examples';
import type { CommandInputs } from '@/core/commands/command-inputs';
import type { OutlineInput } from '@/core/outlines/outline-input';

/** A whole building in one act: storeys on an outline, with floors, walls up to the soffits and a roof on them. */
export function WholeBuilding() {
  const { framework, building, display, run } = useSlice('framework', 'building', 'display', 'run');
  const read = useLengthReader();
  const isImperial = display.system === 'imperial';
  const [outline, setOutline] = useState('');
  const [storeys, setStoreys] = useState(isImperial ? '8@11\'-4"' : '8@3.45m');
  const [floor, setFloor] = useState(() => formatForEntry(isImperial ? 254 : 250, display));
  const types = startingTypes(display.system);
  const [type, setType] = useState<string>(types[0]!.name);
  const [parapet, setParapet] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const unit = fieldUnit(display);
  const ring = readOutline();
  const heights = parseBays(storeys, { unit });
  const [f, p] = [read(floor), parapet.trim() === '' ? null : read(parapet)];
  const starting = types.find(({ name }) => name === type);
  const input: CommandInputs['carry.wholeBuilding'] | null =
    ring?.input && heights.ok && f.ok && building && starting
      ? {
          building,
          storeys: heights.value.baysMm,
          outline: ring.input,
          floorMm: f.input,
          wall: starting,
          parapetMm: p?.ok ? p.input : null,
        }
      : null;
  const preview = usePreview('carry.wholeBuilding', input);

  /** A size like 18m x 42m, or a path that goes round. */
  function readOutline(): { input: OutlineInput | null; words: string } | null {
    const text = outline.trim();
    if (text === '' || !building) return null;
    const size = /^(.+?)\s*[x×]\s*(.+)$/.exec(text);
    if (size && !text.includes(';')) {
      const [w, d] = [read(size[1]!), read(size[2]!)];
      if (!w.ok || !d.ok) return { input: null, words: (w.ok ? d.words : w.words) ?? '' };
      const words = [w, d].map((each) => (typeof each.input === 'number' ? formatLength(each.input, display) : '…'));
      return {
        input: { type: 'rectangle', widthMm: w.input, depthMm: d.input },
        words: `${words.join(' × ')}, outside of its walls`,
      };
    }
    const path = parsePath(framework, building, text, { unit });
    if (!path.ok) return { input: null, words: path.refusal.message };
    const { place, points, corners } = path.value;
    return { input: { type: 'polygon', place, points }, words: `${corners.length} corners` };
  }

  return (
    <details className="mt-6 max-w-[640px] border-t border-hair pt-3">
      <summary className="font-bold">Or set out a whole building from its outline</summary>
      <form
        aria-label="Whole building"
        className="mt-3 flex max-w-[360px] flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          setRefused(
            input
              ? run('carry.wholeBuilding', input)
              : `Type the outline first, like ${EXAMPLES.outline[display.system]}`,
          );
        }}
      >
        <PlainField
          wide
          label="Outline"
          value={outline}
          onChange={setOutline}
          note={
            ring?.words ??
            `like ${EXAMPLES.outline[display.system]}, or ${EXAMPLES.path[display.system].replace('A-1', '0,0')}`
          }
          wrong={ring !== null && ring.input === null}
        />
        <PlainField
          wide
          label="Storeys"
          value={storeys}
          onChange={setStoreys}
          note={heights.ok ? `${heights.value.baysMm.length} storeys` : heights.refusal.message}
          wrong={!heights.ok}
        />
        <PlainField label="Floors, thick" value={floor} onChange={setFloor} note={f.words} wrong={!f.ok} />
        <ChoiceField
          label="Walls"
          value={type}
          choices={types.map(({ name }) => [name, name] as const)}
          onChoose={setType}
        />
        <PlainField
          label="Parapet, high"
          value={parapet}
          onChange={setParapet}
          note={p === null ? 'empty: none' : p.words}
          wrong={p?.ok === false}
        />
        <Refused words={refused ?? (preview && !preview.ok ? preview.refusal.message : null)} />
        <span className="self-end">
          <ActionButton type="submit" weight="main" disabled={!preview?.ok}>
            Set out the building
          </ActionButton>
        </span>
      </form>
    </details>
  );
}
