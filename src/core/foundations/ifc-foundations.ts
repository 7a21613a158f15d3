import { flag, prismsOf, type IfcTrait, type Measure } from '../kinds/ifc';
import { recordOf } from '../model/framework';

const FOOTINGS = { pads: 'PAD_FOOTING', strips: 'STRIP_FOOTING' } as const;

const real = (value: number): Measure => ({ measure: 'IFCREAL', value });

/** Rafts as base slabs, pads and strips as footings, of the storey their top is held to. */
export const foundationsInIfc: IfcTrait = {
  products: ({ framework, solved, level }) =>
    solved.foundations
      .filter((piece) => piece.level === level.id)
      .map((piece) => {
        const { form } = piece;
        const thicknessMm = piece.topMm - piece.bottomMm;
        const { subgradeKnM3, restrained } = recordOf(framework, 'foundation', piece.foundation)!;
        return {
          entity: form === 'raft' ? 'IFCSLAB' : 'IFCFOOTING',
          globalId: ['foundation', piece.foundation, piece.under ?? ''],
          key: `${piece.foundation} ${piece.under ?? ''}`,
          name: piece.name,
          objectType: form,
          predefined: form === 'raft' ? 'BASESLAB' : FOOTINGS[form],
          tag: piece.foundation,
          stand: { bottomMm: piece.bottomMm },
          shape: prismsOf(solved.profiles[piece.profile]!, thicknessMm),
          material: piece.material,
          properties: {
            Foundation: {
              ...(subgradeKnM3 === null ? {} : { SubgradeModulusKnM3: real(subgradeKnM3) }),
              RestrainedX: flag(restrained.x),
              RestrainedY: flag(restrained.y),
              RestrainedZ: flag(restrained.z),
            },
          },
          quantities: {
            set: form === 'raft' ? 'Qto_SlabBaseQuantities' : 'Qto_FootingBaseQuantities',
            values: [
              ['LENGTH', form === 'raft' ? 'Width' : 'Height', thicknessMm],
              ['VOLUME', 'GrossVolume', piece.grossMm3 / 1e9],
              ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
            ],
          },
        };
      }),
};
