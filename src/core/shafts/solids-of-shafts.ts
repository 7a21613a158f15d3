import type { Solids } from '../kinds/solids';

const LOOK = { colour: 'shafts', opacity: 0.5 } as const;

/** Shafts as their free space, outline by outline. */
export const shaftSolids: Solids = {
  of: ({ shafts }, building) =>
    shafts
      .filter((shaft) => shaft.building === building && shaft.topMm > shaft.bottomMm)
      .flatMap(({ shaft, stages }) =>
        stages.map(({ ring, bottomMm, topMm }) => ({
          key: `${shaft} ${bottomMm}`,
          id: shaft,
          level: null,
          look: LOOK,
          form: { ring, bottomMm, heightMm: topMm - bottomMm },
        })),
      ),
};
