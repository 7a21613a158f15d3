import type { IfcTrait } from '../kinds/ifc';
import { assembliesOf } from '../slants/assembly';
import { loweredSlants } from '../slants/slant';

/** Guards as railings, one at each level. */
export const guardsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'guard')
      .filter((each) => each.level === level.id)
      .map(({ thing, name, bottomMm, parts, info }) => ({
        entity: 'IFCRAILING',
        globalId: ['guard', thing, level.id],
        key: `guard ${thing} ${level.id}`,
        name: `${name} ${level.name}`,
        predefined: info.is === 'guard' ? 'GUARDRAIL' : 'HANDRAIL',
        tag: thing,
        stand: { bottomMm },
        shape: {
          slants: loweredSlants(
            parts.flatMap(({ slants }) => slants),
            bottomMm,
          ),
        },
        quantities: { set: 'Qto_RailingBaseQuantities', values: [['LENGTH', 'Length', info.lengthMm]] },
      })),
};
