import { sharedByRegions } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import { SPACE_RANKS, type PlanShape, type StoreySolid } from '../kinds/in-space';

/** Plan areas less than this only touch, mm². */
const TOUCH_MM2 = 10;
/** Heights less than this only touch, mm. */
const TOUCH_MM = 1e-3;
/** Less than this is nothing a person could see or build, mm³: a cube of 100 mm. */
const NOTHING_MM3 = 1e6;

/** Space two things want; they are told by their places in the list. */
export interface Shared {
  /** The one that owns it, and the other. */
  owner: number;
  other: number;
  volumeMm3: number;
  /** A place in it. */
  at: Point;
}

/** Who owns space. */
export interface Owned {
  /** What others take of solids that want it too, mm³, by their places in the list. */
  taken: readonly (readonly [solid: number, mm3: number])[];
  shared: readonly Shared[];
}

interface Overlap {
  areaMm2: number;
  at: Point;
}

/** Works out what shapes share, or remembers it by a text that tells them. */
type Remember = <T>(text: string, work: () => T) => T;

const RANK = new Map(SPACE_RANKS.map((rank, i) => [rank, i]));
const isWall = ({ rank }: StoreySolid): boolean => rank.endsWith('wall');

/**
 * Who owns the space of a storey: of solids that overlap the one of higher rank, of equals the one that comes first in the
 * list. What one loses to several at once it loses once. Exact for plan shapes between heights, to the micrometre the polygon
 * library works in. Walls are not compared with one another: where two meet, one runs through and the other stops.
 */
export function ownersBetween(
  solids: readonly StoreySolid[],
  isTold: (owner: StoreySolid, other: StoreySolid) => boolean,
  remember: Remember,
): Owned {
  const taken: [number, number][] = [];
  const shared: Shared[] = [];
  for (const [i, owners] of contested(solids)) {
    const loser = solids[i]!;
    const bodies = loser.rank === 'shaft' ? [] : owners.map((j) => solids[j]!).filter(({ rank }) => rank !== 'shaft');
    const lost = volumeTaken(loser, bodies, remember);
    if (lost > 0) taken.push([i, lost]);
    for (const j of owners) {
      const owner = solids[j]!;
      if (!isTold(owner, loser)) continue;
      const { areaMm2, at } = overlap(loser.shape, [owner.shape], remember);
      const volumeMm3 = areaMm2 * (Math.min(owner.topMm, loser.topMm) - Math.max(owner.bottomMm, loser.bottomMm));
      if (volumeMm3 > NOTHING_MM3) shared.push({ owner: j, other: i, volumeMm3, at });
    }
  }
  return { taken, shared };
}

/** What of a solid is within any of others. */
function volumeTaken(
  { shape, bottomMm, topMm }: StoreySolid,
  owners: readonly StoreySolid[],
  remember: Remember,
): number {
  const ends = owners.flatMap((owner) => [owner.bottomMm, owner.topMm]);
  const heights = [...new Set([bottomMm, topMm, ...ends])]
    .filter((mm) => mm >= bottomMm && mm <= topMm)
    .sort((a, b) => a - b);
  return heights.slice(1).reduce((sum, high, i) => {
    const low = heights[i]!;
    const there = owners.filter((owner) => owner.bottomMm <= low && owner.topMm >= high);
    if (there.length === 0 || high - low <= TOUCH_MM) return sum;
    const shapes = there.map((each) => each.shape);
    return sum + overlap(shape, shapes, remember).areaMm2 * (high - low);
  }, 0);
}

/** Each solid with those that own some of the space it wants, by their places in the list. */
function contested(solids: readonly StoreySolid[]): Map<number, number[]> {
  const found = new Map<number, number[]>();
  const sorted = solids
    .map((solid, i) => {
      const { shape, bottomMm, topMm, rank } = solid;
      return { i, box: shape.box, bottomMm, topMm, rank: RANK.get(rank)!, wall: isWall(solid) };
    })
    .filter(({ bottomMm, topMm }) => topMm - bottomMm > TOUCH_MM)
    .sort((a, b) => a.box.minX - b.box.minX || a.i - b.i);
  sorted.forEach((a, n) => {
    const { maxX, minY, maxY } = a.box;
    for (let m = n + 1; m < sorted.length; m += 1) {
      const b = sorted[m]!;
      if (b.box.minX >= maxX) break;
      if ((a.wall && b.wall) || b.box.minY >= maxY || b.box.maxY <= minY) continue;
      if (Math.min(a.topMm, b.topMm) - Math.max(a.bottomMm, b.bottomMm) <= TOUCH_MM) continue;
      const isFirst = a.rank === b.rank ? a.i < b.i : a.rank < b.rank;
      const [owner, loser] = isFirst ? [a.i, b.i] : [b.i, a.i];
      const owners = found.get(loser);
      if (owners) owners.push(owner);
      else found.set(loser, [owner]);
    }
  });
  return found;
}

/** What a shape shares with any of others, which come in the order of the list: what comes out hangs on nothing else. */
function overlap(shape: PlanShape, others: readonly PlanShape[], remember: Remember): Overlap {
  const distinct = [...new Map(others.map((other) => [other.number, other])).values()];
  return remember(`space ${shape.number} ${distinct.map(({ number }) => number).join()}`, () => {
    const { areaMm2, regions } = sharedByRegions(
      shape.regions,
      distinct.flatMap((other) => other.regions),
    );
    return areaMm2 < TOUCH_MM2 ? { areaMm2: 0, at: { x: 0, y: 0 } } : { areaMm2, at: regions[0]!.outer[0]! };
  });
}
