import { flag, prismOf, type IfcTrait, type Opening, type Prism, type Product, type ProductType } from '../kinds/ifc';
import { mmOf } from '../dimensions/resolve-length';
import { minus, type Point } from '../geometry/point';
import { glazedParts } from './ifc-glazed';
import { areaLess, type Ring } from '../geometry/polygon';
import type { Profile } from '../geometry/boolean';
import { directionDeg } from '../geometry/trig';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved, SolvedLevel } from '../solving/solved';
import type { SolvedOpening, WallPiece } from './solved-wall';

/** Walls storey by storey with their openings, and in those the doors and windows, each in its own storey. */
export const wallsInIfc: IfcTrait = {
  products: ({ framework, solved, level }) => [
    ...solved.walls.flatMap((piece) => {
      const band = bandOf(piece, level, solved);
      const prisms = band ? prismsIn(piece, band, solved.profiles) : [];
      if (!band || prisms.length === 0) return [];
      const wall = wallOf(framework, piece, level, band, prisms, solved.profiles);
      return [piece.use === 'glazed' ? glazedOf(wall, piece, { ...band, fflMm: level.fflMm }, solved.profiles) : wall];
    }),
    ...solved.walls.flatMap(({ openings }) =>
      openings.filter((each) => each.level === level.id && each.opening !== 'plain').map(leafIn),
    ),
  ],
};

/** Heights between which a wall is written in a storey. */
interface Band {
  bottomMm: number;
  topMm: number;
  /** All of the wall is in it. */
  isWhole: boolean;
}

/** What of a wall stands in a storey: all of it, or of one that passes slabs what lies from SSL to SSL; null: nothing. */
function bandOf(piece: WallPiece, level: SolvedLevel, { levels }: Solved): Band | null {
  if (piece.building !== level.building) return null;
  const own = levels.filter(({ building, bounding }) => building === level.building && bounding);
  const first = own.findIndex(({ id }) => id === piece.level);
  const starts = first < 0 ? [] : own.slice(first + 1).filter(({ sslMm }) => sslMm < piece.topMm - 1);
  // One that does not pass its slabs ends under the next: only a passing one has levels within it.
  if (starts.length === 0 || piece.topMm <= starts[0]!.sslMm)
    return piece.level === level.id ? { bottomMm: -Infinity, topMm: Infinity, isWhole: true } : null;
  const bands = [own[first]!, ...starts];
  const i = bands.findIndex(({ id }) => id === level.id);
  if (i < 0) return null;
  return {
    bottomMm: i === 0 ? -Infinity : bands[i]!.sslMm,
    topMm: bands[i + 1]?.sslMm ?? Infinity,
    isWhole: false,
  };
}

/** A wall between two heights without its openings, in stretches over its foot there. */
function prismsIn(piece: WallPiece, band: Band, profiles: Readonly<Record<string, Profile>>): Prism[] {
  const { whole, bottomMm, topMm } = piece;
  const bare = whole === null ? piece.slices : piece.slices.filter((slice) => slice.topMm <= bottomMm);
  const stretches = whole === null ? bare : [...bare, { profile: whole, bottomMm, topMm }];
  const cut = stretches
    .map((each) => ({
      ...each,
      bottomMm: Math.max(each.bottomMm, band.bottomMm),
      topMm: Math.min(each.topMm, band.topMm),
    }))
    .filter((each) => each.topMm - each.bottomMm > 1e-3);
  const foot = footOf(piece, band);
  return cut.flatMap((each) =>
    profiles[each.profile]!.regions.map(({ outer, holes }) => ({
      outer,
      holes,
      depthMm: each.topMm - each.bottomMm,
      overFootMm: each.bottomMm - foot,
    })),
  );
}

const footOf = (piece: WallPiece, band: Band): number => Math.max(piece.bottomMm, band.bottomMm);

