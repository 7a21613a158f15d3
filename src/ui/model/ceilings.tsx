'use client';

import { useMemo } from 'react';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { Prisms } from './prisms';

interface CeilingsProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Ceilings as thin solids. */
export function Ceilings({ solved, building, chosen, colours, onSelect }: CeilingsProps) {
  const pieces = useMemo(
    () =>
      solved.ceilings
        .filter((each) => each.building === building)
        .map((each, i) => ({ ...each, key: `${each.ceiling} ${each.level} ${each.room ?? i}`, id: each.ceiling })),
    [solved, building],
  );
  return (
    <Prisms
      pieces={pieces}
      profiles={solved.profiles}
      chosen={chosen}
      colour={colours.roofs}
      chosenColour={colours.now}
      onSelect={onSelect}
    />
  );
}
