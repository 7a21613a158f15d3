import { bounds } from '../geometry/polygon';
import { flag, identifier, type IfcTrait } from '../kinds/ifc';
import type { Solved, SolvedLevel, SolvedShaft } from '../solving/solved';

/** The storey a shaft stands in: the highest whose slab lies under its foot, else the lowest level. */
function footOf(shaft: SolvedShaft, { levels }: Solved): SolvedLevel | undefined {
  const own = levels.filter(({ building }) => building === shaft.building);
  return own.filter(({ bounding, sslMm }) => bounding && sslMm <= shaft.bottomMm + 1).at(-1) ?? own[0];
}

/** Shafts as spaces of the storey they stand in. */
export const shaftsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    solved.shafts
      .filter((shaft) => shaft.topMm > shaft.bottomMm && footOf(shaft, solved)?.id === level.id)
      .map((shaft) => {
        const box = bounds(shaft.ring);
        return {
          entity: 'IFCSPACE',
          globalId: { own: shaft.shaft },
          key: shaft.shaft,
          name: shaft.name,
          objectType: 'Shaft',
          predefined: 'INTERNAL',
          tag: shaft.shaft,
          more: { LongName: `Shaft ${shaft.name}, ${shaft.purpose}` },
          stand: { bottomMm: shaft.bottomMm },
          shape: {
            prisms: shaft.stages.map(({ ring, bottomMm, topMm }) => ({
              outer: ring,
              holes: [],
              depthMm: topMm - bottomMm,
              overFootMm: bottomMm - shaft.bottomMm,
            })),
          },
          properties: { Pset_SpaceCommon: { Reference: identifier(shaft.purpose), IsExternal: flag(false) } },
          quantities: {
            set: 'Qto_SpaceBaseQuantities',
            values: [
              ['LENGTH', 'Height', shaft.topMm - shaft.bottomMm],
              ['LENGTH', 'GrossPerimeter', 2 * (box.maxX - box.minX + box.maxY - box.minY)],
            ],
          },
        };
      }),
};
