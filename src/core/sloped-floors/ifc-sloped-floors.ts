import type { IfcTrait } from '../kinds/ifc';
import { assembliesOf } from '../slants/assembly';
import { loweredSlants, volumeOfSlant } from '../slants/slant';

/** Sloped floors as slabs of their faces. */
export const slopedFloorsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'slopedFloor')
      .filter((each) => each.level === level.id)
      .map(({ thing, name, bottomMm, parts }) => {
        const slants = parts.flatMap((part) => part.slants);
        return {
          entity: 'IFCSLAB',
          globalId: { own: thing },
          key: thing,
          name,
          predefined: 'FLOOR',
          tag: thing,
          stand: { bottomMm },
          shape: { slants: loweredSlants(slants, bottomMm) },
          quantities: {
            set: 'Qto_SlabBaseQuantities',
            values: [['VOLUME', 'NetVolume', slants.reduce((sum, each) => sum + volumeOfSlant(each), 0) / 1e9]],
          },
        };
      }),
};
