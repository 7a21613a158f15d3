import { mmOf } from '../dimensions/resolve-length';
import type { IfcTrait, Product, ProductType } from '../kinds/ifc';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { loweredSlants, reachOfSlants, volumeOfSlant } from '../slants/slant';
import type { PitchedForm } from './solve-pitched-roof';

const PREDEFINED: Record<PitchedForm, string> = {
  mono: 'SHED_ROOF',
  saddle: 'GABLE_ROOF',
  hip: 'HIP_ROOF',
  pyramid: 'PAVILION_ROOF',
  mansard: 'MANSARD_ROOF',
  butterfly: 'BUTTERFLY_ROOF',
  sawtooth: 'FREEFORM',
  mixed: 'FREEFORM',
};

/** Pitched roofs as wholes of the slabs that are their faces. */
export const pitchedRoofsInIfc: IfcTrait = {
  products: ({ framework, solved, level }) =>
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
        parts: roof.parts.flatMap((part, i) =>
          part.slants.length > 0 ? [faceOf(roof, part, i, typeOf(framework, roof.thing))] : [],
        ),
      })),
};

function faceOf(
  roof: Assembly<'pitchedRoof'>,
  { name, slants }: Assembly<'pitchedRoof'>['parts'][number],
  i: number,
  type: ProductType | undefined,
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
          ...(type ? { type } : {}),
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

/** The layers of a roof, from the outside inwards. */
function typeOf(framework: Framework, id: Id): ProductType | undefined {
  const roof = recordOf(framework, 'pitchedRoof', id);
  if (!roof) return undefined;
  const layers = roof.layers.map(({ name, thicknessMm }) => ({ name, thicknessMm: mmOf(framework, thicknessMm) }));
  const words = layers.map(({ name, thicknessMm }) => `${name} ${Math.round(thicknessMm)}`).join(', ');
  return { entity: 'IFCSLABTYPE', name: `Roof of ${words}`, predefined: 'ROOF', layers };
}
