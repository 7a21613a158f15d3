'use client';

import type { Id } from '@/core/model/ids';
import type { PitchedForm } from '@/core/pitched-roofs/solve-pitched-roof';
import type { StripRoof } from './layout-strip';

/** What a roof looks like from the side: parts of the way along, and of the way from its eaves up to its ridge. */
function profileOf(form: PitchedForm): readonly (readonly [along: number, up: number])[] {
  if (form === 'butterfly')
    return [
      [0, 1],
      [0.5, 0],
      [1, 1],
    ];
  if (form === 'sawtooth')
    return [0, 1 / 3, 2 / 3].flatMap((from): [number, number][] => [
      [from, 0],
      [from + 1 / 3, 1],
      [from + 1 / 3, 0],
    ]);
  return form === 'mono'
    ? [
        [0, 0],
        [1, 1],
        [1, 0],
      ]
    : [
        [0, 0],
        [0.5, 1],
        [1, 0],
      ];
}

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
  return roofs.map(({ id, label, eavesY, ridgeY, form }) => (
    <g key={id} onClick={() => onSelect([id])} className="cursor-pointer">
      <title>{label}</title>
      <path
        d={`M${profileOf(form)
          .map(([along, up]) => `${from + along * (to - from)} ${eavesY + up * (ridgeY - eavesY)}`)
          .join('L')}`}
        fill="none"
        stroke={selection.includes(id) ? 'var(--color-now)' : 'var(--color-roofs)'}
        strokeWidth="2"
        strokeLinejoin="round"
      />
    </g>
  ));
}
