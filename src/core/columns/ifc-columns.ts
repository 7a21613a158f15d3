import { flag, identifier, type IfcTrait } from '../kinds/ifc';
import { sectionArea, sectionWords } from './section-shape';

/** Columns piece by piece, with heads and thickenings under the slab of their level. */
export const columnsInIfc: IfcTrait = {
  products: ({ solved, level }) => [
    ...solved.columns
      .filter((piece) => piece.level === level.id)
      .map((piece) => {
        const heightMm = piece.topMm - piece.bottomMm;
        const section = sectionWords(piece.section);
        return {
          entity: 'IFCCOLUMN' as const,
          globalId: ['column', piece.stack, piece.level],
          key: `${piece.stack} ${piece.level}`,
          name: piece.mark,
          objectType: section,
          predefined: 'COLUMN',
          tag: piece.stack,
          stand: { at: piece.at, bottomMm: piece.bottomMm, turnDeg: piece.turnDeg },
          shape: { section: piece.section, depthMm: heightMm },
          properties: {
            Pset_ColumnCommon: { Reference: identifier(section), LoadBearing: flag(true), IsExternal: flag(false) },
          },
          quantities: {
            set: 'Qto_ColumnBaseQuantities',
            values: [
              ['LENGTH', 'Length', heightMm],
              ['AREA', 'CrossSectionArea', sectionArea(piece.section) / 1e6],
              ['VOLUME', 'GrossVolume', piece.grossMm3 / 1e9],
              ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
            ] as const,
          },
          material: piece.material,
          type: { entity: 'IFCCOLUMNTYPE' as const, name: `${section}, ${piece.material}`, predefined: 'COLUMN' },
        };
      }),
    ...solved.blocks
      .filter((block) => block.level === level.id)
      .map(({ block, stack, mark, widthMm, depthMm, at, turnDeg, bottomMm, topMm, grossMm3, volumeMm3 }) => ({
        entity: block === 'head' ? ('IFCCOLUMN' as const) : ('IFCSLAB' as const),
        globalId: [block, stack, level.id],
        key: `${block} ${stack} ${level.id}`,
        name: `${mark} ${block}`,
        objectType: block === 'head' ? 'Column head' : 'Slab thickening',
        predefined: 'USERDEFINED',
        tag: stack,
        stand: { at, bottomMm, turnDeg },
        shape: { section: { shape: 'rectangle' as const, widthMm, depthMm }, depthMm: topMm - bottomMm },
        quantities: {
          set: block === 'head' ? 'Qto_ColumnBaseQuantities' : 'Qto_SlabBaseQuantities',
          values: [
            ['VOLUME', 'GrossVolume', grossMm3 / 1e9],
            ['VOLUME', 'NetVolume', volumeMm3 / 1e9],
          ] as const,
        },
      })),
  ],
};
