import { flag, identifier, prismsOf, type IfcTrait } from '../kinds/ifc';
import type { Id } from '../model/ids';
import { assembliesOf } from '../slants/assembly';
import { loweredSlants } from '../slants/slant';

/** Ceilings as coverings of the storey they hang in, one for each room. */
export const ceilingsInIfc: IfcTrait = {
  products: ({ solved, level }) => {
    const known = new Map<Id, number>();
    return solved.ceilings
      .filter((piece) => piece.level === level.id)
      .map((piece) => {
        // A room keeps its id; regions without a name are told apart by their order.
        const nth = known.get(piece.ceiling) ?? 0;
        if (piece.room === null) known.set(piece.ceiling, nth + 1);
        const place = piece.room ?? String(nth);
        const thicknessMm = piece.topMm - piece.bottomMm;
        const profile = solved.profiles[piece.profile]!;
        return {
          entity: 'IFCCOVERING',
          globalId: ['ceiling', piece.ceiling, level.id, place],
          key: `${piece.ceiling} ${level.id} ${place}`,
          name: piece.name,
          predefined: 'CEILING',
          tag: piece.ceiling,
          stand: { bottomMm: piece.bottomMm },
          shape: prismsOf(profile, thicknessMm),
          properties: { Pset_CoveringCommon: { Reference: identifier(piece.name), IsExternal: flag(false) } },
          quantities: {
            set: 'Qto_CoveringBaseQuantities',
            values: [
              ['LENGTH', 'Width', thicknessMm],
              ['AREA', 'NetArea', profile.areaMm2 / 1e6],
              ['VOLUME', 'GrossVolume', piece.grossMm3 / 1e9],
              ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
            ],
          },
        };
      });
  },
};

/** Ceilings under roofs as coverings with their slopes. */
export const roofCeilingsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'roofCeiling')
      .filter((each) => each.level === level.id)
      .map(({ thing, name, bottomMm, parts, info }, i) => ({
        entity: 'IFCCOVERING',
        globalId: ['ceiling under a roof', `${thing} ${level.id} ${i}`],
        key: `${thing} ${level.id} roof ${i}`,
        name,
        predefined: 'CEILING',
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
          values: [['VOLUME', 'NetVolume', info.volumeMm3 / 1e9]],
        },
      })),
};
