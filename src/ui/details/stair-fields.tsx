'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { RULE_SETS, STAIR_RULES } from '@/core/stairs/rule-sets';
import type { Stair } from '@/core/stairs/stair';
import { formatLength } from '@/core/units/format-length';
import { ActionButton, ChoiceField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useSlice } from '../session/store';
import { StairStoreys } from '../stairs/stair-storeys';
import { ENTRY_CHOICES, OPENING_CHOICES, TURN_CHOICES } from '../stairs/stair-words';
import { LevelSpan } from '../tools/level-span';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';
import type { Change } from '@/core/model/command-inputs';
import { asGiven } from '@/core/dimensions/uses';

const SIZES = [
  ['eyeMm', 'Eye between the flights'],
  ['floorLandingMm', 'Floor landing in the well'],
  ['nosingMm', 'Nosing'],
  ['waistMm', 'Waist'],
  ['landingMm', 'Landing, thick'],
  ['finishMm', 'Finish on treads'],
] as const;

/** Fields of a stair, with how each of its storeys is climbed. */
export function StairFields({ stair }: { stair: Stair }) {
  const { framework, solved, level, display, run, say, mayEdit } = useSlice(
    'framework',
    'solved',
    'level',
    'display',
    'run',
    'say',
    'mayEdit',
  );
  const change = (part: Change<'stairs.change', 'stair'>) => run('stairs.change', { stair: stair.id, ...part });
  const attempt = (part: Record<string, unknown>) => {
    const refusal = change(part);
    if (refusal) say(refusal);
  };
  const shown = solved?.stairs.find((each) => each.stair === stair.id);
  const here = shown?.storeys.find((each) => each.level === level);
  const { well } = stair;
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
      <TextField label="Name" value={stair.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      {well.type === 'rectangle' &&
        (['widthMm', 'depthMm'] as const).map((field) => (
          <LengthField
            key={field}
            label={field === 'widthMm' ? 'Well, wide' : 'Well, deep'}
            valueMm={mmOf(framework, well[field])}
            disabled={!mayEdit}
            onCommit={(length) => change({ well: { ...asGiven(framework, well), [field]: length } })}
          />
        ))}
      <LengthField
        label="Flight, wide"
        valueMm={stair.widthMm === null ? (shown?.flightWidthMm ?? 0) : mmOf(framework, stair.widthMm)}
        disabled={!mayEdit}
        onCommit={(widthMm) => change({ widthMm })}
      />
      {stair.widthMm !== null && mayEdit && (
        <ActionButton onClick={() => attempt({ widthMm: null })}>Half the well again</ActionButton>
      )}
      <ChoiceField
        label="One comes in from"
        value={String(stair.entry) as '0'}
        disabled={!mayEdit}
        choices={ENTRY_CHOICES}
        onChoose={(entry) => attempt({ entry: Number(entry) })}
      />
      <ChoiceField
        label="Going up one turns"
        value={stair.turn}
        disabled={!mayEdit}
        choices={TURN_CHOICES}
        onChoose={(turn) => attempt({ turn })}
      />
      <ChoiceField
        label="Rule set"
        value={stair.rules}
        disabled={!mayEdit}
        choices={RULE_SETS.map((key) => [key, STAIR_RULES[key].title] as const)}
        onChoose={(rules) => attempt({ rules })}
      />
      <ChoiceField
        label="Opening in the slabs"
        value={stair.opening}
        disabled={!mayEdit}
        choices={OPENING_CHOICES}
        onChoose={(opening) => attempt({ opening })}
      />
      <fieldset disabled={!mayEdit} className="flex flex-col gap-1.5">
        <LevelSpan
          from={stair.startsAt.level}
          to={stair.stopsAt.level}
          onChange={({ from, to }) =>
            attempt({
              ...(from ? { startsAt: { level: from } } : {}),
              ...(to ? { stopsAt: { level: to } } : {}),
            })
          }
        />
      </fieldset>
      {SIZES.map(([field, label]) => (
        <LengthField
          key={field}
          label={label}
          valueMm={mmOf(framework, stair[field])}
          disabled={!mayEdit}
          onCommit={(length) => change({ [field]: length })}
        />
      ))}
      <InPlanFields ids={[stair.id]} />
      <DeleteButton id={stair.id}>Delete this stair</DeleteButton>
    </div>
  );
}
