'use client';

import type { Id } from '@/core/model/ids';
import type { StripRoof } from './layout-strip';

/** Pitched roofs over the levels of the strip: from their eaves up to their ridge. `from`, `to`: where the lines of levels begin and end, px. */
export function StripRoofs({
  roofs,
  from,
  to,
  selection,
  onSelect,
}: {
  roofs: readonly StripRoof[];
  from: number;
  to: number;
  selection: readonly Id[];
  onSelect: (ids: Id[]) => void;
}) {
  return roofs.map(({ id, label, eavesY, ridgeY }) => (
    <g key={id} onClick={() => onSelect([id])} className="cursor-pointer">
      <title>{label}</title>
      <path
        d={`M${from} ${eavesY}L${(from + to) / 2} ${ridgeY}L${to} ${eavesY}`}
        fill="none"
        stroke={selection.includes(id) ? 'var(--color-now)' : 'var(--color-roofs)'}
        strokeWidth="2"
        strokeLinejoin="round"
      />
    </g>
  ));
}
