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
