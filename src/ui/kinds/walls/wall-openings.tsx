'use client';

import { useMemo, useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { none } from '@/core/kinds/kind';
import type { Change } from '@/core/commands/command-inputs';
import { storeysOfOpening } from '@/core/walls/opening-levels';
import { formatLength } from '@/core/units/format-length';
import { OPENING_KINDS, type Wall, type WallOpening } from '@/core/walls/wall';
import { choice, ID, length, numberChoice, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { RecordFields } from '../../fields/declared/record-fields';
import { SomeLevels } from '../../fields/declared/some-levels';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';

const OPENING_WORDS: Record<WallOpening['opening'], string> = {
  door: 'door',
  window: 'window',
  plain: 'plain opening',
};

/** Doors, windows and plain openings of a wall, each with all its fields, and another one. */
export function WallOpenings({ wall }: { wall: Wall }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  const read = useLengthReader();
  const [opening, setOpening] = useState<WallOpening['opening']>('door');
  const [along, setAlong] = useState('');
  const [width, setWidth] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [at, w] = [read(along), width === '' ? null : read(width)];
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
  return (
    <details className="border-t border-faint pt-1.5" open={wall.openings.length > 0 || undefined}>
      <summary className="text-ink2">Doors, windows, openings</summary>
      <ul aria-label="Openings of this wall" className="flex flex-col gap-1 pt-1.5">
        {wall.openings.map((each) => (
          <li key={each.id} className="border-b border-faint pb-1">
            <Opening wall={wall} opening={each} />
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
            label="From the wall’s start"
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

/** What is drawn of it only where it has leaves that swing. */
const isDoor = ({ opening }: WallOpening): boolean => opening === 'door';

/** An opening with the wall it is in: what its own parts need to know. */
const fieldsIn = (wall: Wall): FieldsOf<WallOpening, Change<'walls.changeOpening', 'wall' | 'opening'>> => ({
  id: ID,
  opening: none('Another kind of opening is another opening'),
  name: text('Name'),
  alongMm: length('From the wall’s start'),
  widthMm: length('Wide'),
  heightMm: length('High'),
  sillMm: length('Sill over the floor'),
  leaves: numberChoice(
    'Leaves',
    [
      [1, 'one'],
      [2, 'two'],
    ],
    { when: isDoor },
  ),
  hand: choice(
    'Hung on',
    [
      ['left', 'the left'],
      ['right', 'the right'],
    ],
    { when: isDoor },
  ),
  opens: choice(
    'Opens',
    [
      ['inwards', 'inwards'],
      ['outwards', 'outwards'],
    ],
    { when: isDoor },
  ),
  at: own(({ record }) => <OpenAt wall={wall} opening={record} />),
});

/** One opening: a line that says it, and all of it where that is unfolded. */
function Opening({ wall, opening }: { wall: Wall; opening: WallOpening }) {
  const { framework, solved, display, run, say, mayEdit } = useSlice(
    'framework',
    'solved',
    'display',
    'run',
    'say',
    'mayEdit',
  );
  const where = useMemo(() => solved && storeysOfOpening(solved, wall.id, opening.id), [solved, wall, opening]);
  const fields = useMemo(() => fieldsIn(wall), [wall]);
  const write = (mm: WallOpening['widthMm']) => formatLength(mmOf(framework, mm), display);
  return (
    <details>
      <summary aria-label={`${OPENING_WORDS[opening.opening]} ${opening.name}`}>
        <strong>{opening.name}</strong> {OPENING_WORDS[opening.opening]}{' '}
        <span className="figures">
          {write(opening.widthMm)} × {write(opening.heightMm)}
        </span>{' '}
        at <span className="figures">{write(opening.alongMm)}</span>
        {where && `, ${where}`}
      </summary>
      <div role="group" aria-label={`Fields of ${opening.name}`} className="flex flex-col gap-1.5 py-1.5 pl-2">
        <RecordFields
          record={opening}
          fields={fields}
          building={wall.building}
          give={(part) => run('walls.changeOpening', { wall: wall.id, opening: opening.id, ...part })}
        />
        {mayEdit && (
          <span className="self-end">
            <ActionButton
              label={`Remove ${opening.name}`}
              onClick={() => {
                const refusal = run('walls.removeOpening', { wall: wall.id, opening: opening.id });
                if (refusal) say(refusal);
              }}
            >
              Remove
            </ActionButton>
          </span>
        )}
      </div>
    </details>
  );
}

/** In every storey of its wall, or in some. */
function OpenAt({ wall, opening }: { wall: Wall; opening: WallOpening }) {
  const { solved, run } = useSlice('solved', 'run');
  const stands = new Set(solved?.walls.filter((piece) => piece.wall === wall.id).map((piece) => piece.level));
  return (
    <SomeLevels
      label="In"
      at={opening.at}
      levels={(solved?.levels ?? []).filter(({ id }) => stands.has(id))}
      words={['every storey', 'some storeys']}
      put={(at) => run('walls.changeOpening', { wall: wall.id, opening: opening.id, at })}
    />
  );
}