/** What of a wall lies in a storey: with its openings, and without them and its share of what others take of the wall. */
function volumesIn(
  piece: WallPiece,
  band: Band,
  prisms: readonly Prism[],
  profiles: Readonly<Record<string, Profile>>,
): { grossMm3: number; netMm3: number } {
  const grossMm3 = prisms.reduce((sum, { outer, holes, depthMm }) => sum + areaLess(outer, holes) * depthMm, 0);
  const openMm3 = (bottomMm: number, topMm: number) =>
    piece.slices.reduce((sum, slice) => {
      const mm = Math.min(slice.topMm, topMm) - Math.max(slice.bottomMm, bottomMm);
      return sum + Math.max(0, mm) * profiles[slice.profile]!.areaMm2;
    }, 0);
  const [here, all] = [openMm3(band.bottomMm, band.topMm), openMm3(-Infinity, Infinity)];
  return { grossMm3, netMm3: all > 0 ? (here * piece.volumeMm3) / all : 0 };
}

function wallOf(
  framework: Framework,
  piece: WallPiece,
  level: SolvedLevel,
  band: Band,
  prisms: readonly Prism[],
  profiles: Readonly<Record<string, Profile>>,
): Product {
  const foot = footOf(piece, band);
  const heightMm = Math.min(piece.topMm, band.topMm) - foot;
  const isParapet = !recordOf(framework, 'wall', piece.wall);
  const { grossMm3, netMm3 } = band.isWhole
    ? { grossMm3: piece.grossMm3, netMm3: piece.volumeMm3 }
    : volumesIn(piece, band, prisms, profiles);
  return {
    entity: 'IFCWALL',
    globalId: ['wall', piece.wall, level.id],
    key: `${piece.wall} ${level.id}`,
    name: `${piece.name} ${level.name}`,
    objectType: recordOf(framework, 'wallType', piece.type)?.name ?? 'Wall',
    predefined: isParapet ? 'PARAPET' : 'STANDARD',
    tag: piece.wall,
    stand: { bottomMm: foot },
    shape: { prisms },
    type: typeOf(framework, piece.type, isParapet),
    openings: {
      depthMm: heightMm,
      all: piece.openings
        .filter((opening) => (band.isWhole ? true : opening.level === level.id))
        .map((opening) => openingIn(opening, foot)),
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
        ['LENGTH', 'Height', heightMm],
        ['VOLUME', 'GrossVolume', grossMm3 / 1e9],
        ['VOLUME', 'NetVolume', netMm3 / 1e9],
      ],
    },
  };
}

/** A glazed wall as what it is made of, without a shape of its own; its openings are left out of its parts already. */
function glazedOf(
  wall: Product,
  piece: WallPiece,
  band: Band & { fflMm: number },
  profiles: Readonly<Record<string, Profile>>,
): Product {
  const stretches = piece.slices
    .map((each) => ({
      profile: profiles[each.profile]!,
      bottomMm: Math.max(each.bottomMm, band.bottomMm),
      topMm: Math.min(each.topMm, band.topMm),
    }))
    .filter(({ bottomMm, topMm }) => topMm - bottomMm > 1e-3);
  const key = wall.globalId as readonly string[];
  return {
    ...wall,
    entity: 'IFCCURTAINWALL',
    predefined: 'NOTDEFINED',
    shape: null,
    parts: glazedParts(piece, stretches, {
      zeroMm: band.fflMm - footOf(piece, band),
      key: key.slice(1),
      name: wall.name,
    }),
    type: wall.type && { ...wall.type, entity: 'IFCCURTAINWALLTYPE', predefined: 'NOTDEFINED' },
    properties: { Pset_CurtainWallCommon: { IsExternal: flag(true) } },
    quantities: wall.quantities && { ...wall.quantities, set: 'Qto_CurtainWallQuantities' },
  };
}

