'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { recordsOf } from '@/core/model/framework';
import { ROOF_FACES, type Roof } from '@/core/roofs/roof';
import { ActionButton, ChoiceField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useSlice } from '../session/store';
import { FACE_CHOICES } from '../walls/wall-words';
import { DeleteButton } from './delete-button';
import type { Change } from '@/core/model/command-inputs';

/** The faces a roof slab may run to, in words. */
export const ROOF_FACE_CHOICES = ROOF_FACES.map(
  (face) => [face, FACE_CHOICES.find(([each]) => each === face)![1]] as const,
);

/** Fields of a flat roof and its parapet. */
export function RoofFields({ roof }: { roof: Roof }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  const change = (part: Change<'roofs.change', 'roof'>) => run('roofs.change', { roof: roof.id, ...part });
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const { parapet } = roof;
  const types = recordsOf(framework, 'wallType').map(({ id, name }) => [id, name] as const);
  const heightMm = parapet ? mmOf(framework, parapet.heightMm) : 0;
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Name" value={roof.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      <LengthField
        label="Thickness"
        valueMm={mmOf(framework, roof.thicknessMm)}
        disabled={!mayEdit}
        onCommit={(thicknessMm) => change({ thicknessMm })}
      />
      <ChoiceField
        label="Its slab runs to"
        value={roof.face}
        disabled={!mayEdit}
        choices={ROOF_FACE_CHOICES}
        onChoose={(face) => attempt(change({ face }))}
      />
      {parapet ? (
        <>
          <LengthField
            label="Parapet over the roof"
            valueMm={heightMm}
            disabled={!mayEdit}
            onCommit={(value) => change({ parapet: { type: parapet.type, heightMm: value } })}
          />
          <ChoiceField
            label="Parapet type"
            value={parapet.type}
            disabled={!mayEdit}
            choices={types}
            onChoose={(type) => attempt(change({ parapet: { type, heightMm } }))}
          />
          {mayEdit && (
            <span className="self-end">
              <ActionButton onClick={() => attempt(change({ parapet: null }))}>Without a parapet</ActionButton>
            </span>
          )}
        </>
      ) : (
        mayEdit && (
          <span className="self-end">
            <ActionButton onClick={() => attempt(change({ parapet: {} }))}>Give it a parapet</ActionButton>
          </span>
        )
      )}
      <DeleteButton id={roof.id}>Delete this roof</DeleteButton>
    </div>
  );
}
