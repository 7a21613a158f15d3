'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { Change } from '@/core/commands/command-inputs';
import { LIFT_BOUNDS, type Shaft } from '@/core/shafts/shaft';
import { SomeLevels } from '../../fields/declared/some-levels';
import { ActionButton, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';

const SIZES: readonly (readonly [keyof typeof LIFT_BOUNDS, string])[] = [
  ['doorWidthMm', 'Its doors, wide'],
  ['doorHeightMm', 'Its doors, high'],
  ['pitMm', 'Pit under the lowest stop'],
  ['overrunMm', 'Over the highest stop'],
  ['carWidthMm', 'Car, wide'],
  ['carDepthMm', 'Car, deep'],
];

type Given = NonNullable<Change<'shafts.setLift', 'shaft'>['lift']>;

/** The lift of a lift shaft: where it stops and what it asks of the building; it is checked wherever it stops. */
export function LiftFields({ shaft }: { shaft: Shaft }) {
  const { framework, solved, mayEdit, run, say } = useSlice('framework', 'solved', 'mayEdit', 'run', 'say');
  if (shaft.purpose !== 'lift') return null;
  const { lift } = shaft;
  const give = (part: Given | null) => run('shafts.setLift', { shaft: shaft.id, lift: part });
  const tell = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  if (!lift)
    return mayEdit ? (
      <div className="flex items-baseline justify-between gap-2 border-t border-faint pt-1.5">
        <span className="text-ink2">Nothing is said of its lift.</span>
        <ActionButton onClick={() => tell(give({}))}>Say what lift it holds</ActionButton>
      </div>
    ) : null;
  const passed = new Set(solved?.shafts.find((each) => each.shaft === shaft.id)?.levels ?? []);
  const levels = (solved?.levels ?? []).filter(({ id, bounding }) => bounding && passed.has(id));
  return (
    <section aria-label="Lift" className="flex flex-col gap-1.5 border-t border-faint pt-1.5">
      <h3 className="font-semibold">Lift</h3>
      <SomeLevels
        label="It stops at"
        at={lift.stops}
        levels={levels}
        words={['every storey it passes', 'these levels']}
        put={(stops) => give({ stops: stops === 'all' ? 'all' : [...stops] })}
      />
      {SIZES.map(([field, label]) => (
        <LengthField
          key={field}
          label={label}
          valueMm={mmOf(framework, lift[field])}
          disabled={!mayEdit}
          onCommit={(input) => give({ [field]: input })}
        />
      ))}
      <TextField
        label="Persons"
        value={String(lift.persons)}
        disabled={!mayEdit}
        onCommit={(text) => (/^\d+$/.test(text.trim()) ? give({ persons: Number(text) }) : 'Type how many, like 8')}
      />
      {mayEdit && (
        <span className="self-end">
          <ActionButton onClick={() => tell(give(null))}>Nothing is said of its lift</ActionButton>
        </span>
      )}
    </section>
  );
}
