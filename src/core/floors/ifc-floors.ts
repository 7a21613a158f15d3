import { ringArea } from '../geometry/polygon';
import { flag, identifier, prismOf, type IfcTrait, type Opening } from '../kinds/ifc';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { FloorPiece, Solved } from '../solving/solved';
import { partsTakenFrom, slabKey } from './slab-parts';

/** What is open in a slab: its holes, the zones that lie in it as slabs of their own, movement joints. */
function openingsOf(piece: FloorPiece, { framework, solved }: { framework: Framework; solved: Solved }): Opening[] {
  // One cutter may make several openings in a slab; those after its first are numbered.
  const made = new Map<Id, number>();
  const holes = piece.holes.map(({ by, ring }, i): Opening => {
    const nth = by === null ? i : (made.get(by) ?? 0);
    if (by !== null) made.set(by, nth + 1);
    const cutter = by === null ? undefined : framework.records.get(by);
    return {
      key: by === null ? `void ${i}` : nth === 0 ? by : `${by} ${nth}`,
      name: cutter && 'name' in cutter && cutter.name ? cutter.name : 'Void',
      cut: { ring },
      by,
    };
  });
  const zones = partsTakenFrom(piece, solved).map(({ zone, outline }, i) => ({
    key: `zone ${zone!.id} ${i}`,
    name: `Zone ${zone!.name}`,
    cut: { ring: outline },
    by: null,
  }));
  const joints = piece.gaps.map((ring, i) => ({ key: `joint ${i}`, name: 'Movement joint', cut: { ring }, by: null }));
  return [...holes, ...zones, ...joints];
}

export const floorsInIfc: IfcTrait = {
  products: ({ framework, solved, level }) =>
    solved.floors
      .filter((piece) => piece.level === level.id)
      .map((piece) => {
        const profile = solved.profiles[piece.profile]!;
        const key = slabKey(piece, solved);
        const isRoof = level.levelKind === 'roof';
        const material = recordOf(framework, 'floorPlate', piece.plate)?.material ?? 'concrete';
        return {
          entity: 'IFCSLAB',
          globalId: ['slab', ...key],
          key: key.join(' '),
          name: `${piece.name} ${level.name}${piece.zone ? ` ${piece.zone.name}` : ''}`,
          predefined: isRoof ? 'ROOF' : 'FLOOR',
          tag: piece.plate,
          stand: { bottomMm: piece.topMm - piece.thicknessMm },
          shape: prismOf(piece.outline, piece.thicknessMm),
          properties: {
            Pset_SlabCommon: {
              Reference: identifier(piece.name),
              LoadBearing: flag(true),
              IsExternal: flag(isRoof),
            },
          },
          quantities: {
            set: 'Qto_SlabBaseQuantities',
            values: [
              ['LENGTH', 'Width', piece.thicknessMm],
              ['LENGTH', 'Perimeter', profile.perimeterMm],
              ['AREA', 'GrossArea', Math.abs(ringArea(piece.outline)) / 1e6],
              ['AREA', 'NetArea', profile.areaMm2 / 1e6],
              ['VOLUME', 'GrossVolume', piece.grossMm3 / 1e9],
              ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
            ],
          },
          type: {
            entity: 'IFCSLABTYPE',
            name: `${isRoof ? 'Roof slab' : 'Slab'} ${Math.round(piece.thicknessMm)} ${material}`,
            predefined: isRoof ? 'ROOF' : 'FLOOR',
            layers: [{ name: material, thicknessMm: piece.thicknessMm }],
          },
          material,
          ...(piece.zone && {
            groups: [
              {
                key: ['floor zone', piece.zone.id],
                name: `${piece.name} ${piece.zone.name}`,
                of: 'elements' as const,
                objectType: 'Floor zone',
              },
            ],
          }),
          openings: { depthMm: piece.thicknessMm, all: openingsOf(piece, { framework, solved }) },
        };
      }),
};
