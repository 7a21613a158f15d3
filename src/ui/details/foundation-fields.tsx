'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { Foundation } from '@/core/foundations/foundation';
import { CheckField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useSlice } from '../session/store';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';
import { EndFields } from './end-fields';
import type { Change } from '@/core/model/command-inputs';

const WAYS = [
  ['x', 'Held along x'],
  ['y', 'Held along y'],
  ['z', 'Held upwards'],
] as const;

/** Fields of a raft, of pads or of strips. */
export function FoundationFields({ foundation }: { foundation: Foundation }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  const change = (part: Change<'foundations.change', 'foundation'>) =>
    run('foundations.change', { foundation: foundation.id, ...part });
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const lengths = [
    ['thicknessMm', 'Thickness'],
    ...(foundation.form === 'raft' ? [] : [['widthMm', foundation.form === 'pads' ? 'Along x' : 'Wide']]),
    ...(foundation.form === 'pads' ? [['depthMm', 'Along y']] : []),
  ] as ['thicknessMm' | 'widthMm' | 'depthMm', string][];
  const modulus = foundation.subgradeKnM3;
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Name" value={foundation.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      {lengths.map(([field, label]) => (
        <LengthField
          key={field}
          label={label}
          valueMm={mmOf(framework, foundation[field])}
          disabled={!mayEdit}
          onCommit={(value) => change({ [field]: value })}
        />
      ))}
      <EndFields label="Top at" end={foundation.top} onChange={(top) => change({ top })} />
      <TextField
        label="Subgrade modulus, kN/m³"
        value={modulus === null ? '' : String(modulus)}
        disabled={!mayEdit}
        onCommit={(text) => {
          const value = text.trim() === '' ? null : Number(text.replace(',', '.').replace(/\s/g, ''));
          if (value !== null && !Number.isFinite(value)) return 'Type a number, like 25000';
          return change({ subgradeKnM3: value });
        }}
      />
      {WAYS.map(([way, label]) => (
        <CheckField
          key={way}
          label={label}
          value={foundation.restrained[way]}
          disabled={!mayEdit}
          onChange={(is) => attempt(change({ restrained: { ...foundation.restrained, [way]: is } }))}
        />
      ))}
      <InPlanFields ids={[foundation.id]} />
      <DeleteButton id={foundation.id}>Delete this foundation</DeleteButton>
    </div>
  );
}
