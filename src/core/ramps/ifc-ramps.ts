import type { IfcTrait, Product } from '../kinds/ifc';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { loweredSlants, reachOfSlants, volumeOfSlant } from '../slants/slant';

const PREDEFINED = {
  straight: ['STRAIGHT_RUN_RAMP', 'TWO_STRAIGHT_RUN_RAMP'],
  quarter: ['QUARTER_TURN_RAMP', 'QUARTER_TURN_RAMP'],
  switchback: ['HALF_TURN_RAMP', 'HALF_TURN_RAMP'],
  circular: ['SPIRAL_RAMP', 'SPIRAL_RAMP'],
} as const;

/** Ramps with their flights, and landings as slabs. */
export const rampsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'ramp')
      .filter((ramp) => ramp.level === level.id)
      .map((ramp): Product => ({
        entity: 'IFCRAMP',
        globalId: { own: ramp.thing },
        key: ramp.thing,
        name: ramp.name,
        predefined: PREDEFINED[ramp.info.form][ramp.info.landings > 0 ? 1 : 0],
        tag: ramp.thing,
        stand: { bottomMm: level.fflMm },
        shape: null,
        parts: ramp.parts.map((part, i) => partOf(ramp, part, i)),
      })),
};

function partOf(ramp: Assembly<'ramp'>, { name, slants }: Assembly<'ramp'>['parts'][number], i: number): Product {
  const { bottomMm } = reachOfSlants(slants);
  const key = `${ramp.thing} part ${i}`;
  const isLanding = name.startsWith('landing');
  const common = {
    globalId: ['ramp part', key],
    key,
    name: `${ramp.name} ${name}`,
    tag: ramp.thing,
    stand: { bottomMm },
    shape: { slants: loweredSlants(slants, bottomMm) },
  };
  const volume = slants.reduce((sum, slant) => sum + volumeOfSlant(slant), 0) / 1e9;
  if (isLanding)
    return {
      ...common,
      entity: 'IFCSLAB',
      predefined: 'LANDING',
      quantities: { set: 'Qto_SlabBaseQuantities', values: [['VOLUME', 'NetVolume', volume]] },
    };
  return {
    ...common,
    entity: 'IFCRAMPFLIGHT',
    predefined: ramp.info.form === 'circular' ? 'SPIRAL' : 'STRAIGHT',
    quantities: { set: 'Qto_RampFlightBaseQuantities', values: [['VOLUME', 'NetVolume', volume]] },
  };
}
