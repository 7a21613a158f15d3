'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { recordsOf } from '@/core/model/framework';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import type { Wall } from '@/core/walls/wall';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { LengthField, useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { FACE_CHOICES, USE_CHOICES } from './wall-words';
import {
  BUILDING,
  check,
  choice,
  corners,
  end,
  ID,
  KIND,
  length,
  own,
  place,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { EndFields } from '../../details/end-fields';
import { ThingPanel } from '../../details/thing-panel';
import { PanelFields } from './panel-fields';
import { WallOpenings } from './wall-openings';
import { WallExceptions } from './wall-exceptions';
import type { Change } from '@/core/commands/command-inputs';
import type { LengthInput } from '@/core/commands/length-input';
import { asGiven } from '@/core/dimensions/uses';

const FIELDS: FieldsOf<Wall, Change<'walls.change', 'wall'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  use: choice('For', USE_CHOICES),
  type: choice('Type', (_, { framework }) =>
    recordsOf(framework, 'wallType').map(({ id, name }) => [id, name] as const),
  ),
  on: choice('Its path runs along', FACE_CHOICES),
  outside: own(Outside),
  place: place('Path, from'),
  points: corners('Corners of its path'),
  closed: check('Its path goes round', { fixed: ({ points }) => points.length < 3 }),
  startsAt: end('Starts at'),
  stopsAt: end('Stops at', { mayBeCeiling: true }),
  passesClearMm: length('Slabs clear of it by', {
    fromNull: ['Run it past the slabs', 20],
    toNull: 'Stand it on the slabs',
  }),
  exceptions: own(({ record }) => <WallExceptions wall={record} />),
  sharedWith: own(Shared),
  sharedEnds: own(SharedEnds),
  panels: own(PanelFields),
  openings: own(({ record }) => <WallOpenings wall={record} />),
};

/** Fields of a wall, with its layers and openings. */
export function WallFields({ record: wall }: { record: Wall }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  return (
    <ThingPanel
      record={wall}
      fields={FIELDS}
      give={(part) => run('walls.change', { wall: wall.id, ...part })}
      remove="Delete this wall"
    >
      <Layers wall={wall} />
      {mayEdit && <Split wall={wall} />}
      {mayEdit && <Parallel wall={wall} />}
    </ThingPanel>
  );
}

/** Which side of its path its outside is on; turned inside out, it stays where it stands. */
function Outside({ record: wall }: { record: Wall }) {
  const { run, say, mayEdit } = useSlice('run', 'say', 'mayEdit');
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  return (
    <>
      <ChoiceField
        label="Outside, going along"
        value={wall.outside}
        disabled={!mayEdit}
        choices={[
          ['left', 'on the left'],
          ['right', 'on the right'],
        ]}
        onChoose={(outside) => attempt(run('walls.change', { wall: wall.id, outside }))}
      />
      {mayEdit && (
        <span className="self-end">
          <ActionButton onClick={() => attempt(run('walls.flip', { walls: [wall.id] }))}>
            Turn it inside out
          </ActionButton>
        </span>
      )}
    </>
  );
}

/** The other building that has a party wall too. */
function Shared({ record: wall }: { record: Wall }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  const others = recordsOf(framework, 'building').filter(({ id }) => id !== wall.building);
  if (wall.use !== 'party' || others.length === 0) return null;
  return (
    <ChoiceField
      label="Shared with"
      value={wall.sharedWith ?? ''}
      disabled={!mayEdit}
      choices={[['', 'no other building'], ...others.map(({ id, name }) => [id, name] as const)]}
      onChoose={(id) => {
        const refusal = run('walls.change', { wall: wall.id, sharedWith: id || null });
        if (refusal) say(refusal);
      }}
    />
  );
}

