import type { Profile } from '@/core/geometry/boolean';
import type { Ring } from '@/core/geometry/polygon';
import type { SolvedLevel } from '@/core/solving/solved';
import type { WallPiece } from '@/core/walls/solved-wall';
import { derivedGlobalId } from './global-id';
import type { Ref, StepLines } from './step';

/** What walls are written with. */
export interface WallParts {
  step: StepLines;
  profiles: Readonly<Record<string, Profile>>;
  level: SolvedLevel;
  placement: Ref;
  ringProfile: (ring: Ring, holes: readonly Ring[]) => Ref;
  extrusions: (parts: readonly { profile: Ref; depthMm: number; z: number }[]) => Ref;
  local: (parent: Ref, z: number) => Ref;
  extrusion: (ring: Ring, depthMm: number) => Ref;
  properties: (
    key: string,
    ref: Ref,
    name: string,
    values: Record<string, { measure: string; value: boolean }>,
  ) => void;
  quantities: (key: string, ref: Ref, name: string, values: readonly ['LENGTH' | 'VOLUME', string, number][]) => void;
}

/** A wall of one storey as stacked solids, so that its openings are open; doors and windows stand in them. */
export function writeWall(parts: WallParts, piece: WallPiece, typeName: string): Ref[] {
  const { step, profiles, level } = parts;
  const key = `${piece.wall} ${piece.level}`;
  const base = piece.bottomMm - level.fflMm;
  const solids = piece.slices.flatMap(({ profile, bottomMm, topMm }) =>
    profiles[profile]!.regions.map(({ outer, holes }) => ({
      profile: parts.ringProfile(outer, holes),
      depthMm: topMm - bottomMm,
      z: bottomMm - piece.bottomMm,
    })),
  );
  if (solids.length === 0) return [];
  const wall = step.add('IFCWALL', {
    GlobalId: derivedGlobalId('wall', piece.wall, piece.level),
    Name: `${piece.name} ${level.name}`,
    ObjectType: typeName,
    ObjectPlacement: parts.local(parts.placement, base),
    Representation: parts.extrusions(solids),
    Tag: piece.wall,
    PredefinedType: 'STANDARD',
  });
  parts.properties(key, wall, 'Pset_WallCommon', {
    IsExternal: { measure: 'IFCBOOLEAN', value: piece.use === 'exterior' || piece.use === 'glazed' },
    LoadBearing: { measure: 'IFCBOOLEAN', value: piece.use === 'core' || piece.use === 'party' },
  });
  parts.quantities(key, wall, 'Qto_WallBaseQuantities', [
    ['LENGTH', 'Width', piece.thicknessMm],
    ['LENGTH', 'Height', piece.topMm - piece.bottomMm],
    ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
  ]);
  const filled = piece.openings.flatMap((opening): Ref[] => {
    if (opening.opening === 'plain') return [];
    const heightMm = opening.topMm - opening.bottomMm;
    const common = {
      GlobalId: derivedGlobalId(opening.opening, opening.id, opening.level),
      Name: opening.name,
      ObjectPlacement: parts.local(parts.placement, opening.bottomMm - level.fflMm),
      Representation: parts.extrusion(leafOf(opening.ends, opening.inwards), heightMm),
      Tag: opening.id,
      OverallHeight: heightMm,
      OverallWidth: opening.widthMm,
    };
    return [
      opening.opening === 'door'
        ? step.add('IFCDOOR', {
            ...common,
            PredefinedType: 'DOOR',
            OperationType:
              opening.leaves === 2
                ? 'DOUBLE_DOOR_SINGLE_SWING'
                : opening.hand === 'left'
                  ? 'SINGLE_SWING_LEFT'
                  : 'SINGLE_SWING_RIGHT',
          })
        : step.add('IFCWINDOW', { ...common, PredefinedType: 'WINDOW', PartitioningType: 'SINGLE_PANEL' }),
    ];
  });
  return [wall, ...filled];
}

/** Thickness of the panel that stands for a door or window, mm. */
const LEAF_MM = 60;

function leafOf([a, b]: WallPiece['openings'][number]['ends'], inwards: { x: number; y: number }): Ring {
  const [dx, dy] = [(inwards.x * LEAF_MM) / 2, (inwards.y * LEAF_MM) / 2];
  return [
    { x: a.x - dx, y: a.y - dy },
    { x: b.x - dx, y: b.y - dy },
    { x: b.x + dx, y: b.y + dy },
    { x: a.x + dx, y: a.y + dy },
  ];
}
