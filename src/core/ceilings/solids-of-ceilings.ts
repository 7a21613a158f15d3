import type { Solids } from '../kinds/solids';

const LOOK = { colour: 'roofs' } as const;

export const ceilingSolids: Solids = {
  of: ({ ceilings }, building) =>
    ceilings
      .filter((piece) => piece.building === building)
      .map(({ ceiling, level, room, profile, bottomMm, topMm }, i) => ({
        key: `${ceiling} ${level} ${room ?? i}`,
        id: ceiling,
        level,
        look: LOOK,
        form: { profile, bottomMm, heightMm: topMm - bottomMm },
      })),
};
