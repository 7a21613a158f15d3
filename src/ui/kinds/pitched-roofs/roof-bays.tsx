'use client';

import { distance } from '@/core/geometry/point';
import type { Ring } from '@/core/geometry/polygon';
import type { PitchedRoof } from '@/core/pitched-roofs/pitched-roof';
import { ChoiceField, TextField } from '../../fields/fields';
import { edgeWords } from './roof-edges';

type Bays = NonNullable<PitchedRoof['bays']>;

const SORTS: readonly (readonly [Bays['is'] | 'edges', string])[] = [
  ['edges', 'from its edges inwards'],
  ['sawtooth', 'saw-tooth, in bays'],
  ['butterfly', 'butterfly, to valleys'],
];

/** The longest edge of a ring, by its number. */
const longestOf = (ring: Ring): number => {
  const long = (i: number) => distance(ring[i]!, ring[(i + 1) % ring.length]!);
  return ring.reduce((best, _, i) => (long(i) > long(best) + 1 ? i : best), 0);
};

/** Whether a roof slopes from its edges, or in bays along one of them. */
export function RoofBays({
  ring,
  bays,
  disabled = false,
  onSet,
}: {
  /** What it stands on. */
  ring: Ring;
  bays: Bays | null;
  disabled?: boolean;
  /** Answers why not, or null. */
  onSet: (bays: Bays | null) => string | null;
}) {
  const words = edgeWords([ring]);
  return (
    <>
      <ChoiceField
        label="It slopes"
        value={bays?.is ?? 'edges'}
        choices={SORTS}
        disabled={disabled}
        onChoose={(is) =>
          onSet(
            is === 'edges'
              ? null
              : { is, along: bays?.along ?? longestOf(ring), count: bays?.count ?? (is === 'sawtooth' ? 3 : 1) },
          )
        }
      />
      {bays && (
        <>
          <ChoiceField
            label={bays.is === 'sawtooth' ? 'Rising from' : 'Valleys along'}
            value={String(bays.along)}
            choices={words.map((each, i) => [String(i), each] as const)}
            disabled={disabled}
            onChoose={(along) => onSet({ ...bays, along: Number(along) })}
          />
          <TextField
            label={bays.is === 'sawtooth' ? 'Bays' : 'Valleys'}
            value={String(bays.count)}
            disabled={disabled}
            onCommit={(text) => {
              const count = Number(text);
              if (!(Number.isInteger(count) && count >= 1 && count <= 60)) return 'A whole number from 1 to 60';
              return onSet({ ...bays, count });
            }}
          />
        </>
      )}
    </>
  );
}
