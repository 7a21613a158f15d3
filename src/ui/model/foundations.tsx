'use client';

import { useMemo } from 'react';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { Prisms } from './prisms';

interface FoundationsProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Rafts, pads and strips as solids. */
export function Foundations({ solved, building, chosen, colours, onSelect }: FoundationsProps) {
  const pieces = useMemo(
    () =>
      solved.foundations
        .filter((each) => each.building === building)
        .map((each) => ({ ...each, key: `${each.foundation} ${each.under ?? ''}`, id: each.foundation })),
    [solved, building],
  );
  return (
    <Prisms
      pieces={pieces}
      profiles={solved.profiles}
      chosen={chosen}
      colour={colours.walls}
      chosenColour={colours.now}
      onSelect={onSelect}
    />
  );
}
