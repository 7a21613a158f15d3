import { defineSpacePart, type InSpace } from '../kinds/in-space';
import type { SolvedShaft } from '../solving/solved';
import { shaftsPass } from './shaft-passes';

/** Purposes for which a stair may stand in one. */
const FOR_STAIRS = ['stair', 'void'];

/** The free space of shafts, that others must keep out of; they own none. */
export const shaftsInSpace: InSpace = {
  parts: [
    defineSpacePart<SolvedShaft>({
      pass: shaftsPass,
      solids: ({ shaft, name, purpose, stages, levels }, shapes) =>
        (FOR_STAIRS.includes(purpose) ? [] : stages).map(({ ring, bottomMm, topMm }) => ({
          thing: shaft,
          name,
          level: levels[0] ?? '',
          rank: 'shaft',
          shape: shapes.ofRing(ring),
          bottomMm,
          topMm,
        })),
    }),
  ],
};
