import type { PlateSet } from '../floors/plates';
import { plus, times, type Point } from '../geometry/point';
import { contains } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Id } from '../model/ids';
import type { SolvedStair } from '../stairs/solved-stair';
import { finding, type Finding } from './finding';

/** Slab is looked for this far outside a well, mm. */
const BESIDE_MM = 50;

/** A stair whose foot or head meets no slab. */
export function checkStair(stair: SolvedStair, plates: PlateSet, names: ReadonlyMap<Id, string>): Finding[] {
  const [first, last] = [stair.storeys[0], stair.storeys.at(-1)];
  const foot = first?.flights[0];
  const head = last?.flights.at(-1);
  const ends: { level: Id; at: Point; words: string }[] = [];
  if (first && foot)
    ends.push({ level: first.level, at: plus(foot.from, times(foot.along, -BESIDE_MM)), words: 'foot' });
  if (last && head && last.steps) {
    const run = (head.risers - 1) * head.goingMm + BESIDE_MM;
    ends.push({ level: last.upper, at: plus(head.from, times(head.along, run)), words: 'head' });
  }
  return ends
    .filter(({ level, at }) => !plates.at(level).some(({ ring }) => ring && contains(ring, at)))
    .map(({ level, words }) =>
      finding(
        'stair.offSlab',
        'error',
        stair.building,
        level,
        [stair.stair],
        `The ${words} of stair ${stair.name} meets no slab at level ${names.get(level) ?? ''}. Move the stair, or bring a floor up to it`,
      ),
    );
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
        'warning',
        record.building,
        id,
        [id],
        `No stair reaches level ${record.name}. Carry a stair to it`,
      ),
    );
}
