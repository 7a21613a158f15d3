'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { recordsOf } from '@/core/model/framework';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { OPENING_KINDS, type Wall, type WallOpening } from '@/core/walls/wall';
import { ActionButton, ChoiceField, PlainField, TextField } from '../fields/fields';
import { LengthField, useLengthReader } from '../fields/length-field';
import { useSlice } from '../session/store';
import { FACE_CHOICES, USE_CHOICES } from '../walls/wall-words';
import { EndFields } from './end-fields';
import { WallExceptions } from './wall-exceptions';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';
import type { Change } from '@/core/model/command-inputs';
import type { LengthInput } from '@/core/model/length-input';
import { asGiven } from '@/core/dimensions/uses';

/** Fields of a wall, with its openings. */
export function WallFields({ wall }: { wall: Wall }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  const change = (part: Change<'walls.change', 'wall'>) => run('walls.change', { wall: wall.id, ...part });
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const types = recordsOf(framework, 'wallType');
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Name" value={wall.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      <ChoiceField
        label="For"
        value={wall.use}
        disabled={!mayEdit}
        choices={USE_CHOICES}
        onChoose={(use) => attempt(change({ use }))}
      />
      <ChoiceField
        label="Type"
        value={wall.type}
        disabled={!mayEdit}
        choices={types.map(({ id, name }) => [id, name] as const)}
        onChoose={(type) => attempt(change({ type }))}
      />
      <ChoiceField
        label="On the path lies"
        value={wall.on}
        disabled={!mayEdit}
        choices={FACE_CHOICES}
        onChoose={(on) => attempt(change({ on }))}
      />
      {mayEdit && (
        <span className="self-end">
          <ActionButton onClick={() => attempt(run('walls.flip', { walls: [wall.id] }))}>
            Turn it inside out
          </ActionButton>
        </span>
      )}
      <EndFields label="Starts at" end={wall.startsAt} onChange={(startsAt) => change({ startsAt })} />
      <EndFields label="Stops at" end={wall.stopsAt} mayBeCeiling onChange={(stopsAt) => change({ stopsAt })} />
      {wall.passesClearMm === null ? (
        mayEdit && (
          <span className="self-end">
            <ActionButton onClick={() => attempt(change({ passesClearMm: 20 }))}>Run it past the slabs</ActionButton>
          </span>
        )
      ) : (
        <>
          <LengthField
            label="Slabs clear of it by"
            valueMm={mmOf(framework, wall.passesClearMm)}
            disabled={!mayEdit}
            onCommit={(passesClearMm) => change({ passesClearMm })}
          />
          {mayEdit && (
            <span className="self-end">
              <ActionButton onClick={() => attempt(change({ passesClearMm: null }))}>
                Stand it on the slabs
              </ActionButton>
            </span>
          )}
        </>
      )}
      <WallExceptions wall={wall} />
      <Shared wall={wall} />
      <Layers wall={wall} />
      <Openings wall={wall} />
      {mayEdit && <Parallel wall={wall} />}
      <InPlanFields ids={[wall.id]} />
      <DeleteButton id={wall.id}>Delete this wall</DeleteButton>
    </div>
  );
}

/** The other building that has a party wall too. */
function Shared({ wall }: { wall: Wall }) {
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

/** The layers of the wall's type, which all walls of it have. */
function Layers({ wall }: { wall: Wall }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
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
        Layers of {type.name}, {total} in all
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

const OPENING_WORDS: Record<WallOpening['opening'], string> = {
  door: 'door',
  window: 'window',
  plain: 'plain opening',
};

function Openings({ wall }: { wall: Wall }) {
  const { framework, display, run, say, mayEdit } = useSlice('framework', 'display', 'run', 'say', 'mayEdit');
  const read = useLengthReader();
  const [opening, setOpening] = useState<WallOpening['opening']>('door');
  const [along, setAlong] = useState('');
  const [width, setWidth] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [at, w] = [read(along), width === '' ? null : read(width)];
  const write = (mm: number) => formatLength(mm, display);
  const add = () => {
    if (!at.ok) return setRefused(at.words);
    const refusal = run('walls.addOpening', {
      wall: wall.id,
      opening,
      alongMm: at.input,
      ...(w?.ok ? { widthMm: w.input } : {}),
    });
    setRefused(refusal);
    if (!refusal) setAlong('');
  };
  const change = (each: WallOpening, part: Change<'walls.changeOpening', 'wall' | 'opening'>) => {
    const refusal = run('walls.changeOpening', { wall: wall.id, opening: each.id, ...part });
    if (refusal) say(refusal);
  };
  return (
    <details className="border-t border-faint pt-1.5" open={wall.openings.length > 0 || undefined}>
      <summary className="text-ink2">Doors, windows, openings</summary>
      <ul aria-label="Openings of this wall" className="flex flex-col gap-1 pt-1.5">
        {wall.openings.map((each) => (
          <li key={each.id} className="border-b border-faint pb-1">
            <span className="flex items-baseline justify-between gap-2">
              <span>
                <strong>{each.name}</strong> {OPENING_WORDS[each.opening]}{' '}
                <span className="figures">
                  {write(mmOf(framework, each.widthMm))} × {write(mmOf(framework, each.heightMm))}
                </span>{' '}
                at <span className="figures">{write(mmOf(framework, each.alongMm))}</span>
              </span>
            </span>
            {mayEdit && (
              <span className="flex flex-wrap justify-end gap-1 pt-0.5">
                {each.opening === 'door' && (
                  <>
                    <ActionButton onClick={() => change(each, { hand: each.hand === 'left' ? 'right' : 'left' })}>
                      Hung {each.hand}
                    </ActionButton>
                    <ActionButton
                      onClick={() => change(each, { opens: each.opens === 'inwards' ? 'outwards' : 'inwards' })}
                    >
                      Opens {each.opens}
                    </ActionButton>
                  </>
                )}
                <ActionButton
                  onClick={() => {
                    const refusal = run('walls.removeOpening', { wall: wall.id, opening: each.id });
                    if (refusal) say(refusal);
                  }}
                >
                  Remove
                </ActionButton>
              </span>
            )}
          </li>
        ))}
      </ul>
      {mayEdit && (
        <form
          aria-label="Add an opening"
          className="flex flex-col gap-1 pt-1"
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <ChoiceField
            label="Another"
            value={opening}
            choices={OPENING_KINDS.map((kind) => [kind, OPENING_WORDS[kind]] as const)}
            onChoose={setOpening}
          />
          <PlainField
            label="From its start"
            value={along}
            onChange={setAlong}
            note={refused ?? (along === '' ? null : at.words)}
            wrong={refused !== null || (along !== '' && !at.ok)}
          />
          <PlainField
            label="Wide"
            value={width}
            onChange={setWidth}
            note={width === '' ? 'empty: the usual size' : (w?.words ?? null)}
            wrong={w?.ok === false}
          />
          <span className="self-end">
            <ActionButton type="submit" disabled={along === ''}>
              Add it
            </ActionButton>
          </span>
        </form>
      )}
    </details>
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
          ['left', 'left of its path'],
          ['right', 'right of its path'],
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
