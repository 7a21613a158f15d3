import type { IfcTrait } from '../kinds/ifc';
import { assembliesOf } from '../slants/assembly';
import { loweredSlants } from '../slants/slant';

/** Layers of falls as coverings of roofs, with their kerbs and gutters. */
export const fallsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'fallLayer')
      .filter((each) => each.level === level.id)
      .map(({ thing, name, bottomMm, parts, info }) => ({
        entity: 'IFCCOVERING',
        globalId: { own: thing },
        key: thing,
        name,
        predefined: 'ROOFING',
        tag: thing,
        stand: { bottomMm },
        shape: {
          slants: loweredSlants(
            parts.flatMap(({ slants }) => slants),
            bottomMm,
          ),
        },
        quantities: {
          set: 'Qto_CoveringBaseQuantities',
          values: [['AREA', 'NetArea', info.areaMm2 / 1e6]],
        },
      })),
};
