import type { ProfileStore } from '../geometry/profile-store';
import { sharedWith, subtract, unionLess, type Profile } from '../geometry/boolean';
import type { Ring } from '../geometry/polygon';
import type { PlanFacts } from './plan-facts';

/** So many are kept at least, used or not. */
const LEAST_KEPT = 1000;

/**
 * Profiles by what they are made of. A key spells out outline and holes, so a kept profile can never be out of date; holes go to
 * the polygon library in the order of their texts, as in the keys, for the corners it answers depend on it. Those that no result
 * uses any more stay for a while, so going back and forth costs nothing.
 */
export class Profiles implements ProfileStore {
  private kept = new Map<string, Profile>();
  private shares = new Map<string, Profile>();
  private readonly uses = new Map<string, number>();
  /** All profiles in use, in no order. */
  private used: Record<string, Profile> = {};
  /** Keys that came into use or went out of it since. */
  private readonly changed = new Set<string>();

  constructor(
    private readonly facts: PlanFacts,
    /** Told of every key that is asked for. */
    private readonly onUse: (key: string) => void,
  ) {}

  /** Counts a result that uses a profile, or no longer does. */
  count(key: string, by: 1 | -1): void {
    const now = (this.uses.get(key) ?? 0) + by;
    if (now > 0) this.uses.set(key, now);
    else this.uses.delete(key);
    if (now === 0 || now === by) this.changed.add(key);
  }

  /** All that is in use, by key. The same object as long as it is the same. */
  inUse(): Record<string, Profile> {
    const changed = [...this.changed].filter((key) => this.uses.has(key) !== key in this.used);
    this.changed.clear();
    if (changed.length === 0) return this.used;
    this.used = { ...this.used };
    for (const key of changed)
      if (this.uses.has(key)) this.used[key] = this.kept.get(key)!;
      else delete this.used[key];
    if (this.kept.size > Math.max(LEAST_KEPT, this.uses.size * 4)) this.kept = new Map(Object.entries(this.used));
    if (this.shares.size > LEAST_KEPT * 4) this.shares = new Map();
    return this.used;
  }

  private take(key: string, work: () => Profile): Profile {
    let profile = this.kept.get(key);
    if (!profile) this.kept.set(key, (profile = work()));
    this.onUse(key);
    return profile;
  }

  /** A profile that a result in use has, by its key. It is in use for as long as that is. */
  known(key: string): Profile {
    const profile = this.kept.get(key);
    if (!profile) throw new Error(`No result has the profile ${key}`);
    return profile;
  }

  /** An outline less holes, which come in the order of the key. */
  get(key: string, outline: Ring, holes: readonly Ring[]): Profile {
    return this.take(key, () => subtract(outline, holes));
  }

  /** Rings together, less holes. */
  union(key: string, rings: readonly Ring[], holes: readonly Ring[]): Profile {
    return this.take(key, () => unionLess(rings, this.inOrder(holes)));
  }

  /** What a profile in use shares with a ring. */
  shared(key: string, ring: Ring): Profile {
    const name = `${key}#${this.facts.textOf(this.facts.one(ring))}`;
    let profile = this.shares.get(name);
    if (!profile) this.shares.set(name, (profile = sharedWith(this.kept.get(key)!, ring)));
    return profile;
  }

  private inOrder(holes: readonly Ring[]): Ring[] {
    const byText = new Map(holes.map((hole) => [this.facts.textOf(hole), hole]));
    return [...byText.keys()].sort().map((text) => byText.get(text)!);
  }
}
