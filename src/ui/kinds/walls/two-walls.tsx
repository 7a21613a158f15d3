'use client';

import { useState } from 'react';
import { recordsOf } from '@/core/model/framework';
import { mmOf } from '@/core/dimensions/resolve-length';
import { clearBetween } from '@/core/walls/clear-between';
import type { Wall } from '@/core/walls/wall';
import { wallPath } from '@/core/walls/wall-path';
import { formatForEntry, formatForField, formatLength, METRIC } from '@/core/units/format-length';
import { quantiseMm } from '@/core/units/length-units';
import { ActionButton, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';

/** What is done with two walls: brought to meet, joined into one, a clear width held between them. */
export function TwoWalls({ records: [a, b], all }: { records: readonly Wall[]; all: readonly string[] }) {
  if (!a || !b || all.length !== 2) return null;
  return (
    <>
      <MeetAndJoin walls={[a, b]} />
      <ClearWidth walls={[a, b]} />
    </>
  );
}

/** Their nearest ends brought to meet, and walls that meet made one. */
function MeetAndJoin({ walls: [a, b] }: { walls: [Wall, Wall] }) {
  const { run, say } = useSlice('run', 'say');
  const act = (command: 'walls.meet' | 'walls.join') => {
    const refusal = run(command, { walls: [a.id, b.id] });
    if (refusal) say(refusal);
  };
  return (
    <span className="flex flex-wrap justify-end gap-2 border-t border-faint pt-2">
      <ActionButton onClick={() => act('walls.meet')}>Bring them to meet</ActionButton>
      <ActionButton onClick={() => act('walls.join')}>Join into one</ActionButton>
    </span>
  );
}

function ClearWidth({ walls: [a, b] }: { walls: [Wall, Wall] }) {
  const { framework, display, run } = useSlice('framework', 'display', 'run');
  const read = useLengthReader();
  const between = clearBetween(wallPath(framework, a), wallPath(framework, b));
  // Untouched it holds them just as they are.
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  if (!between) return null;
  const shown = formatForField(quantiseMm(between.mm), display);
  const length =
    typed === null || typed === shown.text
      ? {
          ok: true as const,
          words: shown.isRounded ? `exactly ${formatForEntry(between.mm, METRIC)} mm` : '',
          input: quantiseMm(between.mm),
        }
      : read(typed);
  const held = recordsOf(framework, 'clearWidth').find(({ walls }) => walls.includes(a.id) && walls.includes(b.id));
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Clear width</legend>
      <span>
        {formatLength(Math.round(between.mm * 10) / 10, display)} clear between {a.name} and {b.name}
        {held ? `; ${formatLength(mmOf(framework, held.widthMm), display)} is held` : ''}.
      </span>
      <PlainField
        label="Clear width"
        value={typed ?? shown.text}
        onChange={setTyped}
        note={refused ?? length.words}
        wrong={refused !== null || !length.ok}
      />
      <span className="self-end">
        <ActionButton
          disabled={!length.ok}
          onClick={() =>
            length.ok && setRefused(run('walls.holdClear', { walls: [a.id, b.id], widthMm: length.input }))
          }
        >
          {`Hold it, moving ${b.name}`}
        </ActionButton>
      </span>
    </fieldset>
  );
}
