import type { Solved } from './solved';

/**
 * How a value differs from the one before: it is another one; some entries of a list, or fields of an object, differ; or a list goes on
 * otherwise from one place on, its end the same.
 */
type Delta =
  | { is: unknown }
  | { at: readonly (readonly [index: number, delta: Delta])[] }
  | { of: Readonly<Record<string, Delta>> }
  | { from: number; drop: number; put: readonly unknown[] };

/** What of a solve is other objects than in the solve before. Plain values, so it crosses from workers. */
export interface SolvedDelta {
  survey: Solved['survey'];
  lists: Partial<Record<keyof Solved, Delta>>;
  profiles: { set: Solved['profiles']; gone: readonly string[] };
}

/**
 * What changed from one solve to the next, by the identity of its parts: a solver that keeps results answers the same objects
 * for what an edit did not touch. From null: everything.
 */
export function deltaOf(before: Solved | null, after: Solved): SolvedDelta {
  const lists: SolvedDelta['lists'] = {};
  for (const key of Object.keys(after) as (keyof Solved)[]) {
    const now = after[key];
    if (!Array.isArray(now)) continue;
    const was = before?.[key];
    const delta = deltaBetween(was, now);
    if (delta) lists[key] = delta;
  }
  const known = before?.profiles ?? {};
  const set = Object.fromEntries(Object.entries(after.profiles).filter(([key, profile]) => known[key] !== profile));
  const gone = Object.keys(known).filter((key) => !(key in after.profiles));
  return { survey: after.survey, lists, profiles: { set, gone } };
}

type Fields = Record<string, unknown>;
const isPlain = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** Null: it is the same object. */
function deltaBetween(was: unknown, now: unknown): Delta | null {
  if (was === now) return null;
  if (Array.isArray(was) && Array.isArray(now)) return listDelta(was, now);
  if (!isPlain(was) || !isPlain(now)) return { is: now };
  const keys = Object.keys(now);
  if (keys.length !== Object.keys(was).length || keys.some((key) => !(key in was))) return { is: now };
  const of: Record<string, Delta> = {};
  let count = 0;
  for (const key of keys) {
    const delta = deltaBetween(was[key], now[key]);
    if (!delta) continue;
    of[key] = delta;
    count += 1;
  }
  // Two equal ones are not the same object: the one before stays.
  if (count === 0) return null;
  return count === keys.length ? { is: now } : { of };
}

function listDelta(was: readonly unknown[], now: readonly unknown[]): Delta | null {
  if (was.length === now.length) {
    const at = now.flatMap((entry, i): [number, Delta][] => {
      const delta = deltaBetween(was[i], entry);
      return delta ? [[i, delta]] : [];
    });
    return at.length > 0 ? { at } : null;
  }
  const least = Math.min(was.length, now.length);
  let from = 0;
  while (from < least && was[from] === now[from]) from += 1;
  let end = 0;
  while (end < least - from && was[was.length - 1 - end] === now[now.length - 1 - end]) end += 1;
  return { from, drop: was.length - end - from, put: now.slice(from, now.length - end) };
}

/** A value with what differs; what does not is the same object. */
function withDifference(before: unknown, delta: Delta): unknown {
  if ('is' in delta) return delta.is;
  if ('of' in delta) {
    const next: Fields = { ...(before as Fields) };
    for (const [key, each] of Object.entries(delta.of)) next[key] = withDifference(next[key], each);
    return next;
  }
  const list = [...(before as unknown[])];
  if ('at' in delta) for (const [i, each] of delta.at) list[i] = withDifference(list[i], each);
  else return [...list.slice(0, delta.from), ...delta.put, ...list.slice(delta.from + delta.drop)];
  return list;
}

/** The solve after, from the solve before and what changed. Lists that did not change are the same objects. */
export function withDelta(before: Solved | null, { survey, lists, profiles }: SolvedDelta): Solved {
  const next: Record<string, unknown> = { ...before, survey };
  for (const [key, delta] of Object.entries(lists)) next[key] = withDifference(next[key], delta);
  const gone = new Set(profiles.gone);
  const isSame = before && gone.size === 0 && Object.keys(profiles.set).length === 0;
  next.profiles = isSame
    ? before.profiles
    : {
        ...Object.fromEntries(Object.entries(before?.profiles ?? {}).filter(([key]) => !gone.has(key))),
        ...profiles.set,
      };
  return next as unknown as Solved;
}
