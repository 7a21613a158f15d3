'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { End } from '@/core/model/fields';
import { ChoiceField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useProject } from '../session/store';

const FACES = [
  ['FFL', 'FFL'],
  ['SSL', 'SSL'],
  ['soffit', 'soffit'],
] as const;

/** One end of a vertical element: level, face, and a signed distance. */
export function EndFields({
  label,
  end,
  onChange,
}: {
  label: 'Starts at' | 'Stops at';
  end: End;
  onChange: (end: End) => string | null;
}) {
  const { framework, solved, building, mayEdit, say } = useProject((project) => project);
  const levels = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const change = (part: Partial<End>) => {
    const refusal = onChange({ ...end, ...part });
    if (refusal) say(refusal);
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">{label}</legend>
      <ChoiceField
        label={label}
        value={end.level}
        disabled={!mayEdit}
        choices={[...levels].reverse().map(({ id, name, title }) => [id, title ? `${name} ${title}` : name] as const)}
        onChoose={(level) => change({ level })}
      />
      <ChoiceField
        label={`${label}: face`}
        value={end.face}
        disabled={!mayEdit}
        choices={FACES}
        onChoose={(face) => change({ face })}
      />
      <LengthField
        label={`${label}: distance above it`}
        valueMm={mmOf(framework, end.offsetMm)}
        disabled={!mayEdit}
        onCommit={(input) => onChange({ ...end, offsetMm: input as number })}
      />
    </fieldset>
  );
}
