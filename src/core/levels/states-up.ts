import type { Id } from '../model/ids';

/** What differs at one level of something carried, or from there up. */
interface ByLevel {
  level: Id;
  upwards: boolean;
}

/**
 * How a carried thing is at each level, lowest first: its base changed by its exceptions. One that goes upwards holds
 * until another does; one that is for here only does not. Levels without exceptions of their own share one state object.
 */
export function statesUp<S, E extends ByLevel>(
  base: S,
  exceptions: readonly E[],
  levels: readonly { id: Id }[],
  changed: (from: S, by: E) => S,
): S[] {
  if (exceptions.length === 0) return levels.map(() => base);
  const byLevel = new Map<Id, E[]>();
  for (const each of exceptions) byLevel.set(each.level, [...(byLevel.get(each.level) ?? []), each]);
  let now = base;
  return levels.map(({ id }) => {
    const here = byLevel.get(id) ?? [];
    for (const each of here) if (each.upwards) now = changed(now, each);
    return here.filter(({ upwards }) => !upwards).reduce(changed, now);
  });
}
