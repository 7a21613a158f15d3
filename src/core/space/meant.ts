import type { SpaceRank, StoreySolid } from '../kinds/in-space';

const WALLS: readonly SpaceRank[] = ['core wall', 'exterior wall', 'party wall', 'glazed wall', 'interior wall'];
const GROUND: readonly SpaceRank[] = ['raft', 'pad', 'strip'];

/** Pairs of ranks that nobody means to be in the same space. */
const UNMEANT: readonly [readonly SpaceRank[], readonly SpaceRank[]][] = [
  [['column'], ['column']],
  [WALLS, ['slab']],
  [['slab'], ['slab']],
  [['slab'], GROUND],
  [WALLS, ['stair']],
  [['stair'], ['stair', 'shaft']],
];

/** True where two may be in the same space: a column in its wall, a pad under a strip. They are counted once. */
export function isMeant(a: StoreySolid, b: StoreySolid): boolean {
  if (a.thing === b.thing) return true;
  if (GROUND.includes(a.rank) && a.rank === b.rank) return false;
  return !UNMEANT.some(
    ([some, others]) =>
      (some.includes(a.rank) && others.includes(b.rank)) || (some.includes(b.rank) && others.includes(a.rank)),
  );
}
