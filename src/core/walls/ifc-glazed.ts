import { sharedByRegions, subtract, type Profile, type Region } from '../geometry/boolean';
import { dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { areaLess, type Ring } from '../geometry/polygon';
import type { Prism, Product } from '../kinds/ifc';
import type { WallPiece } from './solved-wall';

/** Panels are about this wide at most, and members between them and at the ends so wide, mm. */
const PANEL_MM = 1500;
const MEMBER_MM = 60;
/** Less is a reader's rounding, mm². */
const LEAST_MM2 = 100;

/** Rings across one straight part of a wall where its members stand: at both ends and between its panels. */
function membersOf(strip: Ring): Ring[] {
  const edges = strip.map((from, i) => minus(strip[(i + 1) % strip.length]!, from));
  const longest = edges.reduce((most, edge) => (lengthOf(edge) > lengthOf(most) ? edge : most));
  const along = times(longest, 1 / (lengthOf(longest) || 1));
  const across = { x: -along.y, y: along.x };
  const range = (way: Point): [number, number] => {
    const at = strip.map((point) => dot(point, way));
    return [Math.min(...at), Math.max(...at)];
  };
  const [[from, to], [low, high]] = [range(along), range(across)];
  const wideMm = Math.min(MEMBER_MM, (to - from) / 4);
  const bays = Math.max(1, Math.ceil((to - from - wideMm) / PANEL_MM));
  const stepMm = (to - from - wideMm) / bays;
  return Array.from({ length: bays + 1 }, (_, i) => {
    const [a, b] = [from + i * stepMm, from + i * stepMm + wideMm];
    const corner = (x: number, y: number) => plus(times(along, x), times(across, y));
    return [corner(a, low - 1), corner(b, low - 1), corner(b, high + 1), corner(a, high + 1)];
  });
}

/**
 * A glazed wall between two heights as what it is made of: members, and panels between them; together they are all of it. They
 * stand on the foot of the wall: `zeroMm` is what is added to their heights for that.
 */
export function glazedParts(
  piece: WallPiece,
  stretches: readonly { profile: Profile; bottomMm: number; topMm: number }[],
  { zeroMm, key, name }: { zeroMm: number; key: readonly string[]; name: string },
): Product[] {
  const members = piece.strips.flatMap(membersOf);
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
