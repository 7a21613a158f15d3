'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { End } from '@/core/model/fields';
import { LengthField } from '../fields/length-field';
import { LevelOptions, OtherLevels } from './level-options';
import { useSlice } from '../session/store';
import type { EndGiven } from '@/core/levels/end-input';
import { asGiven } from '@/core/dimensions/uses';

const FACES: readonly (readonly [End['face'], string])[] = [
  ['FFL', 'finished floor (FFL)'],
  ['SSL', 'top of slab (SSL)'],
  ['soffit', 'underside of slab'],
];
const BOX =
  'min-w-0 rounded-sm border border-hair bg-sheet px-1.5 py-0.5 disabled:appearance-none disabled:border-transparent disabled:bg-transparent';

/** One end of a vertical element: level, face, and a signed distance. */
export function EndFields({
  label,
  end,
  mayBeCeiling = false,
  mayBeRoof = mayBeCeiling,
  levelOnly = false,
  mayBeOther = false,
  of,
  onChange,
}: {
  label: 'Eaves at' | 'Starts at' | 'Stops at' | 'Top at' | 'At level' | 'There it starts at' | 'There it stops at';
  end: End;
  /** The building whose levels are meant; not given: the one shown. */
  of?: string;
  /** The top of a wall may stop at a ceiling. */
  mayBeCeiling?: boolean;
  /** So may it at a roof; the top of a column too. */
  mayBeRoof?: boolean;
  /** A stair goes from floor to floor. */
  levelOnly?: boolean;
  /** It may lead across to a level of another building. */
  mayBeOther?: boolean;
  onChange: (end: EndGiven) => string | null;
}) {
  const { framework, solved, building, mayEdit, say } = useSlice('framework', 'solved', 'building', 'mayEdit', 'say');
  const levels = (solved?.levels ?? []).filter(
    (level) => level.building === (of ?? building) && (level.bounding || level.id === end.level),
  );
  const given = asGiven(framework, end);
  const change = (part: Pick<Partial<End>, 'level' | 'face'>) => {
    const refusal = onChange({ ...given, ...part });
    if (refusal) say(refusal);
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">{label}</legend>
      <div className="flex items-baseline gap-1.5 pr-6">
        <span className="flex-1 text-ink2" aria-hidden="true">
          {label}
        </span>
        <select
          aria-label={`${label}: level`}
          className={`${BOX} max-w-24`}
          value={end.level}
          disabled={!mayEdit}
          onChange={(event) => change({ level: event.target.value })}
        >
          <LevelOptions levels={levels} />
          {mayBeOther && <OtherLevels than={of ?? building} />}
        </select>
        {!levelOnly && (
          <select
            aria-label={`${label}: face`}
            className={BOX}
            value={end.face}
            disabled={!mayEdit}
            onChange={(event) => change({ face: event.target.value as End['face'] })}
          >
            {[
              ...FACES,
              ...(mayBeCeiling ? ([['ceiling', 'ceiling']] as const) : []),
              ...(mayBeRoof ? ([['roof', 'pitched roof']] as const) : []),
            ].map(([face, words]) => (
              <option key={face} value={face}>
                {words}
              </option>
            ))}
          </select>
        )}
      </div>
      {!levelOnly && (
        <LengthField
          label={end.face === 'roof' ? 'over the roof by (− under it)' : 'over it by (− under it)'}
          valueMm={mmOf(framework, end.offsetMm)}
          disabled={!mayEdit}
          onCommit={(input) => onChange({ ...given, offsetMm: input })}
        />
      )}
    </fieldset>
  );
}
