import type { Solids } from '../kinds/solids';

const LOOK = { colour: 'columns' } as const;

/** Columns storey by storey, heads and thickenings among them. */
export const columnSolids: Solids = {
  of: ({ columns, blocks }, building) => [
    ...columns
      .filter((piece) => piece.building === building)
      .map(({ stack, level, section, at, turnDeg, bottomMm, topMm }) => ({
        key: `${stack} ${level}`,
        id: stack,
        level,
        look: LOOK,
        form: { section, at, turnDeg, bottomMm, heightMm: topMm - bottomMm },
      })),
    ...blocks
      .filter((block) => block.building === building)
      .map(({ stack, level, block, widthMm, depthMm, at, turnDeg, bottomMm, topMm }) => ({
        key: `${stack} ${level} ${block}`,
        id: stack,
        level,
        look: LOOK,
        form: {
          section: { shape: 'rectangle' as const, widthMm, depthMm },
          at,
          turnDeg,
          bottomMm,
          heightMm: topMm - bottomMm,
        },
      })),
  ],
};
