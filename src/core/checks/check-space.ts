import { nearestCrossing } from '../columns/nearest-crossing';
import type { Point } from '../geometry/point';
import type { SpaceRank, StoreySolid } from '../kinds/in-space';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { formatLength, formatVolume } from '../units/format-length';
import { finding, fixBy, type Finding, type Fix } from './finding';

/** A crossing names a place within this, mm. */
const NEAR_MM = 30_000;

/** Space that two want at a storey; the one that owns it first. */
export interface SharedAt {
  level: Id;
  owner: StoreySolid;
  other: StoreySolid;
  volumeMm3: number;
  at: Point;
}

interface Given {
  framework: Framework;
  building: Id;
  nameOf: (level: Id) => string;
}

/** Things in the same space that nobody meant there: one finding for each two at a level, with the space they share. */
export function checkSpace(shared: readonly SharedAt[], given: Given): Finding[] {
  const pairs = new Map<string, { level: Id; owner: StoreySolid; other: StoreySolid; mm3: number; at: Point }>();
  for (const { level: storey, owner, other, volumeMm3, at } of shared) {
    const level = [owner, other].find(({ rank }) => rank === 'slab')?.level ?? storey;
    const key = [...[owner.thing, other.thing].sort(), level].join(' ');
    const before = pairs.get(key);
    if (before) before.mm3 += volumeMm3;
    else pairs.set(key, { level, owner, other, mm3: volumeMm3, at });
  }
  return [...pairs.values()].map(({ level, owner: a, other: b, mm3, at }) => {
    // Of two of one rank the name that comes first is said first.
    const [owner, other] = a.rank === b.rank && b.name < a.name ? [b, a] : [a, b];
    return finding(
      'space.shared',
      given.building,
      level,
      [owner.thing, other.thing],
      `${capital(called(owner))} and ${called(other)} are in the same space at level ${given.nameOf(level)}, ${placeWords(given, at)}: ${formatVolume(mm3)}. Move one of them, or end it where the other begins`,
      fixes(given, level, owner, other),
    );
  });
}

const WORDS: Partial<Record<SpaceRank, string>> = { pad: 'foundation', strip: 'foundation' };
/** What a thing in space is called. */
export const called = ({ rank, name }: StoreySolid): string => `${WORDS[rank] ?? rank} ${name}`;
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function placeWords({ framework, building }: Given, { x, y }: Point): string {
  const near = nearestCrossing(framework, building, { xMm: x, yMm: y }, NEAR_MM);
  if (!near?.label) return `at ${formatLength(x)}, ${formatLength(y)} mm`;
  const shift = [near.shift.x, near.shift.y].map((mm) => formatLength(mm));
  return shift.every((mm) => mm === '0') ? `at ${near.label}` : `at ${near.label} + ${shift.join(', ')} mm`;
}

function fixes(given: Given, level: Id, owner: StoreySolid, other: StoreySolid): Fix[] {
  const slab = [owner, other].find(({ rank }) => rank === 'slab');
  const wall = [owner, other].map(({ thing }) => recordOf(given.framework, 'wall', thing)).find((each) => each);
  const at = given.nameOf(level);
  if (wall && slab) {
    // Its foot stands in the slab of its own level, or its head in the one over it.
    return wall.startsAt.level === level
      ? [
          fixBy(`Let wall ${wall.name} stand on the slab of level ${at}`, 'walls.change', {
            wall: wall.id,
            startsAt: { level, face: 'SSL', offsetMm: 0 },
          }),
        ]
      : [
          fixBy(`Stop wall ${wall.name} at the soffit of level ${at}`, 'walls.change', {
            wall: wall.id,
            stopsAt: { level, face: 'soffit', offsetMm: 0 },
          }),
        ];
  }
  if (owner.rank === 'column' && other.rank === 'column')
    return [fixBy(`Remove column ${other.name}`, 'elements.remove', { ids: [other.thing] })];
  // The smaller of two plates is the one that was drawn over the other.
  const [least] = [owner, other].sort((one, two) => reach(one) - reach(two));
  if (owner.rank === 'slab' && other.rank === 'slab' && recordOf(given.framework, 'floorPlate', least!.thing))
    return [
      fixBy(`Leave slab ${least!.name} out at level ${at}`, 'floors.except', {
        floor: least!.thing,
        level,
        leftOut: true,
      }),
    ];
  return [];
}

const reach = ({ shape: { box } }: StoreySolid): number => (box.maxX - box.minX) * (box.maxY - box.minY);
