import type { IfcTrait, Product } from '../kinds/ifc';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { loweredSlants, reachOfSlants, volumeOfSlant } from '../slants/slant';
import type { PitchedForm } from './solve-pitched-roof';

const PREDEFINED: Record<PitchedForm, string> = {
  mono: 'SHED_ROOF',
  saddle: 'GABLE_ROOF',
  hip: 'HIP_ROOF',
  pyramid: 'PAVILION_ROOF',
  mansard: 'MANSARD_ROOF',
  mixed: 'FREEFORM',
};

/** Pitched roofs as wholes of the slabs that are their faces. */
export const pitchedRoofsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'pitchedRoof')
      .filter((roof) => roof.level === level.id)
      .map((roof): Product => ({
        entity: 'IFCROOF',
        globalId: { own: roof.thing },
        key: roof.thing,
        name: roof.name,
        predefined: PREDEFINED[roof.info.form],
        tag: roof.thing,
        stand: { bottomMm: level.fflMm },
        shape: null,
        parts: roof.parts.flatMap((part, i) => (part.slants.length > 0 ? [faceOf(roof, part, i)] : [])),
      })),
};

function faceOf(
  roof: Assembly<'pitchedRoof'>,
  { name, slants }: Assembly<'pitchedRoof'>['parts'][number],
  i: number,
): Product {
  const { bottomMm } = reachOfSlants(slants);
  const key = `${roof.thing} face ${i}`;
  const face = roof.info.faces[i];
  return {
    entity: face ? 'IFCSLAB' : 'IFCCOVERING',
    globalId: ['roof face', key],
    key,
    name: `${roof.name} ${name}`,
    predefined: face ? 'ROOF' : 'CLADDING',
    tag: roof.thing,
    stand: { bottomMm },
    shape: { slants: loweredSlants(slants, bottomMm) },
    ...(face
      ? {
          quantities: {
            set: 'Qto_SlabBaseQuantities',
            values: [
              ['AREA', 'GrossArea', face.areaMm2 / 1e6],
              ['VOLUME', 'NetVolume', slants.reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9],
            ],
          },
        }
      : {}),
  };
}
