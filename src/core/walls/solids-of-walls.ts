import type { SolidLook, Solids } from '../kinds/solids';
import { standingBetween } from './members';
import { assembliesOf } from '../slants/assembly';

const LOOK: SolidLook = { colour: 'sheet', edges: 'walls' };
const GLASS: SolidLook = { colour: 'shafts', edges: 'walls', opacity: 0.35 };
const lookOf = (use: string): SolidLook => (use === 'glazed' ? GLASS : LOOK);

/** Walls in slices between the heights of their openings, and what of them goes up to a roof. */
export const wallSolids: Solids = {
  of: ({ walls, assemblies }, building) => [
    ...walls
      .filter((piece) => piece.building === building)
      .flatMap(({ wall, level, use, slices, members, openings }) => [
        ...slices.flatMap(({ bottomMm, topMm }) =>
          standingBetween(members, openings, bottomMm, topMm).map((ring, i) => ({
            key: `${wall} ${level} ${bottomMm} member ${i}`,
            id: wall,
            level,
            look: LOOK,
            form: { ring, bottomMm, heightMm: topMm - bottomMm },
          })),
        ),
        ...slices.map(({ profile, bottomMm, topMm }) => ({
          key: `${wall} ${level} ${bottomMm}`,
          id: wall,
          level,
          look: lookOf(use),
          form: { profile, bottomMm, heightMm: topMm - bottomMm },
        })),
      ]),
    ...assembliesOf(assemblies, 'wallTop')
      .filter((top) => top.building === building)
      .flatMap(({ thing, level, parts, info }) =>
        parts.map(({ slants }, i) => ({
          key: `${thing} ${level} up to a roof ${i}`,
          id: thing,
          level,
          look: lookOf(info.use),
          form: { slants },
        })),
      ),
  ],
};
