import type { RuleSet, Sourced } from '../stairs/rule-sets';

/** Limits guards and handrails are measured against. Indicative: whoever signs the building checks them. */
export interface GuardRules extends Sourced {
  /** A drop of more than this has a guard. */
  dropMm: number;
  /** Height over the floor at edges, and over the pitch at flights. */
  edgeMm: number;
  flightMm: number;
  handrailMm: { least: number; most: number };
  /** Nothing passes a gap wider than this. */
  gapMm: number;
  /** A handrail goes on so far past the first and the last nosing. */
  extensionMm: number;
}

export const GUARD_RULES: Record<RuleSet, GuardRules> = {
  public: {
    source: 'International model building code: guards and handrails',
    dropMm: 762,
    edgeMm: 1067,
    flightMm: 864,
    handrailMm: { least: 864, most: 965 },
    gapMm: 102,
    extensionMm: 305,
  },
  general: {
    source: 'Public guidance on guarding: general access',
    dropMm: 380,
    edgeMm: 1100,
    flightMm: 900,
    handrailMm: { least: 900, most: 1000 },
    gapMm: 99,
    extensionMm: 300,
  },
  private: {
    source: 'Public guidance on guarding: private',
    dropMm: 600,
    edgeMm: 900,
    flightMm: 900,
    handrailMm: { least: 900, most: 1000 },
    gapMm: 99,
    extensionMm: 0,
  },
};
