'use client';

import type { Change } from '@/core/commands/command-inputs';
import { none } from '@/core/kinds/kind';
import { RULE_SETS, STAIR_RULES } from '@/core/stairs/rule-sets';
import type { Stair } from '@/core/stairs/stair';
import { formatLength } from '@/core/units/format-length';
import {
  BUILDING,
  choice,
  end,
  ID,
  KIND,
  length,
  numberChoice,
  outline,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { useProject, useSlice } from '../../session/store';
import { StairStoreys } from './stair-storeys';
import { ENTRY_CHOICES, OPENING_CHOICES, TURN_CHOICES } from './stair-words';
import { ThingPanel } from '../../details/thing-panel';

const FIELDS: FieldsOf<Stair, Change<'stairs.change', 'stair'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  form: none('There is one form'),
  well: outline('Well', ['Well, wide', 'Well, deep']),
  widthMm: length('Flight, wide', {
    ifNull: ({ id }, { solved }) => solved?.stairs.find(({ stair }) => stair === id)?.flightWidthMm ?? 0,
    toNull: 'Half the well again',
  }),
  entry: numberChoice(
    'One comes in from',
    ENTRY_CHOICES.map(([side, words]) => [Number(side), words] as const),
  ),
  turn: choice('Going up one turns', TURN_CHOICES),
  rules: choice(
    'Rule set',
    RULE_SETS.map((key) => [key, STAIR_RULES[key].title] as const),
  ),
  opening: choice('Opening in the slabs', OPENING_CHOICES),
  startsAt: end('Starts at', { levelOnly: true }),
  stopsAt: end('Stops at', { levelOnly: true }),
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
          Here: pitch {Math.round((here.pitchDeg ?? 0) * 10) / 10}°, half landing {write(here.landingDepthMm)} deep,
          first step {write(here.firstStructuralMm)} and last {write(here.lastStructuralMm)} from structure to
          structure.
        </p>
      )}
    </div>
  );
}
