import type { Solids } from '../kinds/solids';

const LOOK = { colour: 'walls' } as const;

export const foundationSolids: Solids = {
  of: ({ foundations }, building) =>
    foundations
      .filter((piece) => piece.building === building)
      .map(({ foundation, level, under, profile, bottomMm, topMm }) => ({
        key: `${foundation} ${under ?? ''}`,
        id: foundation,
        level,
        look: LOOK,
        form: { profile, bottomMm, heightMm: topMm - bottomMm },
      })),
};
