import type { Solids } from '../kinds/solids';

const LOOK = { colour: 'sheet', edges: 'walls' } as const;
const GLASS = { colour: 'shafts', edges: 'walls', opacity: 0.35 } as const;

/** Walls in slices between the heights of their openings. */
export const wallSolids: Solids = {
  of: ({ walls }, building) =>
    walls
      .filter((piece) => piece.building === building)
      .flatMap(({ wall, level, use, slices }) =>
        slices.map(({ profile, bottomMm, topMm }) => ({
          key: `${wall} ${level} ${bottomMm}`,
          id: wall,
          level,
          look: use === 'glazed' ? GLASS : LOOK,
          form: { profile, bottomMm, heightMm: topMm - bottomMm },
        })),
      ),
};
