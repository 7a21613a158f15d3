'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { SHAFT_PURPOSES, type Shaft } from '@/core/shafts/shaft';
import { formatLength } from '@/core/units/format-length';
import { CheckField, ChoiceField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useSlice } from '../session/store';
import { EndFields } from './end-fields';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';
import { ShaftExceptions } from './shaft-exceptions';
import type { Change } from '@/core/model/command-inputs';
import { asGiven } from '@/core/dimensions/uses';

/** Fields of a shaft, with the slabs it cuts and those it just misses. */
export function ShaftFields({ shaft }: { shaft: Shaft }) {
  const { framework, solved, display, run, say, mayEdit } = useSlice(
    'framework',
    'solved',
    'display',
    'run',
    'say',
    'mayEdit',
  );
  const change = (part: Change<'shafts.change', 'shaft'>) => run('shafts.change', { shaft: shaft.id, ...part });
  const attempt = (part: Record<string, unknown>) => {
    const refusal = change(part);
    if (refusal) say(refusal);
  };
  const { outline } = shaft;
  const shape = solved?.shafts.find((candidate) => candidate.shaft === shaft.id);
  const levelName = (id: string) => solved?.levels.find((level) => level.id === id)?.name ?? '';
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Name" value={shaft.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      <ChoiceField
        label="Purpose"
        value={shaft.purpose}
        disabled={!mayEdit}
        choices={SHAFT_PURPOSES.map((purpose) => [purpose, purpose] as const)}
        onChoose={(purpose) => attempt({ purpose })}
      />
      {outline.type === 'rectangle' && (
        <>
          <LengthField
            label="Width"
            valueMm={mmOf(framework, outline.widthMm)}
            disabled={!mayEdit}
            onCommit={(widthMm) => change({ outline: { ...asGiven(framework, outline), widthMm } })}
          />
          <LengthField
            label="Depth"
            valueMm={mmOf(framework, outline.depthMm)}
            disabled={!mayEdit}
            onCommit={(depthMm) => change({ outline: { ...asGiven(framework, outline), depthMm } })}
          />
        </>
      )}
      {outline.type === 'circle' && (
        <LengthField
          label="Diameter"
          valueMm={mmOf(framework, outline.diameterMm)}
          disabled={!mayEdit}
          onCommit={(diameterMm) => change({ outline: { ...asGiven(framework, outline), diameterMm } })}
        />
      )}
      <EndFields label="Starts at" end={shaft.startsAt} onChange={(startsAt) => change({ startsAt })} />
      <CheckField
        label="Opens the slab at its foot"
        value={shaft.opensFoot}
        disabled={!mayEdit}
        onChange={(opensFoot) => attempt({ opensFoot })}
      />
      <EndFields label="Stops at" end={shaft.stopsAt} onChange={(stopsAt) => change({ stopsAt })} />
      <CheckField
        label="Goes out through the slab at its head"
        value={shaft.opensHead}
        disabled={!mayEdit}
        onChange={(opensHead) => attempt({ opensHead })}
      />
      <p className="border-t border-faint pt-1.5 text-ink2">
        Cuts {shape?.cuts.length ?? 0} slabs:{' '}
        <span className="figures">{shape?.cuts.map(({ level }) => levelName(level)).join(' ') || 'none'}</span>
      </p>
      {shape?.misses.map((miss) => (
        <p key={`${miss.plate} ${miss.level}`} className="text-wrong">
          Just misses the slab at {levelName(miss.level)} by {formatLength(miss.byMm, display)}
        </p>
      ))}
      <ShaftExceptions shaft={shaft} />
      <InPlanFields ids={[shaft.id]} />
      <DeleteButton id={shaft.id}>Delete this shaft</DeleteButton>
    </div>
  );
}
