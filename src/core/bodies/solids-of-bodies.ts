import type { Solids } from '../kinds/solids';
import type { Kind } from '../model/kinds';

const LOOK = { colour: 'columns' } as const;

/** Bodies of a kind. */
export const bodySolids = (kind: Kind): Solids => ({
  of: ({ bodies }, building) =>
    bodies
      .filter((body) => body.kind === kind && body.building === building)
      .map(({ thing, level, profile, bottomMm, topMm }) => ({
        key: `${thing} ${level}`,
        id: thing,
        level,
        look: LOOK,
        form: { profile, bottomMm, heightMm: topMm - bottomMm },
      })),
});
