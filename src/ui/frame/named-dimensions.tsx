'use client';

import { useState } from 'react';
import type { Dimension } from '@/core/dimensions/dimension';
import { mmOf } from '@/core/dimensions/resolve-length';
import { lengthAsTyped, usesOf } from '@/core/dimensions/uses';
import { recordsOf } from '@/core/model/framework';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { ActionButton, PlainField, TextField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { useSlice } from '../session/store';
import { Refused } from '../tools/refused';
import { TopPopover } from './top-popover';
import { EXAMPLES } from '@/core/units/examples';

/** The project's named dimensions: what each is, and where it is used. Changing one changes all of that at once. */
export function NamedDimensions() {
  const { framework, mayEdit } = useSlice('framework', 'mayEdit');
  const dimensions = [...recordsOf(framework, 'dimension')].sort((a, b) => (a.name < b.name ? -1 : 1));
  return (
    <TopPopover button="Dimensions" name="Named dimensions">
      <p className="text-ink2">A name may stand anywhere a length is typed, like typical - 100.</p>
      {dimensions.map((dimension) => (
        <OneDimension key={dimension.id} dimension={dimension} />
      ))}
      {mayEdit && <NewDimension />}
    </TopPopover>
  );
}

function OneDimension({ dimension }: { dimension: Dimension }) {
  const { framework, display, mayEdit, run, say, set } = useSlice(
    'framework',
    'display',
    'mayEdit',
    'run',
    'say',
    'set',
  );
  const read = useLengthReader();
  const uses = usesOf(framework, dimension.id);
  const mm = mmOf(framework, dimension.value);
  const typed = lengthAsTyped(framework, dimension.value) ?? formatForEntry(mm, display);
  const { name, note } = dimension;
  return (
    <section aria-label={`Dimension ${name}`} className="flex flex-col gap-1 border-t border-faint pt-2">
      <TextField
        label={name}
        wide
        value={typed}
        disabled={!mayEdit}
        onCommit={(text) => {
          const length = read(text);
          return length.ok ? run('dimensions.define', { name, value: length.input, note }) : length.words;
        }}
      />
      <p className="text-[11px] text-ink2">
        {note ? `${note}; ` : ''}= {formatLength(mm, display)}
        {uses.length === 0 ? ', used nowhere yet' : `, used by ${uses.length}`}
      </p>
      {uses.length > 0 && (
        <span className="flex flex-wrap gap-1">
          {uses.slice(0, 12).map(({ id, words }) => (
            <button
              key={id}
              type="button"
              className="rounded-sm border border-hair px-1 text-[11px] hover:bg-faint"
              onClick={() => set({ selection: [id] })}
            >
              {words}
            </button>
          ))}
          {uses.length > 12 && <span className="text-[11px] text-ink2">and {uses.length - 12} more</span>}
        </span>
      )}
      {mayEdit && uses.length === 0 && (
        <span className="self-end">
          <ActionButton
            onClick={() => {
              const refusal = run('dimensions.remove', { dimension: dimension.id });
              if (refusal) say(refusal);
            }}
          >
            Remove {name}
          </ActionButton>
        </span>
      )}
    </section>
  );
}

function NewDimension() {
  const { run, display } = useSlice('run', 'display');
  const read = useLengthReader();
  const [name, setName] = useState('');
  const [value, setValue] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const length = value.trim() === '' ? null : read(value);
  const define = () => {
    if (!length?.ok) return setRefused(length?.words ?? `Type its length, like ${EXAMPLES.dimension[display.system]}`);
    const refusal = run('dimensions.define', { name: name.trim(), value: length.input });
    setRefused(refusal);
    if (refusal) return;
    setName('');
    setValue('');
  };
  return (
    <form
      aria-label="New dimension"
      className="flex flex-col gap-1.5 border-t border-hair pt-2.5"
      onSubmit={(event) => {
        event.preventDefault();
        define();
      }}
    >
      <PlainField label="New name" value={name} onChange={setName} />
      <PlainField
        label="Its length"
        value={value}
        onChange={setValue}
        note={length?.words}
        wrong={length?.ok === false}
      />
      <Refused words={refused} />
      <span className="self-end">
        <ActionButton type="submit" weight="main">
          Define it
        </ActionButton>
      </span>
    </form>
  );
}
