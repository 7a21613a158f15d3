import { ringArea, ringPerimeter } from '../geometry/polygon';
import { flag, identifier, type IfcTrait, type Product } from '../kinds/ifc';
import type { Solved, SolvedLevel, SolvedShaft } from '../solving/solved';

/** Heights a shaft's space is written between in a storey: from FFL to FFL, the lowest and the topmost without end. */
function bandOf(level: SolvedLevel, { levels }: Solved): readonly [number, number] | null {
  const own = levels.filter(({ building, bounding }) => building === level.building && bounding);
  const i = own.findIndex(({ id }) => id === level.id);
  return i < 0 ? null : [i === 0 ? -Infinity : level.fflMm, own[i + 1]?.fflMm ?? Infinity];
}

/** Shafts as a space in each storey they pass, which are grouped under their name. */
export const shaftsInIfc: IfcTrait = {
  products: ({ solved, level }) => {
    const band = bandOf(level, solved);
    if (!band) return [];
    return solved.shafts
      .filter(({ building }) => building === level.building)
      .flatMap((shaft) => {
        const stages = shaft.stages
          .map(({ ring, bottomMm, topMm }) => ({
            ring,
            bottomMm: Math.max(bottomMm, band[0]),
            topMm: Math.min(topMm, band[1]),
          }))
          .filter(({ bottomMm, topMm }) => topMm - bottomMm > 1);
        const [first, last] = [stages[0], stages.at(-1)];
        if (!first || !last) return [];
        const isFoot = Math.abs(first.bottomMm - shaft.bottomMm) < 1;
        return [
          ...(shaft.purpose === 'lift' && isFoot ? [liftOf(shaft)] : []),
          {
            entity: 'IFCSPACE' as const,
            globalId: ['shaft', shaft.shaft, level.id],
            key: `${shaft.shaft} ${level.id}`,
            name: shaft.name,
            objectType: 'Shaft',
            predefined: 'INTERNAL',
            tag: shaft.shaft,
            more: { LongName: `Shaft ${shaft.name}, ${shaft.purpose}` },
            stand: { bottomMm: first.bottomMm },
            shape: {
              prisms: stages.map(({ ring, bottomMm, topMm }) => ({
                outer: ring,
                holes: [],
                depthMm: topMm - bottomMm,
                overFootMm: bottomMm - first.bottomMm,
              })),
            },
            properties: { Pset_SpaceCommon: { Reference: identifier(shaft.purpose), IsExternal: flag(false) } },
            quantities: {
              set: 'Qto_SpaceBaseQuantities',
              values: [
                ['LENGTH', 'Height', last.topMm - first.bottomMm],
                ['LENGTH', 'GrossPerimeter', ringPerimeter(first.ring)],
                ['AREA', 'GrossFloorArea', Math.abs(ringArea(first.ring)) / 1e6],
              ] as const,
            },
          },
        ];
      });
  },
};

/** The lift of a shaft, which stands at its foot. */
const liftOf = ({ shaft, name, ring, bottomMm, topMm, levels, lift }: SolvedShaft): Product => ({
  entity: 'IFCTRANSPORTELEMENT',
  globalId: ['lift', shaft],
  key: `lift ${shaft}`,
  name: `Lift ${name}`,
  objectType: 'Lift',
  predefined: 'ELEVATOR',
  tag: shaft,
  stand: { at: ring[0]!, bottomMm },
  shape: null,
  properties: {
    Pset_TransportElementCommon: {
      Reference: identifier(name),
      ...(lift ? { CapacityPeople: { measure: 'IFCCOUNTMEASURE' as const, value: lift.persons } } : {}),
    },
    ...(lift
      ? {
          Pset_TransportElementElevator: {
            ClearWidth: { measure: 'IFCPOSITIVELENGTHMEASURE' as const, value: lift.carWidthMm },
            ClearDepth: { measure: 'IFCPOSITIVELENGTHMEASURE' as const, value: lift.carDepthMm },
          },
        }
      : {}),
    Spine_Lift: {
      Stops: { measure: 'IFCINTEGER', value: lift?.stops.length ?? levels.length },
      Height: { measure: 'IFCLENGTHMEASURE', value: topMm - bottomMm },
      ...(lift
        ? {
            Pit: { measure: 'IFCLENGTHMEASURE' as const, value: lift.pitMm },
            Overrun: { measure: 'IFCLENGTHMEASURE' as const, value: lift.overrunMm },
            DoorWidth: { measure: 'IFCLENGTHMEASURE' as const, value: lift.doorWidthMm },
            DoorHeight: { measure: 'IFCLENGTHMEASURE' as const, value: lift.doorHeightMm },
          }
        : {}),
    },
  },
});
