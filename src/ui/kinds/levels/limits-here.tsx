'use client';

import { limitsOf } from '@/core/levels/limits';
import { formatArea, formatLength } from '@/core/units/format-length';
import { useSlice } from '../../session/store';

/** Overall height, highest occupied floor and floor areas of the building. */
export function LimitsHere() {
  const { solved, building, display } = useSlice('solved', 'building', 'display');
  const limits = solved && building ? limitsOf(solved, building) : null;
  if (!limits) return null;
  const rows: [string, string][] = [
    [`Overall height, to ${limits.top}`, formatLength(limits.overallMm, display)],
    ...(limits.occupiedMm === null
      ? []
      : [[`Highest occupied floor, ${limits.occupied}`, formatLength(limits.occupiedMm, display)] as [string, string]]),
    ['Gross floor area', formatArea(limits.grossMm2, display)],
    ['Net of shafts', formatArea(limits.netMm2, display)],
  ];
  return (
    <dl aria-label="Limits" className="border-t border-faint pt-2">
      {rows.map(([words, value]) => (
        <div key={words} className="flex justify-between gap-2">
          <dt className="text-ink2">{words}</dt>
          <dd className="figures">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
