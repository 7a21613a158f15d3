import { flag, prismOf, type IfcTrait, type Product } from '../kinds/ifc';
import { recordOf } from '../model/framework';
import type { Ring } from '../geometry/polygon';
import type { Profile } from '../geometry/boolean';
import type { SolvedLevel } from '../solving/solved';
import type { SolvedOpening, WallPiece } from './solved-wall';

/** Walls of a storey as stacked solids, so that their openings are open; doors and windows stand in them. */
export const wallsInIfc: IfcTrait = {
  products: ({ framework, solved, level }) =>
    solved.walls
      .filter(
        ({ level: of, slices }) =>
          of === level.id && slices.some(({ profile }) => solved.profiles[profile]!.regions.length > 0),
      )
      .flatMap((piece) => [
        wallOf(piece, level, solved.profiles, recordOf(framework, 'wallType', piece.type)?.name ?? 'Wall'),
        ...piece.openings.flatMap((opening) => (opening.opening === 'plain' ? [] : [leafIn(opening)])),
      ]),
};

function wallOf(
  piece: WallPiece,
  level: SolvedLevel,
  profiles: Readonly<Record<string, Profile>>,
  objectType: string,
): Product {
  return {
    entity: 'IFCWALL',
    globalId: ['wall', piece.wall, piece.level],
    key: `${piece.wall} ${piece.level}`,
    name: `${piece.name} ${level.name}`,
    objectType,
    predefined: 'STANDARD',
    tag: piece.wall,
    stand: { bottomMm: piece.bottomMm },
    shape: {
      prisms: piece.slices.flatMap(({ profile, bottomMm, topMm }) =>
        profiles[profile]!.regions.map(({ outer, holes }) => ({
          outer,
          holes,
          depthMm: topMm - bottomMm,
          overFootMm: bottomMm - piece.bottomMm,
        })),
      ),
    },
    properties: {
      Pset_WallCommon: {
        IsExternal: flag(piece.use === 'exterior' || piece.use === 'glazed'),
        LoadBearing: flag(piece.use === 'core' || piece.use === 'party'),
      },
    },
    quantities: {
      set: 'Qto_WallBaseQuantities',
      values: [
        ['LENGTH', 'Width', piece.thicknessMm],
        ['LENGTH', 'Height', piece.topMm - piece.bottomMm],
        ['VOLUME', 'GrossVolume', piece.grossMm3 / 1e9],
        ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
      ],
    },
  };
}

const swingOf = ({ leaves, hand }: SolvedOpening): string =>
  leaves === 2 ? 'DOUBLE_DOOR_SINGLE_SWING' : hand === 'left' ? 'SINGLE_SWING_LEFT' : 'SINGLE_SWING_RIGHT';

/** A door or a window. */
function leafIn(opening: SolvedOpening): Product {
  const heightMm = opening.topMm - opening.bottomMm;
  const isDoor = opening.opening === 'door';
  return {
    entity: isDoor ? 'IFCDOOR' : 'IFCWINDOW',
    globalId: [opening.opening, opening.id, opening.level],
    key: `${opening.id} ${opening.level}`,
    name: opening.name,
    predefined: isDoor ? 'DOOR' : 'WINDOW',
    tag: opening.id,
    more: {
      OverallHeight: heightMm,
      OverallWidth: opening.widthMm,
      ...(isDoor ? { OperationType: swingOf(opening) } : { PartitioningType: 'SINGLE_PANEL' }),
    },
    stand: { bottomMm: opening.bottomMm },
    shape: prismOf(leafOf(opening), heightMm),
  };
}

/** Thickness of the panel that stands for a door or window, mm. */
const LEAF_MM = 60;

function leafOf({ ends: [a, b], inwards }: SolvedOpening): Ring {
  const [dx, dy] = [(inwards.x * LEAF_MM) / 2, (inwards.y * LEAF_MM) / 2];
  return [
    { x: a.x - dx, y: a.y - dy },
    { x: b.x - dx, y: b.y - dy },
    { x: b.x + dx, y: b.y + dy },
    { x: a.x + dx, y: a.y + dy },
  ];
}
