'use client';

import { EXTEND_KINDS, type ExtendKind } from '@/core/carrying/keep-storeys';
import { CARRY_WORDS } from '@/core/carrying/carried';
import { recordsOf } from '@/core/model/framework';
import { openingCarriedAs, wallCarriedAs } from '@/core/walls/carried-as';
import { CheckField } from '../../fields/fields';
import { useSlice } from '../../session/store';

/** Which walls, doors and windows go on into a storey that is inserted: of those kinds there are. */
export function ExtendChoice({
  value,
  several = false,
  onChange,
}: {
  value: readonly ExtendKind[];
  several?: boolean;
  onChange: (value: ExtendKind[]) => void;
}) {
  const { framework, building } = useSlice('framework', 'building');
  const walls = recordsOf(framework, 'wall').filter((wall) => wall.building === building);
  const there = new Set<string>(
    walls.flatMap((wall) => [wallCarriedAs(wall), ...wall.openings.map((opening) => openingCarriedAs(wall, opening))]),
  );
  const kinds = EXTEND_KINDS.filter((kind) => there.has(kind));
  if (kinds.length === 0) return null;
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 gap-y-1">
      <legend className="text-ink2">Goes on into the new {several ? 'storeys' : 'storey'}</legend>
      {kinds.map((kind) => (
        <CheckField
          key={kind}
          label={CARRY_WORDS.get(kind)!}
          value={value.includes(kind)}
          onChange={(is) => onChange(is ? [...value, kind] : value.filter((each) => each !== kind))}
        />
      ))}
    </fieldset>
  );
}
