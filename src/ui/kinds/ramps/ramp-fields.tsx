'use client';

import { rampRuleChoices } from '@/core/rule-sets/rules-in';
import type { Change } from '@/core/commands/command-inputs';
import type { Ramp } from '@/core/ramps/ramp';
import { assembliesOf } from '@/core/slants/assembly';
import { ThingPanel } from '../../details/thing-panel';
import {
  angle,
  BUILDING,
  choice,
  end,
  ID,
  KIND,
  length,
  own,
  place,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { TextField } from '../../fields/fields';
import { SlopeField } from '../../fields/slope-field';
import { useProject } from '../../session/store';
import { TURN_CHOICES } from '../stairs/stair-words';
import { RAMP_FORM_CHOICES, REFERENCE_CHOICES } from './ramp-words';

const isRound = ({ form }: Ramp) => form === 'circular';

const FIELDS: FieldsOf<Ramp, Change<'ramps.change', 'ramp'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  form: choice('Form', RAMP_FORM_CHOICES),
  place: place('Begins at'),
  towardsDeg: angle('One goes towards'),
  turn: choice('One turns', TURN_CHOICES, { when: ({ form }) => form !== 'straight' }),
  startsAt: end('Starts at'),
  stopsAt: end('Stops at', { mayBeOther: true }),
  rules: choice('Rule set', (_, { framework }) => rampRuleChoices(framework)),
  slopeRatio: own(Slope),
  runMm: length('Room along it', {
    ifNull: ({ id }, { solved }) =>
      assembliesOf(solved?.assemblies ?? [], 'ramp').find(({ thing }) => thing === id)?.info.runMm ?? 0,
    toNull: 'As long as it must be again',
  }),
  widthMm: length('Width'),
  gapMm: length('Between its runs', { when: ({ form }) => form === 'switchback' }),
  radiusMm: length('Radius of its middle', { when: isRound }),
  segments: own(Segments),
  thicknessMm: length('Thickness'),
  reference: choice('Heights are those of', REFERENCE_CHOICES),
  kerbMm: length('Kerbs, high'),
};

function Slope({ record: ramp }: { record: Ramp }) {
  const run = useProject((project) => project.run);
  const mayEdit = useProject((project) => project.mayEdit);
  return (
    <SlopeField
      label="Slope"
      value={ramp.slopeRatio}
      disabled={!mayEdit}
      onCommit={(slopeRatio) => run('ramps.change', { ramp: ramp.id, slopeRatio })}
    />
  );
}

function Segments({ record: ramp }: { record: Ramp }) {
  const run = useProject((project) => project.run);
  const mayEdit = useProject((project) => project.mayEdit);
  if (!isRound(ramp)) return null;
  return (
    <TextField
      label="Straight pieces round it"
      value={String(ramp.segments)}
      disabled={!mayEdit}
      onCommit={(typed) => {
        const segments = Number(typed);
        if (!(Number.isInteger(segments) && segments >= 2 && segments <= 400)) return 'A whole number from 2 to 400';
        return run('ramps.change', { ramp: ramp.id, segments });
      }}
    />
  );
}

/** Fields of a ramp. */
export function RampFields({ record: ramp }: { record: Ramp }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={ramp}
      fields={FIELDS}
      give={(part) => run('ramps.change', { ramp: ramp.id, ...part })}
      remove="Delete this ramp"
    />
  );
}
