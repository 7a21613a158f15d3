import type { Solved } from './solved';

/** How a list differs from the one before: all of it anew, or only some of its entries. */
type ListDelta = { all: readonly unknown[] } | { at: readonly (readonly [index: number, entry: unknown])[] };

/** What of a solve is other objects than in the solve before. Plain values, so it crosses from workers. */
export interface SolvedDelta {
  survey: Solved['survey'];
  lists: Partial<Record<keyof Solved, ListDelta>>;
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
    const delta = listDelta(Array.isArray(was) ? was : null, now);
    if (delta) lists[key] = delta;
  }
  const known = before?.profiles ?? {};
  const set = Object.fromEntries(Object.entries(after.profiles).filter(([key, profile]) => known[key] !== profile));
  const gone = Object.keys(known).filter((key) => !(key in after.profiles));
  return { survey: after.survey, lists, profiles: { set, gone } };
}

function listDelta(was: readonly unknown[] | null, now: readonly unknown[]): ListDelta | null {
  if (was === now) return null;
  if (was?.length !== now.length) return { all: now };
  const at = now.flatMap((entry, i) => (entry === was[i] ? [] : [[i, entry] as const]));
  if (at.length === 0) return null;
  return at.length > now.length / 2 ? { all: now } : { at };
}

/** The solve after, from the solve before and what changed. Lists that did not change are the same objects. */
export function withDelta(before: Solved | null, { survey, lists, profiles }: SolvedDelta): Solved {
  const next: Record<string, unknown> = { ...before, survey };
  for (const [key, delta] of Object.entries(lists)) {
    if ('all' in delta) next[key] = delta.all;
    else {
      const list = [...(next[key] as unknown[])];
      for (const [i, entry] of delta.at) list[i] = entry;
      next[key] = list;
    }
  }
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
