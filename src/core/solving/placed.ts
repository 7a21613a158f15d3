import type { Id } from '../model/ids';

/**
 * Puts parts that are worked out from the floor of a storey in place, at a level and a height. A part that is put in the same place
 * again is the same object again.
 */
export function placing<T extends object>(
  put: (part: T, level: Id, zeroMm: number) => T,
): (part: T, level: Id, zeroMm: number) => T {
  const known = new WeakMap<T, Map<Id, { zeroMm: number; placed: T }>>();
  return (part, level, zeroMm) => {
    let levels = known.get(part);
    if (!levels) known.set(part, (levels = new Map()));
    const before = levels.get(level);
    if (before?.zeroMm === zeroMm) return before.placed;
    const placed = put(part, level, zeroMm);
    levels.set(level, { zeroMm, placed });
    return placed;
  };
}
