import { statesUp } from '../levels/states-up';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { following } from './typical';

/** How a floor is at each of its levels, those that follow a master as it is there unless they differ themselves. */
export function asMaster<S, E extends { level: Id; upwards: boolean }>(
  framework: Framework,
  base: S,
  exceptions: readonly E[],
  levels: readonly { id: Id }[],
  changed: (from: S, by: E) => S,
): S[] {
  const states = statesUp(base, exceptions, levels, changed);
  const { masterOf } = following(framework);
  if (masterOf.size === 0) return states;
  return states.map((state, i) => {
    const { id } = levels[i]!;
    const master = masterOf.get(id);
    const from = master === undefined ? -1 : levels.findIndex((level) => level.id === master);
    return from < 0 || exceptions.some(({ level }) => level === id) ? state : states[from]!;
  });
}

/**
 * The exceptions of something that runs through levels: those for a master only are for the levels that follow it too, unless
 * one of them has its own. What goes upwards does so from its own level, as anywhere.
 */
export function reachingFollowers<E extends { level: Id; upwards: boolean }>(
  framework: Framework,
  exceptions: readonly E[],
): readonly E[] {
  const { followersOf } = following(framework);
  if (followersOf.size === 0 || exceptions.length === 0) return exceptions;
  const own = new Set(exceptions.filter(({ upwards }) => !upwards).map(({ level }) => level));
  return exceptions.flatMap((each) => [
    each,
    ...(each.upwards ? [] : (followersOf.get(each.level) ?? []))
      .filter((level) => !own.has(level))
      .map((level) => ({ ...each, level })),
  ]);
}
