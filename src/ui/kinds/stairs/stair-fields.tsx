'use client';

import type { Change } from '@/core/commands/command-inputs';
import { ruleChoices } from '@/core/rule-sets/rules-in';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import type { Stair } from '@/core/stairs/stair';
import { formatLength } from '@/core/units/format-length';
import {
  BUILDING,
  check,
  choice,
  end,
  ID,
  KIND,
  length,
  numberChoice,
  outline,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { useProject, useSlice } from '../../session/store';
import { StairStoreys } from './stair-storeys';
import { OtherWays, RisersField } from './other-ways';
import { CARRIED_CHOICES, entryChoices, FORM_CHOICES, OPENING_CHOICES, TURN_CHOICES } from './stair-words';
import { ThingPanel } from '../../details/thing-panel';

const FIELDS: FieldsOf<Stair, Change<'stairs.change', 'stair'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  form: choice('Form', FORM_CHOICES),
  isFree: check('As large as it must be'),
  well: outline('Well', ['Well, wide', 'Well, deep']),
  widthMm: length('Flight, wide', {
    ifNull: ({ id }, { solved }) => solved?.stairs.find(({ stair }) => stair === id)?.flightWidthMm ?? 0,
    toNull: 'As is usual for its form again',
  }),
  entry: numberChoice('One comes in from', ({ well }, { framework }) =>
    entryChoices(resolveOutline(framework, well)).map(([side, words]) => [Number(side), words] as const),
  ),
  turn: choice('Going up one turns', TURN_CHOICES),
  rules: choice('Rule set', (_, { framework }) => ruleChoices(framework)),
  opening: choice('Opening in the slabs', OPENING_CHOICES),
  startsAt: end('Starts at', { levelOnly: true }),
  stopsAt: end('Stops at', { levelOnly: true }),
  landingDepthMm: length('Landings on the way, deep', {
    ifNull: ({ id }, { solved }) =>
      solved?.stairs.find(({ stair }) => stair === id)?.storeys.find(({ landingDepthMm }) => landingDepthMm)
        ?.landingDepthMm ?? 0,
    toNull: 'As the rule set asks again',
  }),
  risers: own(RisersField),
  goingMm: length('Going', {
    ifNull: ({ id }, { solved }) =>
      solved?.stairs.find(({ stair }) => stair === id)?.storeys.find(({ steps }) => steps)?.steps?.goingMm ?? 0,
    toNull: 'As is best again',
  }),
  carriedBy: choice('Carried by', CARRIED_CHOICES),
  hasOpenRisers: check('Open risers', { when: ({ carriedBy }) => carriedBy === 'stringers' }),
  treadMm: length('Treads, thick', { when: ({ carriedBy }) => carriedBy === 'stringers' }),
  chosen: own(OtherWays),
  eyeMm: length('Eye between the flights'),
  floorLandingMm: length('Floor landing in the well'),
  nosingMm: length('Nosing'),
  waistMm: length('Waist'),
  landingMm: length('Landing, thick'),
  finishMm: length('Finish on treads'),
};

/** Fields of a stair, under how each of its storeys is climbed. */
export function StairFields({ record: stair }: { record: Stair }) {
  const run = useProject((project) => project.run);
  return (
    <>
      <Climbed stair={stair} />
      <ThingPanel
        record={stair}
        fields={FIELDS}
        give={(part) => run('stairs.change', { stair: stair.id, ...part })}
        remove="Delete this stair"
      />
    </>
  );
}

function Climbed({ stair }: { stair: Stair }) {
  const { solved, level, display } = useSlice('solved', 'level', 'display');
  const shown = solved?.stairs.find((each) => each.stair === stair.id);
  const here = shown?.storeys.find((each) => each.level === level);
  const write = (mm: number | null) => (mm === null ? '–' : formatLength(Math.round(mm * 10) / 10, display));
  return (
    <div className="flex flex-col gap-1.5">
      {shown && <StairStoreys stair={shown} />}
      {here?.steps && (
        <p className="border-t border-faint pt-1.5 text-[11px] text-ink2">
          Here: pitch {Math.round((here.pitchDeg ?? 0) * 10) / 10}°,
          {here.landingDepthMm === null ? '' : ` landing ${write(here.landingDepthMm)} deep,`} first step{' '}
          {write(here.firstStructuralMm)} and last {write(here.lastStructuralMm)} from structure to structure.
        </p>
      )}
    </div>
  );
}
