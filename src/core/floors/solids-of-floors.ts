import type { Solids } from '../kinds/solids';

const LOOK = { colour: 'slabs', edges: 'walls', marksLevel: true } as const;

/** Slabs less their holes, zones as slabs of their own. */
export const floorSolids: Solids = {
  of: ({ floors }, building) =>
    floors
      .filter((piece) => piece.building === building)
      .map(({ plate, level, zone, profile, topMm, thicknessMm }, i) => ({
        key: `${plate} ${level} ${zone ? `${zone.id} ${i}` : ''}`,
        id: plate,
        level,
        look: LOOK,
        form: { profile, bottomMm: topMm - thicknessMm, heightMm: thicknessMm },
      })),
};
