import type { PlateSet } from '../floors/plates';
import { plus, times, type Point } from '../geometry/point';
import { bounds, contains } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { SolvedStair } from '../stairs/solved-stair';
import { moveFix, moveIn } from './least-move';
import { finding, type Finding, type Fix } from './finding';

/** Slab is looked for this far outside a well, mm. */
const BESIDE_MM = 50;

/** A stair whose foot or head meets no slab. */
export function checkStair(stair: SolvedStair, plates: PlateSet, names: ReadonlyMap<Id, string>): Finding[] {
  const [first, last] = [stair.storeys[0], stair.storeys.at(-1)];
  const ends: { level: Id; at: Point; words: string }[] = [];
  if (first?.foot)
    ends.push({ level: first.level, at: plus(first.foot.at, times(first.foot.along, -BESIDE_MM)), words: 'foot' });
  if (last?.head)
    ends.push({ level: last.upper, at: plus(last.head.at, times(last.head.along, BESIDE_MM)), words: 'head' });
  return ends
    .filter(({ level, at }) => !plates.at(level).some(({ ring }) => ring && contains(ring, at)))
    .map(({ level, words }) =>
      finding(
        'stair.offSlab',
        stair.building,
        level,
        [stair.stair],
        `The ${words} of stair ${stair.name} meets no slab at level ${names.get(level) ?? ''}. Move the stair, or bring a floor up to it`,
        inwards(stair, plates, level),
      ),
    );
}

/** The well moved onto the slab it stands beside. */
function inwards(stair: SolvedStair, plates: PlateSet, level: Id): Fix[] {
  const [plate] = plates.at(level);
  const { minX, minY, maxX, maxY } = bounds(stair.ring);
  // Slab is looked for beside the well, so that has to come in too.
  const [x0, y0, x1, y1] = [minX - BESIDE_MM, minY - BESIDE_MM, maxX + BESIDE_MM, maxY + BESIDE_MM];
  const around = [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
  return plate?.ring ? moveFix(stair.stair, `stair ${stair.name}`, moveIn(around, plate.ring)) : [];
}

/** The stair that reaches nearest carried on to a level. */
function carryStair(stairs: readonly SolvedStair[], storeys: readonly ResolvedLevel[], level: Id, name: string): Fix[] {
  const rank = (id: Id) => storeys.findIndex((each) => each.id === id);
  const target = rank(level);
  const nearest = stairs
    .flatMap((stair) => {
      const ranks = stair.levels.map(rank);
      const [low, high] = [Math.min(...ranks), Math.max(...ranks)];
      return ranks.length === 0 ? [] : [{ stair, gap: Math.max(low - target, target - high), isAbove: target > high }];
    })
    .sort((a, b) => a.gap - b.gap || (a.stair.stair < b.stair.stair ? -1 : 1))[0];
  if (!nearest) return [];
  // It climbs the storey under the level it is to reach.
  const end: Record<string, Id> = nearest.isAbove
    ? { topmost: storeys[Math.max(0, target - 1)]!.id }
    : { lowest: level };
  return [
    {
      words: `Carry stair ${nearest.stair.name} to level ${name}`,
      command: 'carry.to',
      input: { ids: [nearest.stair.stair], ...end },
    },
  ];
}

/** Storeys of a building with stairs that none of them reaches. */
export function checkStoreysReached(stairs: readonly SolvedStair[], storeys: readonly ResolvedLevel[]): Finding[] {
  if (stairs.length === 0) return [];
  const reached = new Set(stairs.flatMap(({ levels }) => levels));
  return storeys
    .filter(({ id, record }) => !reached.has(id) && record.levelKind !== 'roof')
    .map(({ id, record }) =>
      finding(
        'storey.noStair',
        record.building,
        id,
        [id],
        `No stair reaches level ${record.name}. Carry a stair to it`,
        carryStair(stairs, storeys, id, record.name),
      ),
    );
}
