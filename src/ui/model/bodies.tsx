'use client';

import { useMemo } from 'react';
import { facet } from '@/core/kinds/kind';
import { definitionOf } from '@/core/kinds/registry';
import type { ViewKind } from '@/core/kinds/view-kinds';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { Prisms } from './prisms';

interface BodiesProps {
  solved: Solved;
  building: Id;
  hidden: ReadonlySet<ViewKind>;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Beams and other bodies as solids. */
export function Bodies({ solved, building, hidden, chosen, colours, onSelect }: BodiesProps) {
  const pieces = useMemo(
    () =>
      solved.bodies
        .filter(({ kind }) => {
          const shown = facet(definitionOf(kind).shownAs);
          return !shown || !hidden.has(shown.kind);
        })
        .filter((each) => each.building === building)
        .map((each) => ({ ...each, key: `${each.thing} ${each.level}`, id: each.thing })),
    [solved, building, hidden],
  );
  return (
    <Prisms
      pieces={pieces}
      profiles={solved.profiles}
      chosen={chosen}
      colour={colours.columns}
      chosenColour={colours.now}
      onSelect={onSelect}
    />
  );
}