function typeOf(framework: Framework, id: Id, isParapet: boolean): ProductType {
  const type = recordOf(framework, 'wallType', id);
  return {
    entity: 'IFCWALLTYPE',
    name: `${type?.name ?? 'Wall'}${isParapet ? ', parapet' : ''}`,
    predefined: isParapet ? 'PARAPET' : 'STANDARD',
    ...(type && {
      layers: type.layers.map(({ name, thicknessMm }) => ({ name, thicknessMm: mmOf(framework, thicknessMm) })),
    }),
  };
}

const keyOf = ({ id, level }: SolvedOpening): string => `${id} ${level}`;

/** The way a door opens, and the end of its opening from which x runs to the right of that. */
function facing({ ends: [a, b], inwards, opens }: SolvedOpening): { at: Point; turnDeg: number } {
  const y = opens === 'inwards' ? inwards : { x: -inwards.x, y: -inwards.y };
  const x = { x: y.y, y: -y.x };
  const along = minus(b, a);
  return { at: along.x * x.x + along.y * x.y >= 0 ? a : b, turnDeg: directionDeg(x.y, x.x) };
}

const openingIn = (opening: SolvedOpening, footMm: number): Opening => ({
  key: keyOf(opening),
  name: opening.name,
  by: null,
  cut: {
    box: {
      ...facing(opening),
      widthMm: opening.widthMm,
      acrossMm: opening.thicknessMm,
      overFootMm: opening.bottomMm - footMm,
      heightMm: opening.topMm - opening.bottomMm,
    },
  },
});

/** Hung on the left or right as one looks the way it opens; its hand is told as one comes from outside. */
function swingOf({ leaves, hand, opens }: SolvedOpening): string {
  if (leaves === 2) return 'DOUBLE_DOOR_SINGLE_SWING';
  return (hand === 'left') === (opens === 'inwards') ? 'SINGLE_SWING_LEFT' : 'SINGLE_SWING_RIGHT';
}

/** A door or a window, in the axes of its opening. */
function leafIn(opening: SolvedOpening): Product {
  const heightMm = opening.topMm - opening.bottomMm;
  const isDoor = opening.opening === 'door';
  const way: Record<string, string> = isDoor
    ? { OperationType: swingOf(opening) }
    : { PartitioningType: 'SINGLE_PANEL' };
  const size = `${Math.round(opening.widthMm)} × ${Math.round(heightMm)}`;
  return {
    entity: isDoor ? 'IFCDOOR' : 'IFCWINDOW',
    globalId: [opening.opening, opening.id, opening.level],
    key: keyOf(opening),
    name: opening.name,
    predefined: isDoor ? 'DOOR' : 'WINDOW',
    tag: opening.id,
    more: { OverallHeight: heightMm, OverallWidth: opening.widthMm, ...way },
    stand: { bottomMm: opening.bottomMm },
    fills: keyOf(opening),
    shape: prismOf(leafOf(opening), heightMm),
    type: {
      entity: isDoor ? 'IFCDOORTYPE' : 'IFCWINDOWTYPE',
      name: isDoor ? `Door ${size}, ${swingWords(opening)}` : `Window ${size}`,
      predefined: isDoor ? 'DOOR' : 'WINDOW',
      more: way,
    },
    properties: {
      [isDoor ? 'Pset_DoorCommon' : 'Pset_WindowCommon']: { Reference: { measure: 'IFCIDENTIFIER', value: size } },
    },
  };
}

const swingWords = (opening: SolvedOpening): string =>
  opening.leaves === 2 ? 'two leaves' : swingOf(opening) === 'SINGLE_SWING_LEFT' ? 'hung left' : 'hung right';

/** Thickness of the panel that stands for a door or window, mm. */
const LEAF_MM = 60;

const leafOf = ({ widthMm }: SolvedOpening): Ring => [
  { x: 0, y: -LEAF_MM / 2 },
  { x: widthMm, y: -LEAF_MM / 2 },
  { x: widthMm, y: LEAF_MM / 2 },
  { x: 0, y: LEAF_MM / 2 },
];
