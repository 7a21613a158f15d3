'use client';

import { useState } from 'react';
import { GROSS_TO, limitsOf, type GrossTo } from '@/core/levels/limits';
import { formatArea, formatLength } from '@/core/units/format-length';
import { ChoiceField } from '../../fields/fields';
import { useSlice } from '../../session/store';

const TO: readonly (readonly [GrossTo, string])[] = GROSS_TO.map((to) => [to, to]);

/** Overall height, highest occupied floor and floor areas of the building, each with how it is measured. */
export function LimitsHere() {
  const { solved, building, display } = useSlice('solved', 'building', 'display');
  const [to, setTo] = useState<GrossTo>('outer faces');
  const limits = solved && building ? limitsOf(solved, building) : null;
  if (!limits) return null;
  const { toOuterFaces, toSlabEdges, slabs, rooms, byUse } = limits.areas;
  const uses = [...byUse].filter(([use]) => use !== '').sort(([a], [b]) => (a < b ? -1 : 1));
  const rows: [string, string][] = [
    [`Overall height, to ${limits.top}`, formatLength(limits.overallMm, display)],
    ...(limits.occupiedMm === null
      ? []
      : [[`Highest occupied floor, ${limits.occupied}`, formatLength(limits.occupiedMm, display)] as [string, string]]),
    ['Gross floor area, roofs apart', formatArea(to === 'outer faces' ? toOuterFaces : toSlabEdges, display)],
    ['Slabs without their holes', formatArea(slabs, display)],
    ...(rooms > 0 ? [['Net, within walls', formatArea(rooms, display)] as [string, string]] : []),
    ...uses.map(([use, mm2]): [string, string] => [`of it ${use}`, formatArea(mm2, display)]),
  ];
  return (
    <>
      <dl aria-label="Limits" className="border-t border-faint pt-2">
        {rows.map(([words, value]) => (
          <div key={words} className="flex justify-between gap-2">
            <dt className="text-ink2">{words}</dt>
            <dd className="figures">{value}</dd>
          </div>
        ))}
      </dl>
      <ChoiceField label="Gross is measured to" value={to} choices={TO} onChoose={setTo} />
    </>
  );
}
