'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import { recordsOf } from '@/core/model/framework';
import { ActionButton, AngleField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { asGiven } from '@/core/dimensions/uses';

const NO_SURVEY = { eastingMm: 0, northingMm: 0, heightMm: 0, trueNorthDeg: 0 };

/** Survey coordinates of the project's zero, its height above the survey datum, and true north. */
export function SurveyFields() {
  const { framework, run } = useSlice('framework', 'run');
  const [isOpen, setOpen] = useState(false);
  const survey = recordsOf(framework, 'project')[0]?.survey ?? null;
  const now = survey ?? NO_SURVEY;
  const change = (part: Partial<CommandInputs['project.setSurvey']>): string | null =>
    run('project.setSurvey', { ...asGiven(framework, now), ...part });
  return (
    <details className="border-t border-faint pt-2.5">
      <summary className="font-semibold">Survey{survey ? '' : ', not said yet'}</summary>
      <div className="flex flex-col gap-1.5 pt-2">
        {survey || isOpen ? (
          <>
            <p className="text-ink2">Of the site’s zero, from which buildings are placed.</p>
            {(
              [
                ['eastingMm', 'Easting'],
                ['northingMm', 'Northing'],
                ['heightMm', 'Above the survey datum'],
              ] as const
            ).map(([field, words]) => (
              <LengthField
                key={field}
                label={words}
                valueMm={mmOf(framework, now[field])}
                onCommit={(length) => change({ [field]: length })}
              />
            ))}
            <AngleField
              label="True north, from up"
              valueDeg={now.trueNorthDeg}
              onCommit={(degrees) => change({ trueNorthDeg: degrees })}
            />
          </>
        ) : (
          <ActionButton onClick={() => setOpen(true)}>Say where the site stands</ActionButton>
        )}
      </div>
    </details>
  );
}
