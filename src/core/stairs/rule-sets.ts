/** Where limits come from, in general words. */
export interface Sourced {
  source: string;
  /** Of limits a project has of its own, by their names. */
  sources?: Readonly<Record<string, string>>;
}

/** Where one limit comes from; `limit`: its name in the table of limits. */
export const sourceOf = ({ source, sources }: Sourced, limit: string): string => sources?.[limit] ?? source;

/** Limits a stair is measured against. Indicative: whoever signs the building checks them. */
export interface StairRules extends Sourced {
  title: string;
  riserMm: { least: number; most: number };
  goingMm: { least: number; most: number | null };
  /** Twice the step riser and one going; a limit, or comfort only. */
  pace: { least: number; most: number; isLimit: boolean };
  pitchMostDeg: number | null;
  /** Most step risers in one flight. */
  risersMost: number | null;
  /** Most rise of one flight, mm. */
  flightRiseMost: number | null;
  headroomMm: number;
  /** A landing is as deep as the stair is wide, but need not be deeper than this. */
  landingCapMm: number | null;
  /** Tapered treads: where their going is measured, and how deep they are at least at the narrow end. */
  tapered: {
    /** So far from the narrow end; in the middle of stairs narrower than `middleBelowMm`. */
    fromNarrowMm: number;
    middleBelowMm: number | null;
    narrowMm: number;
  };
}

export const RULE_SETS = ['public', 'general', 'private'] as const;
export type RuleSet = (typeof RULE_SETS)[number];

/** Twice the step riser and one going should come to this. */
export const PACE_TARGET_MM = 630;

export const STAIR_RULES: Record<RuleSet, StairRules> = {
  public: {
    title: 'Public stair, model code',
    source: 'International model building code: stairways',
    riserMm: { least: 102, most: 178 },
    goingMm: { least: 279, most: null },
    pace: { least: 600, most: 660, isLimit: false },
    pitchMostDeg: null,
    risersMost: null,
    flightRiseMost: 3658,
    headroomMm: 2032,
    landingCapMm: 1219,
    tapered: { fromNarrowMm: 305, middleBelowMm: null, narrowMm: 152 },
  },
  general: {
    title: 'General access, public guidance',
    source: 'Public guidance on stairs: general access',
    riserMm: { least: 150, most: 170 },
    goingMm: { least: 250, most: 400 },
    pace: { least: 550, most: 700, isLimit: true },
    pitchMostDeg: null,
    risersMost: 12,
    flightRiseMost: null,
    headroomMm: 2000,
    landingCapMm: null,
    tapered: { fromNarrowMm: 270, middleBelowMm: 1000, narrowMm: 50 },
  },
  private: {
    title: 'Private stair, public guidance',
    source: 'Public guidance on stairs: private',
    riserMm: { least: 150, most: 220 },
    goingMm: { least: 220, most: 300 },
    pace: { least: 550, most: 700, isLimit: true },
    pitchMostDeg: 42,
    risersMost: 36,
    flightRiseMost: null,
    headroomMm: 2000,
    landingCapMm: null,
    tapered: { fromNarrowMm: 270, middleBelowMm: 1000, narrowMm: 50 },
  },
};
