'use client';

import { MATERIALS } from '@/core/columns/column';
import { asGiven } from '@/core/dimensions/uses';
import { mmOf } from '@/core/dimensions/resolve-length';
import { none } from '@/core/kinds/kind';
import type { Change } from '@/core/commands/command-inputs';
import { recordsOf } from '@/core/model/framework';
import { ROOF_FACES, type Roof } from '@/core/roofs/roof';
import { BUILDING, choice, ID, KIND, length, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { ActionButton, ChoiceField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useProject, useSlice } from '../../session/store';
import { FACE_CHOICES } from '../walls/wall-words';
import { ThingPanel } from '../../details/thing-panel';

/** The faces a roof slab may run to, in words. */
export const ROOF_FACE_CHOICES = ROOF_FACES.map(
  (face) => [face, FACE_CHOICES.find(([each]) => each === face)![1]] as const,
);

const FIELDS: FieldsOf<Roof, Change<'roofs.change', 'roof'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  form: none('There is one form'),
  level: none('A roof over another level is another roof'),
  walls: own(Walls),
  thicknessMm: length('Thickness'),
  material: choice(
    'Material',
    MATERIALS.map((material) => [material, material] as const),
  ),
  face: choice('Its slab runs to', ROOF_FACE_CHOICES),
  overhangMm: length('Overhang'),
  parapet: own(Parapet),
};

/** Fields of a flat roof and its parapet. */
export function RoofFields({ record: roof }: { record: Roof }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={roof}
      fields={FIELDS}
      give={(part) => run('roofs.change', { roof: roof.id, ...part })}
      remove="Delete this roof"
    />
  );
}

/** The walls that carry it, by their names. */
function Walls({ record: roof }: { record: Roof }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
  const walls = recordsOf(framework, 'wall');
  return (
    <TextField
      wide
      label="On walls"
      value={roof.walls.map((id) => walls.find((wall) => wall.id === id)?.name ?? '–').join(', ')}
      disabled={!mayEdit}
      onCommit={(typed) => run('roofs.change', { roof: roof.id, walls: typed.split(',').map((name) => name.trim()) })}
    />
  );
}

function Parapet({ record: roof }: { record: Roof }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  const change = (parapet: Change<'roofs.change', 'roof'>['parapet']) =>
    run('roofs.change', { roof: roof.id, parapet });
  const attempt = (parapet: Parameters<typeof change>[0]) => {
    const refusal = change(parapet);
    if (refusal) say(refusal);
  };
  const { parapet } = roof;
  if (!parapet)
    return mayEdit ? (
      <span className="self-end">
        <ActionButton onClick={() => attempt({})}>Give it a parapet</ActionButton>
      </span>
    ) : null;
  const given = asGiven(framework, parapet);
  return (
    <>
      <LengthField
        label="Parapet over the roof"
        valueMm={mmOf(framework, parapet.heightMm)}
        disabled={!mayEdit}
        onCommit={(heightMm) => change({ ...given, heightMm })}
      />
      <ChoiceField
        label="Parapet type"
        value={parapet.type}
        disabled={!mayEdit}
        choices={recordsOf(framework, 'wallType').map(({ id, name }) => [id, name] as const)}
        onChoose={(type) => attempt({ ...given, type })}
      />
      {mayEdit && (
        <span className="self-end">
          <ActionButton onClick={() => attempt(null)}>Without a parapet</ActionButton>
        </span>
      )}
    </>
  );
}
