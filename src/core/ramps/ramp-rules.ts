import type { Sourced } from '../stairs/rule-sets';

/** Limits a ramp is measured against. Indicative: whoever signs the building checks them. */
export interface RampRules extends Sourced {
  title: string;
  /** How steep a flight may be by how far it rises: run per rise, the lowest rises first. */
  steepest: readonly { toRiseMm: number; runPerRise: number }[];
  /** The longest run of a flight, mm. */
  flightRunMost: number | null;
  /** A landing between two flights is so long at least, mm. */
  landingMm: number;
  /** Across the way one goes: run per rise at least. */
  crossfall: number;
  /** Over it, up to what lies above. */
  headroomMm: number;
}

export const RAMP_RULE_SETS = ['public', 'general', 'sliding'] as const;
export type RampRuleSet = (typeof RAMP_RULE_SETS)[number];

export const RAMP_RULES: Record<RampRuleSet, RampRules> = {
  public: {
    title: 'Public ramp, model code',
    source: 'International model building code: ramps',
    steepest: [{ toRiseMm: 762, runPerRise: 12 }],
    flightRunMost: null,
    landingMm: 1525,
    crossfall: 48,
    headroomMm: 2032,
  },
  general: {
    title: 'General access, public guidance',
    source: 'Public guidance on ramps: general access',
    steepest: [{ toRiseMm: Infinity, runPerRise: 14 }],
    flightRunMost: 9000,
    landingMm: 1500,
    crossfall: 48,
    headroomMm: 2000,
  },
  sliding: {
    title: 'By the rise of each flight, public guidance',
    source: 'Public guidance on ramps: slopes by rise',
    steepest: [
      { toRiseMm: 166, runPerRise: 12 },
      { toRiseMm: 333, runPerRise: 15 },
      { toRiseMm: 500, runPerRise: 20 },
    ],
    flightRunMost: null,
    landingMm: 1500,
    crossfall: 48,
    headroomMm: 2000,
  },
};
