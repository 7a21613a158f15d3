'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { Shaft, ShaftException, SlabState } from '@/core/shafts/shaft';
import { resolvePlace } from '@/core/outlines/resolve-place';
import { formatForEntry } from '@/core/units/format-length';
import { useState } from 'react';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { useProject, useSlice } from '../../session/store';
import { ExceptionList } from '../../details/exception-list';
import type { Change } from '@/core/commands/command-inputs';
import type { OutlineInput } from '@/core/outlines/outline-input';
import { OutlineFields } from '../../fields/declared/outline-fields';

const SLAB_CHOICES = [
  ['below', 'as below'],
  ['open', 'open'],
  ['closed', 'left closed'],
  ['sleeves', 'closed, sleeves only'],
] as const;

type Except = Change<'shafts.except', 'shaft' | 'level' | 'upwards'>;

/** What differs at the current level of a shaft, or from there up: the slab, and another outline. */
export function ShaftExceptions({ shaft }: { shaft: Shaft }) {
  const run = useProject((project) => project.run);
  return (
    <ExceptionList<ShaftException, Except>
      exceptions={shaft.exceptions}
      wordsOf={wordsOf}
      plain={{ slab: null, outline: null }}
      change={(at, part) => run('shafts.except', { shaft: shaft.id, ...at, ...part })}
    >
      {(here, { except, attempt }) => (
        <>
          <ChoiceField<SlabState | 'below'>
            label="its slab is"
            value={here?.slab ?? 'below'}
            choices={SLAB_CHOICES}
            onChoose={(slab) => attempt({ slab: slab === 'below' ? null : slab })}
          />
          {here?.outline ? (
            <OutlineFields
              label="Outline there"
              outline={here.outline}
              sizes={['Outline there, wide', 'Outline there, deep']}
              building={shaft.building}
              disabled={false}
              put={(outline) => except({ outline })}
            />
          ) : (
            <OtherOutline shaft={shaft} onTake={(outline) => attempt({ outline })} />
          )}
        </>
      )}
    </ExceptionList>
  );
}

const wordsOf = ({ slab, outline }: ShaftException): string =>
  [
    outline && 'another outline',
    slab === 'closed' ? 'slab left closed' : slab === 'sleeves' ? 'sleeves only' : slab === 'open' ? 'slab open' : null,
  ]
    .filter(Boolean)
    .join(', ');

/** Another rectangle from a level up: a setback. */
function OtherOutline({ shaft, onTake }: { shaft: Shaft; onTake: (outline: OutlineInput) => void }) {
  const { framework, building, display, say } = useSlice('framework', 'building', 'display', 'say');
  const read = useLengthReader();
  const { outline } = shaft;
  const isRectangle = outline.type === 'rectangle';
  const corner = isRectangle ? resolvePlace(framework, outline.place).at : { x: 0, y: 0 };
  const size = (field: 'widthMm' | 'depthMm') => (isRectangle ? mmOf(framework, outline[field]) : 1000);
  const [place, setPlace] = useState(() =>
    building ? writePlace(framework, building, corner.x, corner.y, display) : '',
  );
  const [width, setWidth] = useState(() => formatForEntry(size('widthMm'), display));
  const [depth, setDepth] = useState(() => formatForEntry(size('depthMm'), display));
  const [at, w, d] = [readPlaceText(place, display), read(width), read(depth)];
  const take = () => {
    if (!at.ok) return say(at.refusal.message);
    if (!w.ok || !d.ok) return say(w.ok ? d.words! : w.words!);
    onTake({ type: 'rectangle', place: at.value.input, widthMm: w.input, depthMm: d.input });
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Another outline</legend>
      <PlainField
        label="Another outline, corner"
        value={place}
        onChange={setPlace}
        note={at.ok ? at.value.words : at.refusal.message}
        wrong={!at.ok}
      />
      <PlainField label="wide" value={width} onChange={setWidth} note={w.words} wrong={!w.ok} />
      <PlainField label="deep" value={depth} onChange={setDepth} note={d.words} wrong={!d.ok} />
      <span className="self-end">
        <ActionButton onClick={take}>Use this outline there</ActionButton>
      </span>
    </fieldset>
  );
}
