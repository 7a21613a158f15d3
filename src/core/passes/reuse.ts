/**
 * A value in which everything equal to a part of the value before is that part itself: what did not change stays the same object.
 * Plain objects, arrays, maps, sets and single values; an object of a class is itself again only where all its fields are.
 */
export function reuse<T>(before: T, after: T): T {
  return reused(before, after) as T;
}

function reused(before: unknown, after: unknown): unknown {
  if (before === after || typeof after !== 'object' || after === null) return after;
  if (typeof before !== 'object' || before === null) return after;
  if (Object.getPrototypeOf(before) !== Object.getPrototypeOf(after)) return after;
  if (Array.isArray(after)) return reusedList(before as unknown[], after);
  if (after instanceof Map) return reusedMap(before as Map<unknown, unknown>, after);
  if (after instanceof Set) return reusedSet(before as Set<unknown>, after);
  if (Object.getPrototypeOf(after) !== Object.prototype) return hasSameFields(before, after) ? before : after;
  return reusedObject(before as Record<string, unknown>, after as Record<string, unknown>);
}

const NOTHING = Symbol('nothing');

function reusedList(before: readonly unknown[], after: readonly unknown[]): readonly unknown[] {
  let isSame = before.length === after.length;
  let parts: unknown[] | null = null;
  // The same object in turn, as states of storeys are, is looked into once.
  let [lastWas, lastIs, lastPart]: unknown[] = [NOTHING, NOTHING, NOTHING];
  for (let i = 0; i < after.length; i += 1) {
    const isAgain = before[i] === lastWas && after[i] === lastIs;
    const part = isAgain ? lastPart : i < before.length ? reused(before[i], after[i]) : after[i];
    [lastWas, lastIs, lastPart] = [before[i], after[i], part];
    if (part !== before[i]) isSame = false;
    if (part !== after[i]) (parts ??= [...after])[i] = part;
  }
  return isSame ? before : (parts ?? after);
}

function reusedMap(before: Map<unknown, unknown>, after: Map<unknown, unknown>): Map<unknown, unknown> {
  let isSame = before.size === after.size;
  const order = before.keys();
  const made = new Map<unknown, unknown>();
  for (const [key, value] of after) {
    const part = reused(before.get(key), value);
    if (part !== before.get(key) || order.next().value !== key) isSame = false;
    made.set(key, part);
  }
  return isSame ? before : made;
}

function reusedSet(before: Set<unknown>, after: Set<unknown>): Set<unknown> {
  const order = [...before];
  const isSame = order.length === after.size && [...after].every((each, i) => each === order[i]);
  return isSame ? before : after;
}

function reusedObject(before: Record<string, unknown>, after: Record<string, unknown>): Record<string, unknown> {
  let isSame = true;
  let fields = 0;
  let made: Record<string, unknown> | null = null;
  for (const key in after) {
    fields += 1;
    const [was, is] = [before[key], after[key]];
    if (was === is) continue;
    const part = reused(was, is);
    if (part !== was) isSame = false;
    if (part !== is) (made ??= { ...after })[key] = part;
  }
  if (isSame) for (const _ in before) fields -= 1;
  return isSame && fields === 0 ? before : (made ?? after);
}

function hasSameFields(before: object, after: object): boolean {
  const [was, is] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const keys = Object.keys(is);
  return Object.keys(was).length === keys.length && keys.every((key) => reused(was[key], is[key]) === was[key]);
}

/**
 * The same for what only gathers results that were reused themselves: lists, maps and plain objects of them are compared by the
 * identity of what they hold.
 */
export function reuseGathered<T>(before: T, after: T): T {
  return (isGatheredAlike(before, after, 2) ? before : gathered(before, after)) as T;
}

/** Lists in a map or an object are themselves again where they hold the same. */
function gathered(before: unknown, after: unknown): unknown {
  if (!(after instanceof Map) || !(before instanceof Map)) return after;
  const was = before as ReadonlyMap<unknown, unknown>;
  const made = new Map<unknown, unknown>();
  for (const [key, value] of after as ReadonlyMap<unknown, unknown>) {
    const old = was.get(key);
    made.set(key, isGatheredAlike(old, value, 1) ? old : value);
  }
  return made;
}

function isGatheredAlike(before: unknown, after: unknown, depth: number): boolean {
  if (before === after) return true;
  if (depth === 0 || typeof before !== 'object' || typeof after !== 'object' || !before || !after) return false;
  if (Array.isArray(after))
    return Array.isArray(before) && before.length === after.length && after.every((each, i) => each === before[i]);
  if (Object.getPrototypeOf(before) !== Object.getPrototypeOf(after)) return false;
  if (after instanceof Map) {
    const was = before as ReadonlyMap<unknown, unknown>;
    const order = was.keys();
    if (was.size !== after.size) return false;
    for (const [key, value] of after)
      if (order.next().value !== key || !isGatheredAlike(was.get(key), value, depth - 1)) return false;
    return true;
  }
  const [was, is] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const keys = Object.keys(is);
  return keys.length === Object.keys(was).length && keys.every((key) => isGatheredAlike(was[key], is[key], depth - 1));
}
