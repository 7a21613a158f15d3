import { prismsOf, type IfcClass, type IfcTrait } from '../kinds/ifc';
import type { Kind } from '../model/kinds';

/** Bodies of a kind, each as a class with its volume. */
export const bodiesInIfc = (kind: Kind, entity: IfcClass, predefined: string, set: string): IfcTrait => ({
  products: ({ solved, level }) =>
    solved.bodies
      .filter((body) => body.kind === kind && body.level === level.id)
      .map((body) => ({
        entity,
        globalId: [kind, body.thing, level.id],
        key: `${body.thing} ${level.id}`,
        name: body.name,
        predefined,
        tag: body.thing,
        stand: { bottomMm: body.bottomMm },
        shape: prismsOf(solved.profiles[body.profile]!, body.topMm - body.bottomMm),
        quantities: {
          set,
          values: [
            ['VOLUME', 'GrossVolume', body.grossMm3 / 1e9],
            ['VOLUME', 'NetVolume', body.volumeMm3 / 1e9],
          ],
        },
        material: body.material,
      })),
});
