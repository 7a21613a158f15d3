import { sharedByRegions, subtract, type Profile, type Region } from '../geometry/boolean';
import { areaLess } from '../geometry/polygon';
import type { Prism, Product } from '../kinds/ifc';
import type { WallPiece } from './solved-wall';

/** Less is a reader's rounding, mm². */
const LEAST_MM2 = 100;

/**
 * A glazed wall between two heights as what it is made of: members, and panels between them; together they are all of it. They
 * stand on the foot of the wall: `zeroMm` is what is added to their heights for that.
 */
export function glazedParts(
  piece: WallPiece,
  stretches: readonly { profile: Profile; bottomMm: number; topMm: number }[],
  { zeroMm, key, name }: { zeroMm: number; key: readonly string[]; name: string },
): Product[] {
  const { members } = piece;
  const parts: Product[] = [];
  const add = (entity: 'IFCMEMBER' | 'IFCPLATE', region: Region, bottomMm: number, topMm: number) => {
    if (areaLess(region.outer, region.holes) < LEAST_MM2) return;
    const n = parts.filter((part) => part.entity === entity).length + 1;
    const word = entity === 'IFCMEMBER' ? 'member' : 'panel';
    const prism: Prism = { outer: region.outer, holes: region.holes, depthMm: topMm - bottomMm, overFootMm: 0 };
    parts.push({
      entity,
      globalId: [word, ...key, String(n)],
      key: `${key.join(' ')} ${word} ${n}`,
      name: `${name} ${word} ${n}`,
      predefined: entity === 'IFCMEMBER' ? 'MULLION' : 'CURTAIN_PANEL',
      tag: piece.wall,
      stand: { bottomMm: bottomMm + zeroMm },
      shape: { prisms: [prism] },
    });
  };
  for (const { profile, bottomMm, topMm } of stretches) {
    const across = members.map((outer) => ({ outer, holes: [] }));
    for (const region of sharedByRegions(profile.regions, across).regions) add('IFCMEMBER', region, bottomMm, topMm);
    for (const { outer, holes } of profile.regions)
      for (const region of subtract(outer, [...holes, ...members]).regions) add('IFCPLATE', region, bottomMm, topMm);
  }
  return parts;
}
