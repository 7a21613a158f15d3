import type { ProfileStore } from '../floors/solve-floors';
import { sharedWith, subtract, unionLess, type Profile } from '../geometry/boolean';
import type { Ring } from '../geometry/polygon';
import type { PlanFacts } from './plan-facts';

/**
 * Profiles by what they are made of, kept from solve to solve. A key spells out outline and holes, so a kept profile can never
 * be out of date; holes go to the polygon library in the order of their texts, as in the keys, for the corners it answers
 * depend on it.
 */
export class Profiles implements ProfileStore {
  private kept = new Map<string, Profile>();
  private used = new Map<string, Profile>();
  private keptShared = new Map<string, Profile>();
  private usedShared = new Map<string, Profile>();

  constructor(
    private readonly facts: PlanFacts,
    /** Told of every key that is used. */
    private readonly onUse: (key: string) => void,
  ) {}

  /** Called at the start of a solve. */
  begin(): void {
    this.used = new Map();
    this.keptShared = this.usedShared;
    this.usedShared = new Map();
  }

  /** All that this solve used, by key. Those of the states before stay for a while, so going back and forth costs nothing. */
  end(): Record<string, Profile> {
    if (this.kept.size > Math.max(1000, this.used.size * 4)) this.kept = this.used;
    else for (const [key, profile] of this.used) this.kept.set(key, profile);
    return Object.fromEntries([...this.used].sort(([a], [b]) => (a < b ? -1 : 1)));
  }

  private take(key: string, work: () => Profile): Profile {
    const profile = this.used.get(key) ?? this.kept.get(key) ?? work();
    this.used.set(key, profile);
    this.onUse(key);
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
    const known = this.usedShared.get(name) ?? this.keptShared.get(name);
    const profile = known ?? sharedWith(this.used.get(key)!, ring);
    this.usedShared.set(name, profile);
    return profile;
  }

  /** Keeps what a result that is used again holds. */
  useAgain(keys: ReadonlySet<string>): void {
    for (const key of keys) {
      const profile = this.used.get(key) ?? this.kept.get(key);
      if (profile) this.used.set(key, profile);
    }
  }

  private inOrder(holes: readonly Ring[]): Ring[] {
    const byText = new Map(holes.map((hole) => [this.facts.textOf(hole), hole]));
    return [...byText.keys()].sort().map((text) => byText.get(text)!);
  }
}