/** From where to where the other building wants a party wall. */
function SharedEnds({ record: { id, sharedWith, sharedEnds } }: { record: Wall }) {
  const { run } = useSlice('run');
  if (!sharedWith || !sharedEnds) return null;
  return (
    <>
      <EndFields
        label="There it starts at"
        end={sharedEnds.startsAt}
        of={sharedWith}
        onChange={(sharedStartsAt) => run('walls.change', { wall: id, sharedStartsAt })}
      />
      <EndFields
        label="There it stops at"
        end={sharedEnds.stopsAt}
        of={sharedWith}
        onChange={(sharedStopsAt) => run('walls.change', { wall: id, sharedStopsAt })}
      />
    </>
  );
}

/** The layers of the wall's type, which all walls of it have. */
function Layers({ wall }: { wall: Wall }) {
  const { framework, display, run, mayEdit } = useSlice('framework', 'display', 'run', 'mayEdit');
  const type = recordsOf(framework, 'wallType').find(({ id }) => id === wall.type);
  if (!type) return null;
  const set = (i: number, thicknessMm: LengthInput) =>
    run('walls.defineType', {
      type: type.id,
      name: type.name,
      layers: type.layers.map((layer, j) => ({
        ...layer,
        thicknessMm: j === i ? thicknessMm : asGiven(framework, layer.thicknessMm),
      })),
    });
  const total = type.layers.reduce((sum, { thicknessMm }) => sum + mmOf(framework, thicknessMm), 0);
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="text-ink2">
        Layers of {type.name}, {formatLength(total, display)} in all
      </summary>
      <div className="flex flex-col gap-1 pt-1.5">
        {type.layers.map((layer, i) => (
          <LengthField
            key={i}
            label={`${layer.name}${layer.core ? ' (core)' : ''}`}
            valueMm={mmOf(framework, layer.thicknessMm)}
            disabled={!mayEdit}
            onCommit={(thicknessMm) => set(i, thicknessMm)}
          />
        ))}
        <p className="text-[11px] text-ink3">From the outside inwards. All walls of this type change with it.</p>
      </div>
    </details>
  );
}

/** The wall in two, at a place along its path. */
function Split({ wall }: { wall: Wall }) {
  const run = useSlice('run').run;
  const read = useLengthReader();
  const [along, setAlong] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const length = read(along);
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Split it</legend>
      <PlainField
        label="Split it at, along its path"
        value={along}
        onChange={(next) => {
          setAlong(next);
          setRefused(null);
        }}
        note={refused ?? (along === '' ? null : length.words)}
        wrong={refused !== null || (along !== '' && !length.ok)}
      />
      <span className="self-end">
        <ActionButton
          disabled={along === ''}
          onClick={() => {
            if (!length.ok) return;
            const refusal = run('walls.split', { wall: wall.id, alongMm: length.input });
            setRefused(refusal);
            if (!refusal) setAlong('');
          }}
        >
          Split it
        </ActionButton>
      </span>
    </fieldset>
  );
}

/** The wall again alongside, at a clear distance. */
function Parallel({ wall }: { wall: Wall }) {
  const { display, run } = useSlice('display', 'run');
  const read = useLengthReader();
  const [clear, setClear] = useState(() => formatForEntry(display.system === 'imperial' ? 1524 : 1500, display));
  const [side, setSide] = useState<'left' | 'right'>('left');
  const [refused, setRefused] = useState<string | null>(null);
  const length = read(clear);
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Copy alongside</legend>
      <PlainField
        label="Copy it alongside, clear"
        value={clear}
        onChange={setClear}
        note={refused ?? length.words}
        wrong={refused !== null || !length.ok}
      />
      <ChoiceField
        label="on the"
        value={side}
        choices={[
          ['left', 'on the left'],
          ['right', 'on the right'],
        ]}
        onChoose={setSide}
      />
      <span className="self-end">
        <ActionButton
          onClick={() => length.ok && setRefused(run('walls.parallel', { wall: wall.id, clearMm: length.input, side }))}
        >
          Copy alongside
        </ActionButton>
      </span>
    </fieldset>
  );
}
