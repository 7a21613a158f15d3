'use client';

import type { Change } from '@/core/commands/command-inputs';
import { recordOf } from '@/core/model/framework';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import type { RoofOpening } from '@/core/roof-openings/roof-opening';
import { OPENING_WORDS } from '@/core/roof-openings/say-roof-openings';
import { ThingPanel } from '../../details/thing-panel';
import {
  BUILDING,
  check,
  choice,
  ID,
  KIND,
  length,
  numberChoice,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { TextField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { edgeWords } from '../pitched-roofs/roof-edges';

export const OPENING_CHOICES = Object.entries(OPENING_WORDS) as [RoofOpening['is'], string][];
const isDormer = ({ is }: RoofOpening) => is !== 'window';

const FIELDS: FieldsOf<RoofOpening, Change<'roofOpenings.change', 'opening'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  roof: own(OnRoof),
  is: choice('It is a', OPENING_CHOICES),
  edge: numberChoice('In the face over', (opening, { framework }) => {
    const roof = recordOf(framework, 'pitchedRoof', opening.roof);
    const rings = roof ? [roof.outline, ...roof.courtyards].map((each) => resolveOutline(framework, each) ?? []) : [];
    return edgeWords(rings).map((words, edge) => [edge, words] as const);
  }),
  alongMm: length('Middle, along its edge'),
  upMm: length('Front, in from the edge'),
  widthMm: length('Width'),
  heightMm: length(({ is }) => (is === 'window' ? 'Long, up the slope' : 'Eaves over the roof')),
  slopeDeg: own(Slope),
  overhangMm: length('Overhang', { when: isDormer }),
  wallMm: length('Walls, thick', { when: isDormer }),
  roofMm: length('Roof, thick', { when: isDormer }),
  glazed: check('With a window in its front', { when: isDormer }),
};

function OnRoof({ record: opening }: { record: RoofOpening }) {
  const { framework, select } = useSlice('framework', 'select');
  return (
    <div className="flex items-baseline justify-between gap-2 pr-6">
      <span className="text-ink2">On roof</span>
      <button type="button" className="font-semibold text-now" onClick={() => select([opening.roof])}>
        {recordOf(framework, 'pitchedRoof', opening.roof)?.name ?? '–'}
      </button>
    </div>
  );
}

function Slope({ record: opening }: { record: RoofOpening }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  if (opening.is === 'window') return null;
  return (
    <TextField
      label="Slope of its own roof"
      value={`${Math.round(opening.slopeDeg * 1e4) / 1e4}°`}
      disabled={!mayEdit}
      onCommit={(slope) => run('roofOpenings.change', { opening: opening.id, slope })}
    />
  );
}

/** Fields of a dormer or a window of a roof. */
export function RoofOpeningFields({ record: opening }: { record: RoofOpening }) {
  const { run } = useSlice('run');
  return (
    <ThingPanel
      record={opening}
      fields={FIELDS}
      give={(part) => run('roofOpenings.change', { opening: opening.id, ...part })}
      remove={opening.is === 'window' ? 'Delete this window' : 'Delete this dormer'}
    />
  );
}
