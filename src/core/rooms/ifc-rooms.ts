import { flag, identifier, type IfcTrait } from '../kinds/ifc';
import { clearOver } from './clear-over';

/** Rooms that have a name, as spaces up to the lowest thing over them. */
export const roomsInIfc: IfcTrait = {
  products: ({ solved, level }) => {
    const clear = clearOver(solved);
    return solved.rooms
      .filter((region) => region.level === level.id && region.room !== null)
      .map((region) => {
        const heightMm = clear(region) ?? level.storeyHeightMm ?? 3000;
        return {
          entity: 'IFCSPACE' as const,
          globalId: ['room', region.room!, level.id],
          key: `room ${region.room!} ${level.id}`,
          name: region.number,
          objectType: 'Room',
          predefined: 'INTERNAL',
          tag: region.room!,
          more: { LongName: region.name },
          groups: [
            { key: ['rooms of use', level.building, region.use], name: region.use, of: 'spaces', objectType: 'Use' },
          ],
          stand: { bottomMm: level.fflMm },
          shape: { prisms: [{ outer: region.ring, holes: region.holes, depthMm: heightMm, overFootMm: 0 }] },
          properties: { Pset_SpaceCommon: { Reference: identifier(region.use), IsExternal: flag(false) } },
          quantities: {
            set: 'Qto_SpaceBaseQuantities',
            values: [
              ['LENGTH', 'Height', heightMm],
              ['LENGTH', 'GrossPerimeter', region.perimeterMm],
              ['AREA', 'NetFloorArea', region.netMm2 / 1e6],
            ] as const,
          },
        };
      });
  },
};
