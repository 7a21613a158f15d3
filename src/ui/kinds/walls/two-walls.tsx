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

/** The clear width between two parallel walls, held from now on. */
export function TwoWalls({ records: [a, b], all }: { records: readonly Wall[]; all: readonly string[] }) {
  return a && b && all.length === 2 ? <ClearWidth walls={[a, b]} /> : null;
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
